import type { Figure } from '../../gear';
import type { Range } from '../../rig/deviceFigures';
import { decimal, type CsvRow } from '../csv';
import { RowRefused } from '../rowReport';
import { SETTINGS, strangeTo, type What } from './columns';

/** What single cells say. */
export type Cells = CsvRow['cells'];

/** Longest name of a unit or an outlet. */
const LONGEST = 80;

/** @throws RowRefused for a name that is too long */
export function named(text: string): string {
  if (text.length > LONGEST) throw new RowRefused(`“${text.slice(0, 20)}…” is longer than ${LONGEST} characters`);
  return text;
}

/** One of the words that a column knows, by its key or by its words. @throws RowRefused for any other */
export function oneOf<K extends string>(text: string, known: Readonly<Record<K, string>>, column: string): K {
  const found = (Object.keys(known) as K[]).find(
    (key) => key.toLowerCase() === text.toLowerCase() || known[key].toLowerCase() === text.toLowerCase(),
  );
  if (!found) throw new RowRefused(`“${column}” can’t be ${text}; use one of ${Object.keys(known).join(', ')}`);
  return found;
}

/** By its name, whatever its capitals. */
export const byName = <T extends { name: string }>(list: readonly T[], name: string): T | undefined =>
  list.find((each) => each.name.toLowerCase() === name.toLowerCase());

/**
 * Figures of a row, each in the unit of its heading.
 * @param before what was known: the same number keeps where it came from
 * @throws RowRefused for what is no number of its range
 */
export function figures<F extends string>(
  cells: Cells,
  columns: Readonly<Record<string, F>>,
  ranges: Readonly<Record<F, Range>>,
  before: Partial<Record<F, Figure>> = {},
): Partial<Record<F, Figure>> {
  const list = Object.entries<F>(columns).flatMap(([column, figure]): [F, Figure][] => {
    const text = cells[column.toLowerCase()];
    if (!text) return [];
    const { min, max, unit } = ranges[figure];
    const value = decimal(text);
    if (!(value >= min && value <= max))
      throw new RowRefused(`“${column}” is ${text}; it is a number from ${min} to ${max}`);
    const known = before[figure];
    return [[figure, known?.value === value ? known : { value, unit, basis: 'measured' }]];
  });
  return Object.fromEntries(list) as Partial<Record<F, Figure>>;
}

/** What the settings of a row say. @throws RowRefused for words that its kind does not know */
export function settings<W extends What>(cells: Cells, what: W): Partial<(typeof SETTINGS)[W][string]> {
  const known: Record<string, object> = SETTINGS[what];
  const words = (cells.settings ?? '').split(';').map((word) => word.trim().toLowerCase());
  return Object.assign(
    {},
    ...words.filter(Boolean).map((word) => {
      const said = known[word];
      if (said) return said;
      const all = Object.keys(known).join(', ');
      throw new RowRefused(
        `“settings” of ${articled(what)} ${all ? `can’t be ${word}; use one of ${all}` : 'stays empty'}`,
      );
    }),
  ) as Partial<(typeof SETTINGS)[W][string]>;
}

/** Refuses figures that are of something else. @throws RowRefused */
export function nothingStrange(cells: Cells, what: What): void {
  const strange = strangeTo(what).find((column) => cells[column.toLowerCase()]);
  if (strange) throw new RowRefused(`“${strange}” is not for ${articled(what)}; leave it empty`);
}

const articled = (what: What): string =>
  ({
    supply: 'the supply',
    unit: 'a unit',
    outlet: 'an outlet',
    connection: 'a connection',
    line: 'a line',
    beside: 'what runs beside a line',
  })[what];
