import * as gear from '../../../tests/lines/gear';
import { cable, checked, codes, find, judged, line, on } from '../../../tests/lines/lines';
import { peakTargetOf, DEFAULT_SCHOOLS } from '../schools/schools';
import type { Part } from '../gear';
import { finding } from './case';
import { solveLine } from './solve';
import { characterLabel } from './words';

const solved = (...given: Parameters<typeof line>) => solveLine(line(...given), peakTargetOf(DEFAULT_SCHOOLS));
const withFigure = (part: Part, name: string, value: number, unit: string): Part => ({
  ...part,
  figures: { ...part.figures, [name]: { value, unit, basis: 'measured' } as never },
});
const cutAt = (lowest?: number) => {
  const guitar: Part = { kind: 'piezo-pickup' };
  return line(
    lowest === undefined ? guitar : withFigure(guitar, 'lowest', lowest, 'Hz'),
    [gear.activeBox()],
    on('P48'),
  );
};

test('what a rule says nothing of is empty', () => {
  const said = { code: 'any', severity: 'note', part: 'inlet', what: 'it is', why: 'so', basis: 'typical' } as const;
  expect(finding(said)).toEqual({ ...said, what: 'It is', why: 'So', numbers: [], remedies: [] });
});

test.each([
  ['phantom', 'Phantom'],
  ['plug-in power', 'Plug-in power'],
  ['T12', 'T12'],
] as const)('what a part lives on, at the beginning of a sentence: %s', (wants, label) =>
  expect(characterLabel(wants)).toBe(label),
);

test('a reading between two places is of the frequency that is asked for, 1 kHz where none is', () => {
  const { signal, circuit } = solved({ kind: 'piezo-pickup' }, [gear.activeBox()], on('P48'));
  const { hot, cold } = circuit.channels[0];
  const at = (frequency?: number) => signal.between([hot, cold], frequency);
  expect(at()).toBe(at(1000));
  expect(at(20)).toBeLessThan(at(1000) - 1);
  expect(signal.response.find(({ frequency }) => frequency > 900)!.level).toBeCloseTo(at(1000), 0);
});

test('the ends of a line are called source and inlet, what lies between by its link', () =>
  expect(
    judged(line({ kind: 'moving-coil' }, [cable(), cable()], on('off'))).readings.junctions.map(({ at }) => at),
  ).toEqual(['source', 'after link 1', 'inlet']));

test('a low note a little above the roll-off is still let through; one a tenth below it is not', () => {
  const { lowCut } = judged(cutAt()).readings.signal;
  const told = (share: number) => codes(checked(cutAt(lowCut! * share))).includes('loaded');
  expect([1.1, 1, 0.97].map(told)).toEqual([false, false, false]);
  expect(told(0.9)).toBe(true);
});

describe('a source that is loaded', () => {
  const short = (part: Part) => withFigure(part, 'inputResistance', 120, 'Ω');
  test('says so though it is powered; without its power it says only that', () => {
    expect(codes(checked(line(gear.condenser, [cable()], short(on('P48')))))).toContain('loaded');
    const dead = codes(checked(line(gear.condenser, [cable()], short(on('off')))));
    expect(dead).toContain('unpowered');
    expect(dead).not.toContain('loaded');
  });

  test('says so, too, where it is a box on the way that has no power', () => {
    const box = withFigure({ kind: 'active-direct-box' }, 'inputResistance', 0.001, 'MΩ');
    expect(codes(checked(line(gear.guitar, [gear.ts(3), box, cable()], on('off'))))).toEqual(
      expect.arrayContaining(['unpowered', 'loaded']),
    );
  });
});

test('a feed that nothing needs: its current is told where one flows, and only there', () => {
  const flowing = find(checked(line({ kind: 'moving-coil' }, [gear.pad(20), cable()], on('P48'))), 'feed-not-needed');
  const none = find(checked(line({ kind: 'moving-coil' }, [gear.isolator, cable()], on('P48'))), 'feed-not-needed');
  for (const { numbers, why } of [flowing, none])
    expect(numbers.map(({ label }) => label)).toEqual(/ A flows|mA flows/.test(why) ? ['Feed current'] : []);
  expect(none.why).toContain('no DC flows');
});

test('an open leg is blamed on the cable that has the fault', () => {
  const open = cable({ type: 'open', contact: '3' });
  expect(find(checked(line(gear.condenser, [cable(), open], on('P48'))), 'leg-lost').part).toBe(1);
});

test('an open shield is the cable’s whose shield it is, and not that of one with another fault', () => {
  const leaky = cable({ type: 'leaky', contacts: ['1', '2'], ohms: 1e6 });
  const told = checked(line({ kind: 'moving-coil' }, [leaky, cable({ type: 'open', contact: '1' })], on('off')));
  expect(told.findings.filter(({ code }) => code === 'shield-open').map(({ part }) => part)).toEqual([1]);
});
