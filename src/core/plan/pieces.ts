import { isCable, linkKind, planningOf, reader, sourceKind, type LinkKind, type Part } from '../gear';
import type { Metres } from '../units';
import { onceEach } from '../units/once';
import { lengthText, uncapital } from '../units/format';

/** Links that are all alike, so that any of them serves as well as any other. */
export interface Piece {
  /** What it is: kind, figures, and how it is built; what is set by hand is left out. */
  key: string;
  /** One of them, as a line would hold it. */
  part: Part;
  label: string;
  count: number;
  /** Nobody has it: it would have to be got. */
  toGet?: true;
  /** It is drawn on the rig and nobody owns it: it may stay there, has to be got or rented, and goes nowhere else. */
  missing?: true;
  /** Something is wrong with it: it may stay where it is and goes nowhere else. */
  faulty?: true;
}

/** How the key of something begins that would have to be got. */
export const TO_GET = 'to get';

/** Whether a plan may put a piece where it was not. */
export const movable = ({ part, faulty, missing }: Piece): boolean => {
  const { nature, planning } = linkKind(part.kind);
  return !faulty && !missing && !planning?.leftAlone && nature !== 'TRS patch point';
};

/** What counts for a kind that says nothing of it. */
const USUAL = 5;
/** How hard a kind is to understand, carry and power. */
export const complexity = onceEach(({ kind }: Part): number => planningOf(kind)?.complexity ?? USUAL);

/** The settings of a kind that are made by hand on the spot. */
export const settingsOf = (kind: { choices: LinkKind['choices'] }): string[] =>
  Object.entries(kind.choices).flatMap(([name, { setting }]) => (setting ? [name] : []));

/** Those of them that give or take power: what a plan may ask for. */
export const powersOf = (kind: { choices: LinkKind['choices'] }): string[] =>
  Object.entries(kind.choices).flatMap(([name, { powers }]) => (powers ? [name] : []));

const identity = (part: Part, without: { figures?: readonly string[]; choices?: readonly string[] } = {}): string => {
  const kind = linkKind(part.kind);
  const read = reader(kind, part);
  const hidden = new Set([...settingsOf(kind), ...(without.choices ?? [])]);
  return JSON.stringify([
    part.kind,
    Object.keys(kind.figures)
      .filter((name) => !without.figures?.includes(name))
      .map((name) => read.optional(name) ?? null),
    Object.keys(kind.choices)
      .filter((name) => !hidden.has(name))
      .map((name) => read.choice(name)),
  ]);
};

/** What a link is, by which equal ones are told. */
export const pieceKey = onceEach((part: Part) =>
  part.faults?.length ? `${identity(part)} ${JSON.stringify(part.faults)}` : identity(part),
);

/** The same but for whether its owner has tested it, and for its faults: by this a single piece is found among those of the kit. */
export const looseKey = onceEach((part: Part) => identity(part, { choices: ['tested'] }));

/** Cables of one sort in whatever length. */
export const familyOf = onceEach((part: Part) => identity(part, { figures: ['length'] }));

/** The same whether they are tested or not. */
export const sortOf = onceEach((part: Part) => identity(part, { figures: ['length'], choices: ['tested'] }));

export const lengthOf = onceEach((part: Part): Metres => reader(linkKind(part.kind), part).value('length'));

/** What people call a piece: a cable by its length, else its name or its kind. */
export function pieceLabel(part: Part): string {
  if (part.name?.trim()) return part.name.trim();
  const kind = linkKind(part.kind);
  const read = reader(kind, part);
  if (isCable(part)) {
    const connector = kind.choices.connector.options.find(({ value }) => value === read.choice('connector'))!;
    return `${connector.label} cable, ${lengthText(lengthOf(part))}`;
  }
  const { wiring } = kind.choices;
  return wiring
    ? `${kind.label}, ${wiring.options.find(({ value }) => value === read.choice('wiring'))!.label}`
    : kind.label;
}

/** What is set otherwise on a part than it was, in words. */
export function settingsSet(now: Part, then: Part, role: 'source' | 'link'): string[] {
  const kind = role === 'link' ? linkKind(now.kind) : sourceKind(now.kind);
  const [before, after] = [reader(kind, now), reader(kind, then)];
  return settingsOf(kind).flatMap((name) => {
    const { label, options } = kind.choices[name];
    const value = after.choice(name);
    if (before.choice(name) === value) return [];
    return [`${uncapital(label)}: ${options.find((option) => option.value === value)!.label}`];
  });
}
