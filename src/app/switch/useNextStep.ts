'use client';

import { useMemo } from 'react';
import {
  standingAt,
  stationsOf,
  type AtPlace,
  type Session,
  type SheetRig,
  type Standing,
  type Step,
} from '@/core/runsheet';
import type { LiveSheet } from './heard';

/** What is next, for one person who goes everywhere, or at the place where one stands. */
export interface NextStep {
  step: Step;
  /** What is left of the wait before it, in seconds; a step that is itself a wait has it as well. */
  left: number;
  /** A step elsewhere that has to be done first. */
  behind?: Step;
  reasons: Step['reasons'];
  /** How many steps from here do the same at the same place. */
  alike: number;
}

/** What is next where somebody stands. */
interface WhatIsNext {
  stations: Standing[];
  next?: NextStep;
  /** The next steps at that place, as they are shown; nothing for who goes everywhere. */
  seen: (count: number) => AtPlace | undefined;
  /** Whether a wait runs, here or at a place that is shown: what is told changes with the time. */
  counts: boolean;
}

/** @param here where one stands; empty for somebody who goes everywhere */
export function useWhatIsNext(live: LiveSheet, now: number, here: string): WhatIsNext {
  const { session } = live;
  const stations = useStations(live.rig, session, now, here);
  const standing = stations.find(({ place }) => place === here);
  const next = here && !standing ? undefined : nextStep(session, now, standing);
  const seen = (count: number): AtPlace | undefined =>
    standing && {
      place: standing.place,
      actions: session.steps
        .filter(({ place }) => place === standing.place)
        .slice(0, count)
        .map(({ action }) => action),
    };
  const ends = [
    ...(session.steps[0]?.action.do === 'wait' ? [session.until ?? now] : []),
    ...stations.flatMap(({ wait }) => (wait ? [session.state.now + wait.seconds] : [])),
  ];
  return { stations, next, seen, counts: ends.some((end) => now < end + AFTER) };
}

/** How long after its end a wait is looked at still, in seconds: what it makes ready has been shown by then. */
const AFTER = 1;

/** With more steps than this only the place where one stands is looked into: it takes its time. */
const MANY = 400;

/** Places that have steps left, and what is next there. @param here where one stands */
function useStations(rig: SheetRig, session: Session, now: number, here: string): Standing[] {
  const many = session.steps.length > MANY;
  // A wait that is over makes something ready: until then nothing changes by itself.
  const at = session.state.now;
  const settled = useMemo(
    () => placesOf(session, many, here).flatMap((place) => standingAt(rig, session, place, at) ?? []),
    [rig, session, at, many, here],
  );
  const over = settled
    .flatMap(({ wait }) => wait?.seconds ?? [])
    .filter((seconds) => now >= at + seconds + MOMENT)
    .reduce((latest, seconds) => Math.max(latest, seconds), 0);
  return useMemo(
    () =>
      over === 0
        ? settled
        : placesOf(session, many, here).flatMap((place) => standingAt(rig, session, place, at + over + MOMENT) ?? []),
    [rig, session, at, over, settled, many, here],
  );
}

const placesOf = (session: Session, many: boolean, here: string): string[] =>
  stationsOf(session).filter((place) => !many || place === here);

/** The server's clock counts: what is sent a moment early is refused. */
const MOMENT = 0.05;

/** @param standing where one stands; without it one goes everywhere, in the order of the sheet */
function nextStep(session: Session, now: number, standing?: Standing): NextStep | undefined {
  const own = standing ? session.steps.filter(({ place }) => place === standing.place) : session.steps;
  const [step] = own;
  if (!step) return undefined;
  const other = own.findIndex(({ action, place }) => action.do !== step.action.do || place !== step.place);
  const alike = other < 0 ? own.length : other;
  if (!standing) {
    const left = step.action.do === 'wait' ? (session.until ?? now) - now : 0;
    return { step, left, reasons: step.reasons, alike };
  }
  const { wait, behind } = standing;
  const left = wait ? session.state.now + wait.seconds - now : 0;
  return { step, left, reasons: wait?.reasons, alike, ...(behind && { behind }) };
}
