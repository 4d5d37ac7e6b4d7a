import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { DEFAULT_SCHOOLS } from '../../schools';
import { checkLine } from '../check';
import type { Finding, Quantity } from '../finding';
import { lineDrawing, type LineResult } from '../result';
import { CASEBOOK, type Situation } from '.';

/**
 * All that the casebook is told: words, figures, remedies in their order, readings. Whatever changes in them shows here.
 * `KEEP=1 npx jest casebook/told` writes down what is told now, to be read in the difference.
 */
const FILE = 'tests/kept/casebook.json';
const kept = (existsSync(FILE) ? JSON.parse(readFileSync(FILE, 'utf8')) : {}) as Record<string, string[]>;

/** Three figures are enough to tell two results apart; what is below a billionth is nothing. */
const round = (value: number | null | undefined): string =>
  value === null || value === undefined ? '–' : Math.abs(value) < 1e-9 ? '0' : String(Number(value.toPrecision(3)));

const figure = ({ label, value, unit, limit }: Quantity): string =>
  `${label} ${round(value)} ${unit}${limit ? ` (${limit.label} ${round(limit.value)}, ${limit.basis})` : ''}`;

function findingTold(finding: Finding): string[] {
  const { severity, code, part, what, why, numbers, remedies, basis, school, answers, consequences, look, assumed } =
    finding;
  return [
    `${severity} ${code} at ${part}: ${what}. ${why}`,
    ...numbers.map((number) => `  ${figure(number)}`),
    `  rests on ${basis}${assumed ? `, assumed ${assumed}` : ''}${school ? `, ${school.name} ${school.choice}` : ''}`,
    ...remedies.map(({ label, note, gives }) => `  do: ${label}${note ? ` (${note})` : ''}: ${gives}`),
    ...(answers ?? []).map(({ label, gives }) => `  answer: ${label}: ${gives}`),
    ...(consequences ?? []).map(({ code: brought, severity: how }) => `  brings ${how} ${brought}`),
    ...(look ? [`  look: ${look}`] : []),
  ];
}

function readingsTold({ readings }: LineResult): string[] {
  const { junctions, supplies, feeds, windings, capsules, signal, level } = readings;
  return [
    ...junctions.map(
      ({ at, plug, socket, fits, contacts }) =>
        `${at}: ${plug} in ${socket}${fits ? '' : ', does not fit'}: ${contacts.map(({ contact, volts, amps }) => `${contact} ${round(volts)} V ${round(amps)} A`).join(', ')}`,
    ),
    ...supplies.map(
      ({ part, what, volts, pins, reversed, state }) =>
        `supply ${part} ${what}: ${[volts, pins, reversed].map(round).join(', ')} V, ${state}`,
    ),
    ...feeds.map(({ part, feed, amps, legs }) => `feed ${part} ${feed}: ${[amps, ...legs].map(round).join(', ')} A`),
    ...windings.map(({ part, what, amps }) => `winding ${part} ${what}: ${round(amps)} A`),
    ...capsules.map(({ part, what, volts }) => `capsule ${part} ${what}: ${round(volts)} V`),
    `signal: ${signal.channels.map((each) => `${each.name} ${round(each.level)} dB${each.reversed ? ' reversed' : ''}`).join(', ')}; load ${round(signal.load)} Ω, ${round(signal.lowCut)} to ${round(signal.highCut)} Hz`,
    ...(level ? [`level: ${round(level.inlet)} dBu, gain ${round(level.gainNeeded)} dB`] : []),
  ];
}

function told({ line, schools }: Situation): string[] {
  const own = { ...DEFAULT_SCHOOLS, ...schools };
  const { verdict, findings } = checkLine(line, own);
  return [verdict, ...findings.flatMap(findingTold), ...readingsTold(lineDrawing(line, own))];
}

/** So many together take less than half a second. */
const TOGETHER = 8;
const all = CASEBOOK.flatMap(({ situations }) => situations);
const parts = Array.from({ length: Math.ceil(all.length / TOGETHER) }, (_, n) => ({
  from: all[n * TOGETHER].id,
  some: all.slice(n * TOGETHER, (n + 1) * TOGETHER),
}));

if (process.env.KEEP)
  test('what is told is written down', () => {
    const now = Object.fromEntries(all.map((situation) => [situation.id, told(situation)]));
    writeFileSync(FILE, `${JSON.stringify(now, null, 1)}\n`);
    expect(Object.keys(now)).toHaveLength(all.length);
  });
else {
  test('every situation is kept, and nothing else', () => expect(Object.keys(kept)).toEqual(all.map(({ id }) => id)));
  test.each(parts)('from $from on', ({ some }) => {
    for (const situation of some)
      expect({ [situation.id]: told(situation) }).toEqual({ [situation.id]: kept[situation.id] });
  });
}
