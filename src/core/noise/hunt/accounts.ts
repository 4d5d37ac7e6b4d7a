import { ofPower } from '../../signal';
import type { Dbfs, Decibels } from '../../units';
import type { Component } from '../components';
import { isActive, type Explained, type Explanation, type On } from './explain';
import type { Cause } from './cause';
import { mendings } from './mending';
import { bitOf, idsOf, type Hunt } from './state';

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

/** Culprits less certain than this are not named yet. */
const NAMED = 0.5;

const shareOf = (explanations: readonly Explanation[], is: (each: Explanation) => boolean): number =>
  explanations.reduce((sum, each) => sum + (is(each) ? each.share : 0), 0);

export function accountsOf(
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
    culprits.some((culprit) => steps.every(({ on }) => isActive(culprit, bitOf(suspects, on)))),
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

/** Sets of suspects between these are neither named nor ruled out. */
const [UNLIKELY, SURE] = [0.08, 0.9];
const MOST_OPEN = 5;

/** What is not known of a component: who may still be it, and who was never told apart. */
export function openOf(
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
    'The line picks it up: move the cable away from mains and transformers, try another.',
    'If the inlet hums with nothing plugged in: the repair shop.',
  ],
  buzz: [
    'It is in the line itself: look for a lifted or missing shield, an unbalanced path.',
    'If the inlet buzzes with nothing plugged in: the repair shop.',
  ],
  tones: ['It is in the inlet device or comes through the air: try it on batteries, and elsewhere.'],
  hiss: ['It is the line’s own noise: its budget and its ladder say whose.'],
};
