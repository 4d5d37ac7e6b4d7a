import { ofPower } from '../../signal';
import type { Dbfs, Decibels } from '../../units';
import { COMPONENT_NAMES, type Component, type Components } from '../components';
import { explain, type Cause, type Explained, type Explanation, type On } from './explain';
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
  /** How it comes about; `stays`: with everything off that may go. */
  cause: Cause | 'stays';
  /** Ids; two or three for a loop; none for what no suspect changes. */
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
  /** What is not known, component by component, in sentences. */
  open: string[];
  /** How much readings of one state scatter, in dB, as far as they tell. */
  scatter: Decibels;
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
  const explained = COMPONENT_NAMES.map((component) => ({ component, ...explainedOf(hunt, component) }));
  const next = nextOf(hunt, explained);
  return {
    ...(next ?? {}),
    accounts: explained.flatMap((each) => accountsOf(hunt, each.component, each)).sort((a, b) => b.dbfs - a.dbfs),
    open: steps.length > 1 ? explained.flatMap((each) => openOf(hunt, each.component, each)) : [],
    scatter: Math.max(0, ...explained.map(({ scatter }) => scatter)),
    changes: changesOf(suspects, steps),
  };
}

const NOTHING_HEARD: Explained = { explanations: [], marginals: new Map(), scatter: 0, misses: [] };

/** Suspects that are never off. */
const fixedOf = (suspects: readonly Suspect[]): On =>
  suspects.reduce((bits, suspect, n) => (suspect.fixed ? bits | (1 << n) : bits), 0);

/** Explanations of a component; none where it is too quiet to matter. */
function explainedOf({ suspects, steps }: Hunt, component: Component): Explained {
  const loudest = Math.max(0, ...steps.map(({ components }) => components[component]));
  if (ofPower(loudest) < NOTHING || steps.length === 0) return NOTHING_HEARD;
  const heard = steps.map(({ on, components }) => ({
    on: bitOf(suspects, on),
    // What is far below the loudest is silence, however far.
    power: Math.max(components[component], loudest * 1e-4),
  }));
  return explain(heard, suspects.length, fixedOf(suspects));
}

function nextOf({ way, suspects, steps }: Hunt, components: readonly Explained[]): { next: NextStep } | undefined {
  const fixed = fixedOf(suspects);
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
  const moving = components.filter((_, n) => {
    const levels = steps.map(({ components: own }) => ofPower(own[COMPONENT_NAMES[n]]));
    return COMPONENT_NAMES[n] !== 'hiss' || Math.max(...levels) - Math.min(...levels) >= STILL;
  });
  if (steps.length >= PATIENCE * suspects.length + 4) return undefined;
  const again = repetition(moving, measured);
  if (again !== undefined)
    return step(
      measured[again],
      `Measurement ${again + 1} does not go with the rest: once more in the same state, whether it scatters or something comes and goes.`,
    );
  const proposal = nextStep(
    // That nothing listed fits is what is left when all else is ruled out; no measurement asks for it.
    moving.map(({ explanations, scatter }) => ({ list: withoutMisfit(explanations), scatter })),
    suspects.length,
    now,
    fixed,
    measured,
  );
  return (
    proposal && step(proposal.on, `Splits what is left best: ${proposal.bits.toFixed(1)} bits of ${leftOf(moving)}.`)
  );
}

/** Explanations by what is listed, their shares of that. */
function withoutMisfit(explanations: readonly Explanation[]): Explanation[] {
  const list = explanations.filter(({ cause }) => cause !== 'does not fit');
  const total = list.reduce((sum, { share }) => sum + share, 0) || 1;
  return list.map((each) => ({ ...each, share: each.share / total }));
}

/** So many measurements a suspect are enough: what is open after them is told as such. */
const PATIENCE = 2;

/** A measurement that the likeliest explanation misses by so many times the scatter is asked for again. */
const MISSED = 2.2;
/** A state is measured so often at most. */
const OFTEN = 3;
/** Repetitions of one hunt, all together: after that its scatter is known. */
const MOST_REPEATED = 8;
/** So likely that no steady culprit explains it that a repetition is worth its time. */
const DOUBTED = 0.25;

/** Which measurement to repeat: the one that goes with the rest least, where scatter or coming and going would explain it. */
function repetition(components: readonly Explained[], measured: readonly On[]): number | undefined {
  if (measured.length - new Set(measured).size >= MOST_REPEATED) return undefined;
  const worst = components
    .flatMap(({ explanations, misses }) => {
      const doubt = explanations.reduce((sum, { cause, share }) => sum + (cause === 'suspects' ? 0 : share), 0);
      return misses.map((miss, n) => ({ n, miss: doubt > DOUBTED ? miss + MISSED / 2 : miss }));
    })
    .filter(({ n }) => measured.filter((on) => on === measured[n]).length < OFTEN)
    .sort((a, b) => b.miss - a.miss)[0];
  return worst && worst.miss > MISSED ? worst.n : undefined;
}

/** The bare chain: what is always on, the first suspect, which is the inlet device. */
const bareOf = (suspects: readonly Suspect[]): On =>
  suspects.reduce((bits, suspect, n) => (suspect.fixed || n === 0 ? bits | (1 << n) : bits), 0);

function leftOf(components: readonly Explained[]): string {
  const bits = components.reduce(
    (sum, { explanations }) =>
      sum - explanations.reduce((own, { share }) => own + (share > 0 ? share * Math.log2(share) : 0), 0),
    0,
  );
  return `${bits.toFixed(1)} that are open`;
}

const shareOf = (explanations: readonly Explanation[], is: (each: Explanation) => boolean): number =>
  explanations.reduce((sum, each) => sum + (is(each) ? each.share : 0), 0);

function accountsOf(
  { suspects, steps }: Hunt,
  component: Component,
  { explanations, marginals }: Explained,
): Account[] {
  const [best] = explanations;
  if (!best || steps.length < 2) return [];
  const levels = steps.map(({ components }) => ofPower(components[component]));
  const loudest = Math.max(...levels);
  const found: Account[] = [...marginals].flatMap(([culprit, certainty]): Account[] => {
    if (certainty < NAMED) return [];
    const of = explanations.find(({ culprits }) => culprits.includes(culprit));
    const ids = idsOf(suspects, culprit);
    const wavers = shareOf(explanations, (each) => each.culprits.includes(culprit) && each.cause === 'comes and goes');
    return [
      {
        component,
        cause: wavers > certainty / 2 ? 'comes and goes' : 'suspects',
        culprits: ids,
        dbfs: of?.adds[of.culprits.indexOf(culprit)] ?? loudest,
        certainty: Math.min(1, certainty),
        mendings: mendings(
          component,
          suspects.filter(({ id }) => ids.includes(id)),
          suspects.some(({ fixed, kind }) => fixed && kind === 'audio device'),
        ),
      },
    ];
  });
  const bare = explanations.filter(({ culprits }) => culprits.length === 0);
  for (const cause of ['comes and goes', 'does not fit'] as const) {
    const certainty = shareOf(bare, (each) => each.cause === cause);
    if (certainty >= NAMED)
      found.push({ component, cause, culprits: [], dbfs: loudest, certainty, mendings: [...ELSEWHERE[cause]] });
  }
  // What stays is told where it is as loud as what there is, or is all there is.
  const stays = shareOf(explanations, (each) => each.cause === 'suspects' && each.base > loudest - STAYS_WITHIN);
  const culprit = shareOf(explanations, ({ culprits }) =>
    culprits.some((on) => steps.every((each) => active(on, each, suspects))),
  );
  if (stays - culprit >= NAMED)
    found.push({
      component,
      cause: 'stays',
      culprits: [],
      dbfs: Math.min(loudest, best.base),
      certainty: stays - culprit,
      mendings: [...STAYS[component]],
    });
  return found;
}

/** What stays is worth telling where it lies within this of the loudest reading. */
const STAYS_WITHIN: Decibels = 10;
const active = (culprit: On, { on }: HuntStep, suspects: readonly Suspect[]): boolean =>
  (bitOf(suspects, on) & culprit) === culprit;

/** Sets of suspects between these are neither named nor ruled out. */
const [UNLIKELY, SURE] = [0.08, 0.9];
const MOST_OPEN = 5;

/** What is not known of a component: who may still be it, and who was never told apart. */
function openOf(
  { suspects, steps }: Hunt,
  component: Component,
  { explanations, marginals, scatter }: Explained,
): string[] {
  if (explanations.length === 0) return [];
  const name = component === 'tones' ? 'Whine' : component.replace(/^./, (letter) => letter.toUpperCase());
  const names = (on: On) =>
    idsOf(suspects, on)
      .map((id) => suspects.find((each) => each.id === id)!.name)
      .join(' together with ');
  const unsure = [...marginals].filter(([, share]) => share > UNLIKELY && share < SURE).sort((a, b) => b[1] - a[1]);
  const fixed = suspects.filter((each) => each.fixed);
  const stays = shareOf(explanations, ({ culprits, cause }) => cause === 'suspects' && culprits.length === 0);
  return [
    ...(unsure.length
      ? [
          `${name}: not told apart yet: ${unsure
            .slice(0, MOST_OPEN)
            .map(([on, share]) => `${names(on)} (${Math.round(100 * share)} %)`)
            .join(', ')}${unsure.length > MOST_OPEN ? ` and ${unsure.length - MOST_OPEN} more` : ''}.`,
        ]
      : []),
    ...(fixed.length && stays > NAMED
      ? [
          `${name}: the line itself and what stays on (${fixed.map((each) => each.name).join(', ')}) cannot be told apart here.`,
        ]
      : []),
    ...(scatter > 1.6
      ? [
          `${name}: readings of one state scatter by about ${scatter.toFixed(1)} dB over ${steps.length} measurements; smaller differences say nothing.`,
        ]
      : []),
  ];
}

/** Where it goes with no suspect. */
const ELSEWHERE = {
  'comes and goes': [
    'It comes and goes by itself: leave everything on and listen for when it does; note the times.',
    'Refrigeration, pumps, lifts, dimmers and telephones switch by themselves; neighbours have them too.',
  ],
  'does not fit': [
    'No set of these suspects goes with it: add what is not listed yet (cable runs, neighbours, wireless) and begin again.',
  ],
} as const;

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
