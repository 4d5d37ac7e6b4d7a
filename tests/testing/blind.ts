import type { Line, Part } from '@/core/gear';
import { nextOf, standingAfter, type Next } from '@/core/testing/belief/asking';
import { instrumentOf, lookKey, type Seen, type Table } from '@/core/testing/belief/belief';
import { walkTo } from '@/core/testing/costs';
import { cures } from '@/core/testing/hypotheses/hypothesis';
import type { Look } from '@/core/testing/instruments';
import { seeded } from '../recordings/sounds';
import { demoLines, oneCable, tableFor } from './lines';

/** What is asked in turn: what tells most for its time, a fixed order of instruments, or anything. */
export type Order = 'best' | 'random' | readonly string[];

/** Fixed orders that somebody may have learned; the quickest of them is what the best is held against. */
export const FIXED: Readonly<Record<string, readonly string[]>> = {
  'desk, swaps': ['feed lamp', 'channel', 'other meters', 'hiss', 'source switch', 'exchange', 'wiggling', 'replug'],
  'desk, wiggle, swaps': [
    'feed lamp',
    'channel',
    'other meters',
    'hiss',
    'source switch',
    'wiggling',
    'exchange',
    'lamps',
  ],
  'desk, wiggle, lamps': [
    'feed lamp',
    'channel',
    'other meters',
    'hiss',
    'source switch',
    'wiggling',
    'lamps',
    'exchange',
  ],
  'desk, wiggle, box': [
    'channel',
    'feed lamp',
    'other meters',
    'hiss',
    'source switch',
    'wiggling',
    'cable box',
    'exchange',
  ],
};
/** What is usual: swap, unplug and plug, then look at the desk. */
export const CHECKLIST = [
  'exchange',
  'replug',
  'other meters',
  'channel',
  'feed lamp',
  'hiss',
  'source switch',
  'voltmeter',
];

const SOURCES: readonly [Part, string][] = [
  [{ kind: 'moving-coil' }, 'off'],
  [{ kind: 'moving-coil' }, 'P48'],
  [{ kind: 'condenser-48' }, 'P48'],
  [{ kind: 'condenser-9-52' }, 'P24'],
  [{ kind: 'battery-or-phantom-condenser' }, 'P48'],
];
const LINKS: readonly Part[] = [
  { kind: 'cable', name: 'cable' },
  { kind: 'multicore', name: 'multicore' },
  { kind: 'three-pin-patch-point', name: 'patch point' },
  { kind: 'isolating-transformer', name: 'transformer' },
];

/** Lines made up: a source, cables and what may lie between them, an inlet. */
export function randomLines(random: () => number, count: number): Line[] {
  const one = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  return Array.from({ length: count }, (_, n): Line => {
    const [source, feed] = one(SOURCES);
    const between = Array.from({ length: Math.floor(random() * 4) }, () => one(LINKS));
    const links = [LINKS[0], ...between].map((part, k) => ({ ...part, name: `${part.name} ${k + 1}` }));
    return { ...oneCable(source, feed), id: `line-${n}`, links };
  });
}

export interface Trials {
  right: number;
  /** How sure it said it was, on average. */
  stated: number;
  seconds: number;
  looks: number;
  count: number;
  /** Seconds by the number of links, three standing for more. */
  byLinks: Map<number, { seconds: number; count: number }>;
}

const MOST_LOOKS = 40;

/**
 * Trials: a fault drawn from the priors, looks that are misread as often as the instruments say.
 * @param each how many a line @param errors how many times more often looks are misread than assumed
 */
export function blindTrials(given: {
  seed: number;
  each: number;
  errors?: number;
  order?: Order;
  lines?: readonly Line[];
  tables?: Map<Line, Table>;
}): Trials {
  const { seed, each, errors = 1, order = 'best', tables = new Map<Line, Table>() } = given;
  const random = seeded(`blind ${seed}`);
  const lines = given.lines ?? [...demoLines(), ...randomLines(random, 12)];
  const pick = (shares: readonly number[]): number => {
    let left = random() * shares.reduce((sum, share) => sum + share, 0);
    return Math.max(
      0,
      shares.findIndex((share) => (left -= share) < 0),
    );
  };
  const seenIn = (table: Table, look: Look, truth: number): string => {
    const shown = table.shown(look)[truth];
    const { key } = shown[pick(shown.map(({ share }) => share))];
    const others = table.outcomes(look).filter((outcome) => outcome.key !== key);
    return others.length && random() < errors * instrumentOf(look).errs
      ? others[Math.floor(random() * others.length)].key
      : key;
  };
  const chosen = (table: Table, seen: readonly Seen[], next: Next): { look: Look; seconds: number } | undefined => {
    if (order === 'best') return next.looks[0];
    const made = new Set(seen.map(({ look }) => lookKey(look)));
    const left = table.looks.filter((look) => look.instrument !== 'listening' && !made.has(lookKey(look)));
    const rank = ({ instrument }: Look) => (order as readonly string[]).indexOf(instrument) >>> 0;
    const look =
      order === 'random' ? left[Math.floor(random() * left.length)] : left.sort((a, b) => rank(a) - rank(b))[0];
    if (!look) return undefined;
    const standing = standingAfter(seen);
    return { look, seconds: walkTo(look.where, standing) + instrumentOf(look).seconds(table.subject, look, standing) };
  };
  const all: Trials = { right: 0, stated: 0, seconds: 0, looks: 0, count: 0, byLinks: new Map() };
  for (const line of lines) {
    const table = tables.get(line) ?? tableFor(line);
    tables.set(line, table);
    const listening = table.looks.find(({ instrument }) => instrument === 'listening')!;
    const links = Math.min(3, line.links.length);
    const own = all.byLinks.get(links) ?? { seconds: 0, count: 0 };
    all.byLinks.set(links, own);
    for (let n = 0; n < each; n++) {
      const truth = pick(table.hypotheses.map(({ prior }) => prior));
      const seen: Seen[] = [{ look: listening, key: seenIn(table, listening, truth) }];
      let next = nextOf(table, seen);
      while (!next.act && seen.length < MOST_LOOKS) {
        const look = chosen(table, seen, next);
        if (!look) break;
        all.seconds += look.seconds;
        own.seconds += look.seconds;
        all.looks++;
        seen.push({ look: look.look, key: seenIn(table, look.look, truth) });
        next = nextOf(table, seen);
      }
      const [act] = next.acts;
      all.right += Number(cures(act, table.hypotheses[truth], table.subject.links));
      all.stated += act.probability;
      all.count++;
      own.count++;
    }
  }
  const { count } = all;
  return {
    ...all,
    right: all.right / count,
    stated: all.stated / count,
    seconds: all.seconds / count,
    looks: all.looks / count,
  };
}
