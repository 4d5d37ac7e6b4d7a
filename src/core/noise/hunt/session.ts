import { ofPower } from '../../signal';
import type { Dbfs } from '../../units';
import { COMPONENT_NAMES, type Component, type Components } from '../components';
import { explanations, type Explanation, type On } from './explain';
import { mendings } from './mending';
import { nextStep } from './proposal';
import type { Suspect } from './suspects';

/** Accepted ways to work: from a bare chain upwards, or from everything downwards. */
export const WAYS = {
  'build-up': 'Build up from a bare chain',
  'take-away': 'Take away from everything',
} as const;
export type Way = keyof typeof WAYS;

/** One measurement of a hunt. */
export interface HuntStep {
  /** Ids of the suspects that were on. */
  on: string[];
  components: Components;
  /** When, in UTC. */
  at: string;
}

/** A hunt as it is kept. */
export interface Hunt {
  way: Way;
  line: string;
  suspects: Suspect[];
  steps: HuntStep[];
}

/** What to measure next. */
export interface NextStep {
  on: string[];
  /** Suspects to turn on and off for it. */
  turnOn: string[];
  turnOff: string[];
  why: string;
}

/** One line of the account. */
export interface Account {
  component: Component;
  /** Ids; two for a loop; none for what no suspect changes. */
  culprits: string[];
  /** What they add. */
  dbfs: Dbfs;
  /** How likely, from 0 to 1. */
  certainty: number;
  mendings: string[];
}

export interface HuntView {
  next?: NextStep;
  /** Loudest first. */
  accounts: Account[];
  /** How much turning each suspect changed each component where a step turned it alone, in dB. */
  changes: { suspect: string; component: Component; from: Dbfs; to: Dbfs }[];
}

/** Below this nothing is worth hunting. */
const NOTHING: Dbfs = -110;
/** A component that moves less than this over all steps depends on no suspect, in dB. */
const STILL = 3;
/** Culprits less certain than this are not named yet. */
const NAMED = 0.5;

const bitOf = (suspects: readonly Suspect[], ids: readonly string[]): On =>
  suspects.reduce((bits, { id }, n) => (ids.includes(id) ? bits | (1 << n) : bits), 0);
const idsOf = (suspects: readonly Suspect[], on: On): string[] =>
  suspects.filter((_, n) => on & (1 << n)).map(({ id }) => id);

/** Where a hunt stands: what to measure next, and what is known so far. */
export function huntView(hunt: Hunt): HuntView {
  const { suspects, steps } = hunt;
  const explained = COMPONENT_NAMES.map((component) => ({ component, list: explanationsOf(hunt, component) }));
  return {
    ...(nextOf(
      hunt,
      explained.map(({ list }) => list),
    ) ?? {}),
    accounts: explained
      .flatMap(({ component, list }) => accountsOf(hunt, component, list))
      .sort((a, b) => b.dbfs - a.dbfs),
    changes: changesOf(suspects, steps),
  };
}

/** Explanations of a component; none where it is too quiet to matter. */
function explanationsOf({ suspects, steps }: Hunt, component: Component): Explanation[] {
  const loudest = Math.max(0, ...steps.map(({ components }) => components[component]));
  if (ofPower(loudest) < NOTHING) return [];
  const heard = steps.map(({ on, components }) => ({
    on: bitOf(suspects, on),
    // What is far below the loudest is silence, however far.
    power: Math.max(components[component], loudest * 1e-4),
  }));
  return explanations(heard, suspects.length);
}

function nextOf({ way, suspects, steps }: Hunt, lists: Explanation[][]): { next: NextStep } | undefined {
  const fixed = suspects.reduce((bits, suspect, n) => (suspect.fixed ? bits | (1 << n) : bits), 0);
  const all = (1 << suspects.length) - 1;
  const measured = steps.map(({ on }) => bitOf(suspects, on));
  const now = measured.at(-1) ?? all;
  const step = (on: On, why: string): { next: NextStep } => ({
    next: {
      on: idsOf(suspects, on),
      turnOn: idsOf(suspects, on & ~now),
      turnOff: idsOf(suspects, now & ~on),
      why,
    },
  });
  const bare = bareOf(suspects);
  if (steps.length === 0)
    return way === 'take-away'
      ? step(all, 'Everything on, as it is used: what there is to find.')
      : step(bare, 'The bare chain: the inlet device and the computer on headphones, everything else unplugged.');
  const speakers = suspects.reduce((bits, { kind }, n) => (kind === 'loudspeaker' ? bits | (1 << n) : bits), 0);
  if (way === 'build-up' && steps.length === 1 && speakers && !(now & speakers))
    return step(now | speakers, 'The loudspeakers come next, before anything else.');
  if (way === 'build-up' && !measured.includes(all) && measured.every((on) => on === bare || on === (bare | speakers)))
    return step(all, 'Everything on: what the rest adds to the bare chain.');
  if (way === 'take-away' && !measured.includes(bare) && measured.every((on) => on === all))
    return step(bare, 'The bare chain alone: whatever stays comes from none of the others.');
  // Hiss that no state has changed so far is the line's own; a hum that stays may be the bare chain's.
  const moving = lists.filter((_, n) => {
    const levels = steps.map(({ components }) => ofPower(components[COMPONENT_NAMES[n]]));
    return COMPONENT_NAMES[n] !== 'hiss' || Math.max(...levels) - Math.min(...levels) >= STILL;
  });
  const proposal = nextStep(moving, suspects.length, now, fixed, measured);
  return (
    proposal && step(proposal.on, `Splits what is left best: ${proposal.bits.toFixed(1)} bits of ${leftOf(moving)}.`)
  );
}

/** The bare chain: what is always on, the first suspect, which is the inlet device. */
const bareOf = (suspects: readonly Suspect[]): On =>
  suspects.reduce((bits, suspect, n) => (suspect.fixed || n === 0 ? bits | (1 << n) : bits), 0);

function leftOf(lists: Explanation[][]): string {
  const bits = lists.reduce(
    (sum, list) => sum - list.reduce((own, { share }) => own + (share > 0 ? share * Math.log2(share) : 0), 0),
    0,
  );
  return `${bits.toFixed(1)} that are open`;
}

function accountsOf({ suspects, steps }: Hunt, component: Component, list: Explanation[]): Account[] {
  const [best] = list;
  if (!best || steps.length === 0) return [];
  const levels = steps.map(({ components }) => ofPower(components[component]));
  const [quietest, loudest] = [Math.min(...levels), Math.max(...levels)];
  if (loudest - quietest < STILL)
    return steps.length > 1
      ? [
          {
            component,
            culprits: [],
            dbfs: loudest,
            certainty: best.culprits.length === 0 ? best.share : 0.5,
            mendings: [...STAYS[component]],
          },
        ]
      : [];
  // How likely each culprit is, whatever else there is beside it.
  const marginal = new Map<On, number>();
  for (const { culprits, share } of list)
    for (const culprit of culprits) marginal.set(culprit, (marginal.get(culprit) ?? 0) + share);
  return [...marginal].flatMap(([culprit, certainty]): Account[] => {
    if (certainty < NAMED) return [];
    const of = list.find(({ culprits }) => culprits.includes(culprit))!;
    const ids = idsOf(suspects, culprit);
    return [
      {
        component,
        culprits: ids,
        dbfs: addedBy(of, culprit, loudest),
        certainty: Math.min(1, certainty),
        mendings: mendings(
          component,
          suspects.filter(({ id }) => ids.includes(id)),
        ),
      },
    ];
  });
}

/** What a culprit adds by its explanation: the level with it, the level without it taken off. */
function addedBy({ culprits, levels }: Explanation, culprit: On, otherwise: Dbfs): Dbfs {
  const bit = 1 << culprits.indexOf(culprit);
  const pairs = levels.flatMap((level, state) =>
    state & bit && level !== undefined ? [[level, levels[state & ~bit]] as const] : [],
  );
  const [withIt, without] = pairs.find(([, below]) => below !== undefined) ?? pairs[0] ?? [otherwise, undefined];
  return ofPower(Math.max(10 ** (withIt / 10) - (without === undefined ? 0 : 10 ** (without / 10)), 1e-20));
}

/** Where no suspect changes anything. */
const STAYS: Record<Component, readonly string[]> = {
  hum: [
    'It is in the line itself: move the cable off mains and transformers, try another cable.',
    'If the inlet hums with nothing plugged in: the repair shop.',
  ],
  buzz: [
    'It is in the line itself: look for a lifted or missing shield, an unbalanced path.',
    'If the inlet buzzes with nothing plugged in: the repair shop.',
  ],
  tones: ['It is in the inlet device or comes through the air: try it on batteries, and elsewhere.'],
  hiss: ['It is the line’s own noise: its budget and its ladder say whose.'],
};

/** Suspects that a step turned alone, and what that changed. */
function changesOf(suspects: readonly Suspect[], steps: readonly HuntStep[]): HuntView['changes'] {
  return steps.slice(1).flatMap((step, n) => {
    const before = steps[n];
    const turned = bitOf(suspects, step.on) ^ bitOf(suspects, before.on);
    const [suspect] = idsOf(suspects, turned);
    if (!suspect || idsOf(suspects, turned).length !== 1) return [];
    return COMPONENT_NAMES.map((component) => ({
      suspect,
      component,
      from: ofPower(before.components[component]),
      to: ofPower(step.components[component]),
    }));
  });
}
