import { oneCable, WAIT } from '../../../../tests/testing/lines';
import { priorsShape } from '../cables/kept';
import { subjectOf } from '../subject';
import { hypothesesOf } from './hypotheses';
import { endsOf, PRIORS, type Experience, type Repair } from './priors';

const subject = subjectOf(oneCable(), WAIT);
const shareOf = (of: Repair['class'], type: Repair['type'], experience: Experience = {}): number =>
  hypothesesOf(subject, experience)
    .filter(({ counts }) => counts.class === of && counts.type === type)
    .reduce((sum, { prior }) => sum + prior, 0);

test('common practice: cables before all else, breaks before shorts, shorts before swaps', () => {
  const cable = shareOf('cable', 'open');
  expect(cable).toBeGreaterThan(shareOf('desk', 'muted'));
  expect(cable).toBeGreaterThan(shareOf('cable', 'shorted'));
  expect(shareOf('cable', 'shorted')).toBeGreaterThan(shareOf('cable', 'swapped'));
  expect(shareOf('cable', 'open')).toBeGreaterThan(shareOf('source', 'open'));
});

test('what somebody says otherwise counts against the rest as said, and all together stays 1', () => {
  const before = shareOf('desk', 'muted');
  const priors = { desk: { muted: 10 * PRIORS.desk.muted! } };
  const after = shareOf('desk', 'muted', { priors });
  expect(after / (1 - after)).toBeCloseTo((10 * before) / (1 - before), 9);
  expect(hypothesesOf(subject, { priors }).reduce((sum, { prior }) => sum + prior, 0)).toBeCloseTo(1, 12);
});

test('every number of the table can be said otherwise, nothing else, and never as impossible', () => {
  expect(priorsShape.validate(PRIORS).error).toBeUndefined();
  expect(priorsShape.validate({ cable: { open: 0 } }).error?.message).toContain('0.01');
  expect(priorsShape.validate({ cable: { muted: 3 } }).error?.message).toContain('cable.muted');
  expect(priorsShape.validate({ plug: { open: 3 } }).error?.message).toContain('plug');
});

test('ends are counted for one thing alone, where somebody looked', () => {
  const repair = (item: string, end?: Repair['end']): Repair => ({ class: 'cable', type: 'open', item, end });
  const repairs = [repair('old', 'inlet'), repair('old', 'inlet'), repair('old'), repair('new', 'source')];
  expect(endsOf(repairs, 'old')).toEqual({ source: 0, inlet: 2 });
});
