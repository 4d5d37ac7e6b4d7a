import seedrandom from 'seedrandom';
import { round, toldAsKept } from '../../../../tests/kept';
import { inletKind, linkKind, sourceKind, type AnyKind, type Fault, type Line, type Part } from '../../gear';
import { DEFAULT_SCHOOLS, SCHOOLS, type Schools } from '../../schools';
import { checkLine } from '../check';
import { CASEBOOK, type Situation } from '.';

/*
 * Every situation of the casebook with something about it otherwise, drawn by lot but always the same: a setting, a
 * figure, a fault, a link that is not there, a school. Nobody has thought of what comes of it; that it stays so shows
 * where a rule was changed beside what it was changed for.
 */

const FAULTS: Fault[] = [
  { type: 'open', contact: '3' },
  { type: 'open', contact: '1' },
  { type: 'shorted', contacts: ['1', '2'] },
  { type: 'leaky', contacts: ['2', '3'], ohms: 2000 },
  { type: 'swapped', contacts: ['2', '3'] },
  { type: 'shield to cold' },
];

type Draw = <T>(list: readonly T[]) => T;

/** A part with one of its choices or figures otherwise. */
function otherwise(draw: Draw, part: Part, spec: AnyKind): Part {
  const choices = Object.entries(spec.choices).map(([name, { options }]): Part => ({
    ...part,
    choices: { ...part.choices, [name]: draw(options).value },
  }));
  const figures = Object.entries(spec.figures).map(([name, { unit, min, max, typical }]): Part => {
    const now = part.figures?.[name]?.value ?? typical?.value ?? min;
    const value = Math.min(max, Math.max(min, draw([now / 3, now * 1.05, now * 3, max])));
    return { ...part, figures: { ...part.figures, [name]: { value, unit, basis: 'measured' } } };
  });
  return draw([...choices, ...figures, part]);
}

/** A line with one thing otherwise. */
function changed(draw: Draw, line: Line): Line {
  const at = line.links.length ? draw(line.links.map((_, n) => n)) : undefined;
  const linked = (change: (part: Part) => Part): Line => ({
    ...line,
    links: line.links.map((part, n) => (n === at ? change(part) : part)),
  });
  const ways: (() => Line)[] = [
    () => ({ ...line, source: otherwise(draw, line.source, sourceKind(line.source.kind)) }),
    () => ({ ...line, inlet: otherwise(draw, line.inlet, inletKind(line.inlet.kind)) }),
  ];
  if (at !== undefined)
    ways.push(
      () => linked((part) => otherwise(draw, part, linkKind(part.kind))),
      () => linked((part) => (linkKind(part.kind).faults ? { ...part, faults: [draw(FAULTS)] } : part)),
    );
  // Where others hang on a line, their joints are counted by its links.
  if (at !== undefined && !line.branches?.length)
    ways.push(() => ({ ...line, links: line.links.filter((_, n) => n !== at) }));
  return draw(ways)();
}

function told({ id, line, schools }: Situation): string[] {
  const random = seedrandom(id);
  const draw: Draw = (list) => list[Math.floor(random() * list.length)];
  const own: Schools = { ...DEFAULT_SCHOOLS, ...schools };
  const school = draw(Object.keys(SCHOOLS) as (keyof Schools)[]);
  const option = draw<{ value: string }>(SCHOOLS[school].options).value;
  const now = changed(draw, changed(draw, line));
  const { source, links, inlet } = now;
  const { verdict, findings } = checkLine(now, { ...own, [school]: option });
  return [
    JSON.stringify(
      [source, ...links, inlet].map(({ kind, choices, figures, faults }) => [
        kind,
        { ...choices, ...Object.fromEntries(Object.entries(figures ?? {}).map(([name, { value }]) => [name, value])) },
        ...(faults ?? []),
      ]),
      (_, each: unknown) => (typeof each === 'number' ? Number(round(each)) : each),
    ),
    `${verdict}, ${school} ${option}`,
    ...findings.flatMap(({ severity, code, part, what, numbers, remedies, look, answers }) => [
      `${severity} ${code} at ${part}: ${what}${look ? `; look: ${look}` : ''}`,
      ...numbers.map(
        ({ label, value, unit, limit }) =>
          `  ${label} ${round(value)} ${unit}${limit ? ` of ${round(limit.value)}` : ''}`,
      ),
      ...[...remedies, ...(answers ?? [])].map(({ label, gives }) => `  ${label}: ${gives}`),
    ]),
  ];
}

/** So many together take less than half a second. */
const TOGETHER = 8;

toldAsKept(
  'tests/kept/otherwise.json',
  CASEBOOK.flatMap(({ situations }) => situations).map((situation) => ({
    id: situation.id,
    told: () => told(situation),
  })),
  TOGETHER,
);
