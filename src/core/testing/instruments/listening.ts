import { CircuitError } from '../../circuit';
import { solveLine, type Solved } from '../../check/solve';
import type { Decibels, Ohms } from '../../units';
import type { Condition } from '../hypotheses/hypothesis';
import { onceEach } from '../onceEach';
import type { Outcome, Shown } from '../outcome';
import type { Subject, World } from '../subject';
import { MOVED, oneOfKeys, worldOf, type Case, type Instrument } from './instrument';

/** What an ear says of a line. */
export const SYMPTOMS = {
  nothing: 'Nothing at all',
  weak: 'Weak',
  thin: 'Thin, no bass',
  hum: 'Hum or buzz',
  crackle: 'Crackle, comes and goes',
  distorted: 'Distorted, gasping on loud notes',
  cancels: 'Cancels with its neighbour',
  'one side': 'One side only',
  fine: 'Nothing wrong now',
} as const;
export type Symptom = keyof typeof SYMPTOMS;

/** So much quieter than it should be is nothing (common practice: it is under the noise), and so much is heard as weak. */
const [NOTHING, WEAK]: [Decibels, Decibels] = [-30, -4];
/** A shield with more than this to ground lets hum in (common practice). */
const SHIELD: Ohms = 100;
/** Bass is missed where the low cut lies so many times higher than it should, and above 100 Hz (assumed). */
const [THIN, AUDIBLE] = [2, 100];

/** How often an ear calls a thing what (assumed): the first is what it mostly is. */
const SHARES = {
  nothing: { nothing: 0.92, hum: 0.06, crackle: 0.02 },
  weak: { weak: 0.6, thin: 0.2, hum: 0.15, nothing: 0.05 },
  'one side': { 'one side': 0.7, weak: 0.15, thin: 0.1, fine: 0.05 },
  thin: { thin: 0.7, weak: 0.2, fine: 0.1 },
  hum: { hum: 0.65, fine: 0.3, weak: 0.05 },
  distorted: { distorted: 0.65, weak: 0.2, fine: 0.1, nothing: 0.05 },
  reversed: { fine: 0.65, cancels: 0.35 },
  'bad joint': { fine: 0.5, crackle: 0.3, weak: 0.1, distorted: 0.1 },
  grounded: { fine: 0.4, hum: 0.35, distorted: 0.15, weak: 0.1 },
  damp: { crackle: 0.45, fine: 0.3, weak: 0.15, hum: 0.1 },
  'at times': { crackle: 0.75, nothing: 0.15, fine: 0.1 },
  fine: { fine: 1 },
} as const satisfies Record<string, Partial<Record<Symptom, number>>>;

const SILENT: ReadonlySet<Condition> = new Set(['muted', 'elsewhere', 'silent source', 'dead inlet', 'dead link']);

const shownOf = (name: keyof typeof SHARES): Shown =>
  Object.entries(SHARES[name]).map(([key, share]) => ({ key, text: SYMPTOMS[key as Symptom], share }));

/** What is wrong at times, at the desk. */
export const atTimes = (): Shown => shownOf('at times');

interface Heard {
  /** By channel; the best of them. */
  levels: readonly Decibels[];
  best: number;
  powered: boolean;
  starved: boolean;
  reversed: boolean;
  readonly lowCut: number;
  readonly shield: Ohms;
}

/** Where peaks should land says nothing of what is compared here. */
const LEVEL_TARGET: Decibels = -12;

const ofWorld = new WeakMap<World, Heard | undefined>();

/** A world as it is heard, worked out once. */
function heard(world: World): Heard | undefined {
  if (!ofWorld.has(world)) ofWorld.set(world, solvedOf(world));
  return ofWorld.get(world);
}

function solvedOf({ line, faults }: World): Heard | undefined {
  try {
    const solved: Solved = solveLine(line, LEVEL_TARGET, { faults });
    const { signal } = solved;
    const { channels, best } = signal;
    return {
      levels: channels.map(({ level }) => level),
      best,
      powered: solved.powered,
      starved: solved.supplies.some(({ state }) => state === 'low'),
      reversed: channels[best].reversed,
      get lowCut() {
        return signal.lowCut ?? 0;
      },
      get shield() {
        return Math.max(...signal.shields);
      },
    };
  } catch (error) {
    if (error instanceof CircuitError) return undefined;
    throw error;
  }
}

const goodOf = onceEach((subject, _: 'heard') => heard(subject.sound));

/** What an ear at the desk says if things are as given. */
export function listened(subject: Subject, asIt: Case | undefined): Shown {
  if (asIt?.condition && SILENT.has(asIt.condition)) return shownOf('nothing');
  if (asIt?.condition === 'padded') return shownOf('weak');
  const world = worldOf(subject, asIt);
  if (world === subject.sound) return shownOf('fine');
  const [is, good] = [heard(world), goodOf(subject, 'heard')];
  if (!is || !good) return shownOf('nothing');
  // The channel that is the best on a good line.
  const lost = is.levels[is.best] - good.levels[good.best];
  if ((good.powered && !is.powered) || lost < NOTHING) return shownOf('nothing');
  if (is.starved && !good.starved) return shownOf('distorted');
  if (lost < WEAK) return shownOf('weak');
  if (is.levels.some((level, n) => level - good.levels[n] < NOTHING)) return shownOf('one side');
  if (is.lowCut > AUDIBLE && is.lowCut > THIN * good.lowCut) return shownOf('thin');
  if (is.shield > SHIELD && is.shield > 2 * good.shield) return shownOf('hum');
  if (is.reversed !== good.reversed) return shownOf('reversed');
  // One leg on ground: as loud, and no longer balanced.
  if (world.faults.some(({ type }) => type === 'shorted')) return shownOf('grounded');
  if (world.faults.some(({ type }) => type === 'leaky')) return shownOf('damp');
  if (world.faults.some(({ type }) => type === 'resistive')) return shownOf('bad joint');
  return shownOf('fine');
}

/** Whether something with power loses it, and whether what arrives is upside down, where it arrives at all. */
export function arrivesAs(subject: Subject, world: World): { powered: boolean; reversed: boolean } {
  const [is, good] = [heard(world), goodOf(subject, 'heard')];
  if (!is || !good) return { powered: false, reversed: false };
  return { powered: is.powered || !good.powered, reversed: is.reversed !== good.reversed };
}

const OUTCOMES: Outcome[] = Object.entries(SYMPTOMS).map(([key, text]) => ({ key, text }));

export const listening: Instrument = {
  name: 'listening',
  label: 'Listening',
  about: 'What is heard at the desk while the source plays.',
  hand: 'bare',
  errs: 0.15,
  catches: 1,
  leavesOff: false,
  looks: () => [
    {
      instrument: 'listening',
      at: 'desk',
      ask: 'What is heard at the desk while the source plays?',
      how: 'Monitors low; headphones off the ears while anything is switched.',
      where: 'desk',
    },
  ],
  shows: (subject, _use, asIt) => listened(subject, asIt),
  read: (_subject, _use, seen) => oneOfKeys(seen, OUTCOMES),
  seconds: () => 15,
};

/** How often what is broken for good touches once more while it is bent (assumed). */
const TOUCHES = 0.2;

/** Whether wiggling a part is heard. */
export const wiggling: Instrument = {
  name: 'wiggling',
  label: 'Moving it while listening',
  about: 'Somebody moves the cable at its plugs and along its length; somebody listens.',
  hand: 'bare',
  errs: 0.05,
  catches: MOVED,
  leavesOff: false,
  looks: (subject) =>
    Array.from({ length: subject.links }, (_, link) => ({
      instrument: 'wiggling',
      at: `link ${link}` as const,
      ask: `Does moving ${subject.line.links[link].name ?? 'the link'} change what is heard?`,
      how: 'Monitors low. Nothing is unplugged.',
      where: 'source' as const,
    })),
  shows(subject, look, asIt) {
    const touched = asIt && `link ${String(asIt.part)}` === look.at && asIt.world !== subject.sound;
    if (!touched) return [{ ...WIGGLED.same, share: 1 }];
    if (asIt.sometimes) return [{ ...WIGGLED.changes, share: 1 }];
    return [
      { ...WIGGLED.same, share: 1 - TOUCHES },
      { ...WIGGLED.changes, share: TOUCHES },
    ];
  },
  read: (_subject, _use, seen) => oneOfKeys(seen, Object.values(WIGGLED)),
  seconds: () => 25,
};

const WIGGLED: Record<'changes' | 'same', Outcome> = {
  changes: { key: 'changes', text: 'Yes: it crackles, goes or comes back' },
  same: { key: 'no change', text: 'No' },
};
