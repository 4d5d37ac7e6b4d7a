import { readFileSync } from 'node:fs';
import { parseDocument, type RigDocument, type Unit } from '../rig';
import { mainsAsks } from './asks';
import { withMainsEdit, withOutlet } from './edits';
import { mainsReport } from './findings';

const lockNine = parseDocument(readFileSync('demo/lock-nine.json', 'utf8'));
const { lines: _measured, ...unmeasured } = lockNine.mains!;
/** Lock Nine before anybody held a voltmeter to the laptop; lamps and desk take what their kind usually takes. */
const typical: RigDocument = {
  ...lockNine,
  mains: unmeasured,
  units: lockNine.units!.map(({ current: _current, ...unit }): Unit => unit),
};
const withTarget = (document: RigDocument, noiseFloor: string): RigDocument =>
  ({ ...document, schools: { ...document.schools, noiseFloor } }) as RigDocument;
const asksOf = (document: RigDocument) => mainsAsks(document, mainsReport(document));
const laptopAt = (document: RigDocument): number => {
  const { reads, toDbfs } = mainsReport(document).readings.lines.find(({ line }) => line === 'laptop')!;
  return reads['as-set'] + toDbfs!;
};
/** With a target a little above what the laptop’s line hears with typical figures: either side is possible. */
const near = withTarget(typical, String(Math.round(laptopAt(typical)) + 2));

test('what decides whether a line is above the target is asked for, and what stands with either value is said', () => {
  const asks = asksOf(near);
  expect(asks.length).toBeGreaterThan(0);
  expect(asks.length).toBeLessThanOrEqual(3);
  for (const { line, why, apart } of asks) {
    expect(line).toBe('laptop');
    expect(why).toMatch(
      /^Laptop, playback hears −\d+(\.\d)? dBFS with .+ and −\d+(\.\d)? dBFS with .+; your target is −\d+ dBFS\.$/,
    );
    expect(apart).toBeGreaterThan(0);
  }
});

test('answered as it is asked, each of its two values puts the line on its own side of the target', () => {
  const ask = asksOf(near).find(({ about }) => 'unit' in about && about.figure === 'current')!;
  const { unit } = ask.about as { unit: string };
  const target = Number(near.schools!.noiseFloor);
  const [low, high] = [...ask.why.matchAll(/with ([\d.]+) (m?A)/g)].map(([, value, of]) =>
    laptopAt(
      withMainsEdit(near, {
        do: 'figure',
        unit,
        figure: 'current',
        to: { value: Number(value) / (of === 'mA' ? 1000 : 1), unit: 'A', basis: 'measured' },
      }),
    ),
  );
  expect(low).toBeLessThanOrEqual(target);
  expect(high).toBeGreaterThan(target);
});

test('what is stated is asked for no more', () => {
  const asked = asksOf(near);
  const answered = asked.reduce(
    (document, { about }) =>
      'outlet' in about
        ? withOutlet(document, about.outlet, (own) => ({ ...own, length: { value: 5, unit: 'm', basis: 'measured' } }))
        : about.figure === 'plug'
          ? withMainsEdit(document, { do: 'plug', unit: about.unit, plug: 'three-pin' })
          : withMainsEdit(document, {
              do: 'figure',
              unit: about.unit,
              figure: about.figure,
              to: { value: 0.2, unit: about.figure === 'current' ? 'A' : 'nF', basis: 'measured' },
            }),
    near,
  );
  const again = asksOf(answered).map(({ about }) => JSON.stringify(about));
  expect(again.filter((about) => asked.some((each) => JSON.stringify(each.about) === about))).toEqual([]);
});

test.each([-10, -195])('where no figure can change what is said, nothing is asked (target %d dBFS)', (target) => {
  expect(asksOf(withTarget(typical, String(target)))).toEqual([]);
});

test('a line whose shells are measured asks for nothing more', () => {
  expect(asksOf(withTarget(lockNine, String(Math.round(laptopAt(lockNine)) + 2)))).toEqual([]);
});

test('a plug that nobody knows is asked for where it decides: with two pins no ring is closed', () => {
  const unknown: RigDocument = {
    ...near,
    units: near.units!.map(({ plug: _plug, ...unit }): Unit => unit),
    lines: near.lines.map((line) =>
      line.id === 'laptop' && 'kind' in line.source
        ? { ...line, source: { ...line.source, choices: { ...line.source.choices, ground: 'unknown' } } }
        : line,
    ),
  };
  const above = withTarget(unknown, String(Math.round(laptopAt(unknown)) - 6));
  expect(asksOf(above).map(({ what }) => what)).toContain('Plug of Laptop');
});
