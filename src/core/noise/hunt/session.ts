import { ofPower } from '../../signal';
import type { Dbfs, Decibels } from '../../units';
import { COMPONENT_NAMES, type Component } from '../components';
import { accountsOf, openOf, type Account } from './accounts';
import { explain, type Explained, type Explanation, type On } from './explain';
import { nextStep } from './proposal';
import { bitOf, idsOf, type Expected, type Hunt, type HuntStep } from './state';
import type { Suspect } from './suspects';

/** What to measure next. */
export interface NextStep {
  on: string[];
  /** Suspects to turn on and off for it. */
  turnOn: string[];
  turnOff: string[];
  why: string;
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
/** Hiss this far below what hums or whines is what measuring leaves of that: 40 dB (assumed). */
const HIDDEN = 1e-4;
/** A component that moves less than this over all steps depends on no suspect, in dB. */
const STILL = 3;
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

/** Which components are computed beforehand, and as what. */
const COMPUTED: Record<Component, Expected['of'] | undefined> = {
  hum: 'mains',
  buzz: 'mains',
  tones: 'whine',
  hiss: undefined,
};

const NOTHING_HEARD: Explained = { explanations: [], marginals: new Map(), scatter: 0, misses: [] };

/** Suspects that are never off. */
const fixedOf = (suspects: readonly Suspect[]): On =>
  suspects.reduce((bits, suspect, n) => (suspect.fixed ? bits | (1 << n) : bits), 0);

/** Explanations of a component; none where it is too quiet to matter. */
function explainedOf({ suspects, steps, expected = [] }: Hunt, component: Component): Explained {
  const loudest = Math.max(0, ...steps.map(({ components }) => components[component]));
  const beside = Math.max(0, ...steps.map(({ components: { hum, buzz, tones } }) => hum + buzz + tones));
  if (ofPower(loudest) < NOTHING || steps.length === 0) return NOTHING_HEARD;
  if (component === 'hiss' && loudest < beside * HIDDEN) return NOTHING_HEARD;
  const heard = steps.map(({ on, components }) => ({
    on: bitOf(suspects, on),
    // What is far below the loudest is silence, however far.
    power: Math.max(components[component], loudest * 1e-4),
  }));
  const suggested = expected.filter(({ of }) => of === COMPUTED[component]);
  return explain(
    heard,
    suspects.length,
    fixedOf(suspects),
    suggested.map(({ culprits, share }) => ({ on: bitOf(suspects, culprits), share })),
  );
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
      : step(bare, 'Minimum setup: recorder or interface, laptop on headphones, everything else unplugged.');
  const speakers = suspects.reduce((bits, { kind }, n) => (kind === 'loudspeaker' ? bits | (1 << n) : bits), 0);
  if (way === 'build-up' && steps.length === 1 && speakers && !(now & speakers))
    return step(now | speakers, 'The loudspeakers come next, before anything else.');
  if (way === 'build-up' && !measured.includes(all) && measured.every((on) => on === bare || on === (bare | speakers)))
    return step(all, 'Everything on: what the rest adds to the minimum setup.');
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
  return proposal && step(proposal.on, halves(proposal.bits, leftOf(moving)));
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

/** What a measurement does to the list of suspects, in bits of what is still unknown. */
const halves = (gained: number, left: number): string =>
  gained > 0.6 * left && left < 2
    ? 'May settle it: this measurement leaves hardly a doubt.'
    : gained > 0.7
      ? 'Halves the list of suspects.'
      : 'Shortens the list of suspects the most.';

/** Bits that are still unknown. */
function leftOf(components: readonly Explained[]): number {
  return components.reduce(
    (sum, { explanations }) =>
      sum - explanations.reduce((own, { share }) => own + (share > 0 ? share * Math.log2(share) : 0), 0),
    0,
  );
}

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
