import { cable, judged, line, on } from '../../../tests/lines/lines';
import type { Contact, Fault } from '../gear';

/**
 * Every fault of a three-pin cable under the three kinds of source that matter: what the rules make of it. Common practice
 * where it is a judgement; the numbers behind it are tested beside the rules.
 */
const FAULTS: Record<string, Fault> = {
  'pin 1 open': { type: 'open', contact: '1' },
  'pin 2 open': { type: 'open', contact: '2' },
  'pin 3 open': { type: 'open', contact: '3' },
  '2 and 3 swapped': { type: 'swapped', contacts: ['2', '3'] },
  '1 and 2 swapped': { type: 'swapped', contacts: ['1', '2'] },
  '1 and 3 swapped': { type: 'swapped', contacts: ['1', '3'] },
  '2 on 1': { type: 'shorted', contacts: ['2', '1'] },
  '3 on 1': { type: 'shorted', contacts: ['3', '1'] },
  '2 on 3': { type: 'shorted', contacts: ['2', '3'] },
  'shield on cold': { type: 'shield to cold' },
};

describe('a moving coil, feed off', () => {
  test.each([
    ['pin 1 open', 'Watch', 'shield-open'],
    ['pin 2 open', 'Silent', 'open-path'],
    ['pin 3 open', 'Silent', 'open-path'],
    ['2 and 3 swapped', 'Watch', 'reversed'],
    ['2 on 1', 'Watch', 'cable-fault'],
    ['3 on 1', 'Watch', 'cable-fault'],
    ['2 on 3', 'Silent', 'shorted-path'],
    ['shield on cold', 'Watch', 'cable-fault'],
  ])('%s: %s, %s', (fault, verdict, code) => {
    const result = judged(line('moving-coil', [cable(FAULTS[fault])], on('off')));
    expect(result.verdict).toBe(verdict);
    expect(result.findings[0].code).toBe(code);
  });
});

describe('a moving coil, P48', () => {
  test.each([
    ['pin 1 open', 'Watch'],
    ['pin 2 open', 'Silent'],
    ['2 and 3 swapped', 'Watch'],
    ['2 on 1', 'Stop'],
    ['3 on 1', 'Stop'],
    ['2 on 3', 'Silent'],
    ['shield on cold', 'Stop'],
  ])('%s: %s', (fault, verdict) => {
    expect(judged(line('moving-coil', [cable(FAULTS[fault])], on('P48'))).verdict).toBe(verdict);
  });
});

describe('a condenser that needs 48 V, P48', () => {
  test.each([
    ['pin 1 open', 'Silent', 'unpowered'],
    ['pin 2 open', 'Watch', 'leg-lost'],
    ['pin 3 open', 'Watch', 'leg-lost'],
    ['2 and 3 swapped', 'Watch', 'reversed'],
    ['2 on 1', 'Silent', 'unpowered'],
    ['2 on 3', 'Silent', 'shorted-path'],
  ])('%s: %s, %s', (fault, verdict, code) => {
    const result = judged(line('condenser-48', [cable(FAULTS[fault])], on('P48')));
    expect(result.verdict).toBe(verdict);
    expect(result.findings[0].code).toBe(code);
  });
});

test('every single fault is noticed, and a sound cable mends it', () => {
  for (const source of ['moving-coil', 'condenser-48', 'condenser-9-52'])
    for (const fault of Object.values(FAULTS)) {
      const result = judged(line(source, [cable(fault)], on('P48')));
      expect(result.verdict).not.toBe('Clear');
      const mending = result.findings
        .flatMap(({ remedies }) => remedies)
        .filter(({ label }) => label.includes('with a good one'));
      expect(mending[0]?.gives).toBe('Clear');
    }
});

test('a leak matters by how much it leaks', () => {
  const leak = (ohms: number) =>
    judged(
      line('condenser-48', [cable({ type: 'leaky', contacts: ['2', '1'] as [Contact, Contact], ohms })], on('P48')),
    );
  // A known fault is at least Watch, whatever the numbers say.
  expect(leak(1e6).findings[0].code).toBe('cable-fault');
  expect(leak(4700).verdict).not.toBe('Clear');
});
