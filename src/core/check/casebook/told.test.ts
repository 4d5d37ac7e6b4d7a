import { round, toldAsKept } from '../../../../tests/kept';
import { DEFAULT_SCHOOLS } from '../../schools';
import { checkLine } from '../check';
import type { Finding, Quantity } from '../finding';
import { lineDrawing, type LineResult } from '../result';
import { CASEBOOK, type Situation } from '.';

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

// All that the casebook is told: words, figures, remedies in their order, readings.
toldAsKept(
  'tests/kept/casebook.json',
  CASEBOOK.flatMap(({ situations }) => situations).map((situation) => ({
    id: situation.id,
    told: () => told(situation),
  })),
  TOGETHER,
);
