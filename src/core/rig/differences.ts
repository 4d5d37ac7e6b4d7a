import { feedLabel } from '../standards/feeds';
import { endsInLink, type RigDocument } from './document';
import { inletName } from './paths';
import { brokenReferences } from './references';

/** One difference between two documents, in words. */
export interface Difference {
  /** The line or device it concerns; empty for the rig itself. */
  name: string;
  what: 'added' | 'removed' | 'changed';
  /** Which fields, where it was changed. */
  fields: string[];
}

/** Every field of a document: a list whose entries have ids of their own, or one value. A field that is forgotten does not compile. */
const FIELDS = {
  devices: 'list',
  lines: 'list',
  locations: 'list',
  units: 'list',
  monitors: 'list',
  name: 'value',
  note: 'value',
  schools: 'value',
  runs: 'value',
  wishes: 'value',
  directCurrent: 'value',
  mains: 'value',
  listColumns: 'value',
} as const satisfies Record<Exclude<keyof RigDocument, 'format' | 'version'>, 'list' | 'value'>;

type Field = keyof typeof FIELDS;
type ListField = { [F in Field]: (typeof FIELDS)[F] extends 'list' ? F : never }[Field];
const fieldsThat = (are: 'list' | 'value') => (Object.keys(FIELDS) as Field[]).filter((field) => FIELDS[field] === are);
const LISTS = fieldsThat('list') as ListField[];
const VALUES = fieldsThat('value') as Exclude<Field, ListField>[];
/** What belongs to the rig itself rather than to a line or a device. */
const OWN = (Object.keys(FIELDS) as Field[]).filter((field) => field !== 'devices' && field !== 'lines');

interface Named {
  id: string;
  name: string;
}

/** What changed from one document to another: lines, devices, the rig's own fields. */
export function differences(before: RigDocument, after: RigDocument): Difference[] {
  const own = OWN.filter((field) => !same(before[field], after[field]));
  const order = !same(
    before.lines.map(({ id }) => id).filter((id) => after.lines.some((line) => line.id === id)),
    after.lines.map(({ id }) => id).filter((id) => before.lines.some((line) => line.id === id)),
  );
  return [
    ...(own.length || order
      ? [
          {
            name: '',
            what: 'changed' as const,
            fields: [...own.map((field) => WORDS[field] ?? field), ...(order ? ['order of lines'] : [])],
          },
        ]
      : []),
    ...listDifferences(before.devices, after.devices),
    ...listDifferences(before.lines, after.lines),
  ];
}

/** Most changes that are named one by one. */
const NAMED = 4;

/** What changed from one document to another as one line of text: which switch is set to what, which line goes where. */
export function changesInWords(before: RigDocument, after: RigDocument): string {
  const list = differences(before, after).flatMap(({ name, what, fields }) => {
    if (what !== 'changed') return [`${name} ${what}`];
    const exactly = [...feedChanges(before, after, name), ...inletChange(before, after, name)];
    const told = new Set(exactly.map(({ field }) => field));
    const rest = fields.filter((field) => !told.has(field));
    return [
      ...exactly.map(({ words }) => words),
      ...(rest.length ? [`${name ? `${name}: ` : ''}${rest.join(', ')}`] : []),
    ];
  });
  if (list.length === 0) return 'Nothing changed';
  return `${list.slice(0, NAMED).join('; ')}${list.length > NAMED ? `; ${list.length - NAMED} more` : ''}`;
}

interface Exactly {
  /** The field that it is all about. */
  field: string;
  words: string;
}

/** Switches of a device that are set otherwise, where nothing else of its switches has changed. */
function feedChanges(before: RigDocument, after: RigDocument, name: string): Exactly[] {
  const [was, is] = [before, after].map(({ devices }) => devices.find((device) => device.name === name));
  if (!was || !is) return [];
  const others = (device: typeof was) => device.groups.map(({ feed: _feed, ...rest }) => rest);
  if (!same(others(was), others(is))) return [];
  return is.groups.flatMap((group, n) =>
    group.feed === was.groups[n].feed
      ? []
      : [{ field: WORDS.groups, words: `${name}, ${group.name}: ${feedLabel(group.feed)}` }],
  );
}

/** The inlet that a line has gone to. */
function inletChange(before: RigDocument, after: RigDocument, name: string): Exactly[] {
  const [was, is] = [before, after].map(({ lines }) => lines.find((line) => line.name === name));
  if (!was || !is || endsInLink(is) || same(was.inlet, is.inlet)) return [];
  const device = after.devices.find(({ id }) => id === is.inlet.device);
  const inlet = device?.inlets.find(({ id }) => id === is.inlet.inlet);
  return device && inlet ? [{ field: 'inlet', words: `${name} to ${inletName(device, inlet)}` }] : [];
}

const same = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);

function listDifferences<T extends Named>(before: readonly T[], after: readonly T[]): Difference[] {
  const old = new Map(before.map((entry) => [entry.id, entry]));
  const fresh = new Set(after.map(({ id }) => id));
  return [
    ...before.filter(({ id }) => !fresh.has(id)).map(({ name }) => ({ name, what: 'removed' as const, fields: [] })),
    ...after.flatMap((entry): Difference[] => {
      const known = old.get(entry.id);
      if (!known) return [{ name: entry.name, what: 'added', fields: [] }];
      const fields = [...new Set([...Object.keys(known), ...Object.keys(entry)])].filter(
        (field) => !same(known[field as keyof T], entry[field as keyof T]),
      );
      return fields.length
        ? [{ name: entry.name, what: 'changed', fields: fields.map((field) => WORDS[field] ?? field) }]
        : [];
    }),
  ];
}

const WORDS: Record<string, string> = {
  groups: 'switches',
  ground: 'ground',
  feedLimit: 'feed limit',
  directCurrent: 'direct-current supplies',
  listColumns: 'columns of the input list',
};

/**
 * Both changes at once, where they do not touch the same line or device: `mine` and `theirs` both began from `base`.
 * @returns undefined if something was changed on both sides
 */
export function merged(base: RigDocument, mine: RigDocument, theirs: RigDocument): RigDocument | undefined {
  const own = VALUES.map((field) => [field, pick<unknown>(base[field], mine[field], theirs[field])] as const);
  const lists = LISTS.map((field) => [field, mergedField(field, base, mine, theirs)] as const);
  const all: (readonly [Field, unknown])[] = [...own, ...lists];
  if (all.some(([, value]) => value === CLASH)) return undefined;
  const next = { ...theirs };
  for (const [field, value] of all) {
    if (value === undefined) delete next[field as 'note'];
    else Object.assign(next, { [field]: value });
  }
  // What each side did may still not go together: two lines on one inlet, a line to an inlet that is gone.
  return brokenReferences(next).length ? undefined : next;
}

const CLASH = Symbol('changed on both sides');

function pick<T>(base: T, mine: T, theirs: T): T | typeof CLASH {
  if (same(mine, theirs) || same(base, mine)) return theirs;
  return same(base, theirs) ? mine : CLASH;
}

/** A list of both; none where neither has one. */
function mergedField(field: ListField, base: RigDocument, mine: RigDocument, theirs: RigDocument) {
  const of = (document: RigDocument): readonly Named[] => document[field] ?? [];
  const both = mergedList(of(base), of(mine), of(theirs));
  if (!both) return CLASH;
  return both.length || (mine[field] && theirs[field]) ? both : undefined;
}

/** Entries in the order of `mine`, those that only `theirs` has behind them. */
function mergedList<T extends Named>(base: readonly T[], mine: readonly T[], theirs: readonly T[]): T[] | undefined {
  const byId = (list: readonly T[]) => new Map(list.map((entry) => [entry.id, entry]));
  const [before, own, other] = [byId(base), byId(mine), byId(theirs)];
  const order = [...new Set([...mine, ...theirs].map(({ id }) => id))];
  const kept: T[] = [];
  for (const id of order) {
    const entry = pick(before.get(id), own.get(id), other.get(id));
    if (entry === CLASH) return undefined;
    if (entry) kept.push(entry);
  }
  return kept;
}
