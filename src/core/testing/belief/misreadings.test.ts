import { named, oneCable, tableFor } from '../../../../tests/testing/lines';
import { diagnose } from '../diagnosis/diagnose';
import { hypothesesOf } from '../hypotheses/hypotheses';
import type { Repair } from '../hypotheses/priors';
import { instrumentNamed } from '../instruments';
import { beliefOf, tableOf } from './belief';
import { misreadings, rateOf } from './misreadings';

const lamps = instrumentNamed('lamps')!;
const repair = (fits: boolean, count = 1): Repair[] =>
  Array.from({ length: count }, () => ({ class: 'cable', type: 'open', looks: [{ instrument: 'lamps', fits }] }));

test('without experience an instrument is misread as often as assumed; what was found out counts beside it', () => {
  expect(rateOf(lamps, misreadings([]))).toBe(lamps.errs);
  // Fifty looks that count for what is assumed, and fifty that were, ten of them wrong.
  const found = misreadings([...repair(false, 10), ...repair(true, 40)]);
  expect(rateOf(lamps, found)).toBeCloseTo((50 * lamps.errs + 10) / 100, 12);
  expect(rateOf(instrumentNamed('voltmeter')!, found)).toBe(instrumentNamed('voltmeter')!.errs);
});

test('lamps that were wrong again and again convince less', () => {
  const { subject } = tableFor(oneCable());
  const shareWith = (repairs: readonly Repair[]) => {
    // Only how lamps are believed differs.
    const table = tableOf(subject, hypothesesOf(subject), repairs);
    const look = table.looks.find((each) => each.instrument === 'lamps' && each.at === 'junction 0')!;
    const { shares } = beliefOf(table, [{ look, key: '2 lit, 3 dark' }]);
    return shares[table.hypotheses.indexOf(named(table, 'cable: pin 3 open'))];
  };
  expect(shareWith(repair(false, 60))).toBeLessThan(shareWith([]) - 0.1);
  expect(shareWith(repair(true, 60))).toBeGreaterThan(shareWith([]));
});

test('what turns out to be wrong is held against every look before', () => {
  const observations = [
    { instrument: 'lamps', at: 'junction 0', seen: '2 lit, 3 lit' },
    { instrument: 'cable box', at: 'link 0', seen: '1-1, 2-2' },
  ];
  const { left } = diagnose(oneCable(), observations, { wait: 60 });
  const open = left.find(({ what }) => what === 'cable: pin 3 open')!;
  expect(open.counts.looks).toEqual([
    { instrument: 'lamps', fits: false },
    { instrument: 'cable box', fits: true },
  ]);
});
