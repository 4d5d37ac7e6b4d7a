'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { KitItem } from '@/core/kit';
import { applyPlan, switchKey, type Accepted, type Plan, type PlanProgress, type Proposal } from '@/core/plan';
import type { RigDocument } from '@/core/rig';
import { useDraft } from '@/ui/shell/useDraft';
import { startPlan } from '@/workers/planWorker';

/** A plan that is kept to be looked at and compared. */
export interface Held {
  id: number;
  proposal: Proposal;
  instead?: Plan['instead'];
  /** The rig that it changes. */
  from: RigDocument;
  seconds: number;
  onlyKit: boolean;
  /** Somebody ended the search before it was done. */
  stopped: boolean;
}

/** Most plans that are kept side by side. */
export const MOST_HELD = 3;

export interface Running {
  since: number;
  seconds: number;
  /** When the search itself began; absent while chains are judged. */
  searching?: number;
  progress?: PlanProgress;
  /** The best so far. */
  best?: Proposal;
}

/** Everything accepted, but for what is ticked off. */
interface Ticked {
  lines: ReadonlySet<string>;
  switches: ReadonlySet<string>;
  leftOut: boolean;
}
const NONE: Ticked = { lines: new Set(), switches: new Set(), leftOut: false };

const NO_PLANS: Held[] = [];

/** Plans of one rig: the search with its progress, the plans found, what of them is accepted. */
export function usePlanning(rig: string, document: RigDocument, kit: readonly KitItem[]) {
  // Plans outlast a look at another place and a reload; the rig itself is what is saved.
  const [held, setHeld] = useDraft(`plans ${rig}`, NO_PLANS);
  const [wanted, setChosen] = useState<number>();
  const chosen = held.some(({ id }) => id === wanted) ? wanted : held.at(-1)?.id;
  const [running, setRunning] = useState<Running>();
  const [failed, setFailed] = useState('');
  /** The proposal that the last search found once more. */
  const [again, setAgain] = useState<number>();
  const [off, setOff] = useState<Record<number, Ticked>>({});
  const job = useRef<{ stop: () => void }>(undefined);
  const best = useRef<Proposal>(undefined);

  const keep = useCallback(
    (plan: Omit<Held, 'id'>) => {
      setHeld((before) => {
        const twin = before.find((each) => isSamePlan(each, plan));
        const id = twin?.id ?? Math.max(0, ...before.map((each) => each.id)) + 1;
        setChosen(id);
        setAgain(twin?.id);
        // Found once more it may be proven, or found sooner: the later search is the one that is told of.
        if (twin) return before.map((each) => (each === twin ? { ...plan, id } : each));
        return [...before, { ...plan, id }].slice(-MOST_HELD);
      });
      setRunning(undefined);
      job.current = undefined;
    },
    [setHeld],
  );

  const start = useCallback(
    (seconds: number, onlyKit: boolean) => {
      job.current?.stop();
      best.current = undefined;
      setFailed('');
      setAgain(undefined);
      setRunning({ since: Date.now(), seconds });
      job.current = startPlan({ document, kit, seconds, onlyKit }, (answer) => {
        if (answer.ask === 'progress') {
          const { progress } = answer;
          if (progress.doing === 'patch' && progress.proposal) best.current = progress.proposal;
          setRunning(
            (now) =>
              now && {
                ...now,
                progress,
                best: best.current,
                searching: progress.doing === 'patch' ? (now.searching ?? Date.now()) : undefined,
              },
          );
        } else if (answer.ask === 'plan')
          keep({ ...answer.plan, from: document, seconds: answer.seconds, onlyKit, stopped: false });
        else if (answer.ask === 'failed') {
          setFailed(answer.message);
          setRunning(undefined);
        }
      });
    },
    [document, kit, keep],
  );

  /** Ends the search; the best so far is kept if there is one. */
  const stop = useCallback(() => {
    job.current?.stop();
    const found = best.current;
    if (!found || !running) return setRunning(undefined);
    const seconds = (Date.now() - running.since) / 1000;
    keep({ proposal: found, from: document, seconds, onlyKit: false, stopped: true });
  }, [running, document, keep]);

  useEffect(() => () => job.current?.stop(), []);

  const shown = held.find(({ id }) => id === chosen);
  const ticked = (shown && off[shown.id]) ?? NONE;
  const accepted = useMemo(
    (): Accepted => ({
      lines: new Set(shown?.proposal.lines.map(({ line }) => line).filter((line) => !ticked.lines.has(line))),
      switches: new Set(
        shown?.proposal.switches
          .map(({ device, group }) => switchKey(device, group))
          .filter((key) => !ticked.switches.has(key)),
      ),
      leftOut: !ticked.leftOut,
    }),
    [shown, ticked],
  );
  const tick = useCallback(
    (what: 'lines' | 'switches', key: string) =>
      setOff((before) => {
        if (chosen === undefined) return before;
        const now = before[chosen] ?? NONE;
        const set = new Set(now[what]);
        if (!set.delete(key)) set.add(key);
        return { ...before, [chosen]: { ...now, [what]: set } };
      }),
    [chosen],
  );
  const tickAll = useCallback(
    (on: boolean) =>
      setOff((before) => {
        if (!shown) return before;
        const all: Ticked = {
          lines: new Set(shown.proposal.lines.map(({ line }) => line)),
          switches: new Set(shown.proposal.switches.map(({ device, group }) => switchKey(device, group))),
          leftOut: true,
        };
        return { ...before, [shown.id]: on ? NONE : all };
      }),
    [shown],
  );
  const tickLeftOut = useCallback(
    () =>
      setOff((before) => {
        if (chosen === undefined) return before;
        const now = before[chosen] ?? NONE;
        return { ...before, [chosen]: { ...now, leftOut: !now.leftOut } };
      }),
    [chosen],
  );

  /** The rig with everything accepted; only while it is still the rig that was planned. */
  const result = useMemo(
    () => (shown && sameRig(shown.from, document) ? applyPlan(document, shown.proposal, accepted) : undefined),
    [shown, document, accepted],
  );
  const drop = useCallback(
    (id: number) => {
      setHeld((before) => before.filter((plan) => plan.id !== id));
    },
    [setHeld],
  );

  return {
    held,
    shown,
    choose: setChosen,
    drop,
    running,
    failed,
    again,
    start,
    stop,
    accepted,
    tick,
    tickAll,
    tickLeftOut,
    result,
  };
}

/** Wishes may have changed since; what a plan changes has not. */
const sameRig = (a: RigDocument, b: RigDocument): boolean =>
  (['lines', 'devices', 'schools'] as const).every(
    (field) => a[field] === b[field] || JSON.stringify(a[field]) === JSON.stringify(b[field]),
  );

/** Whether two plans make the same rig of the same rig. */
const isSamePlan = (a: Pick<Held, 'from' | 'proposal'>, b: Pick<Held, 'from' | 'proposal'>): boolean =>
  sameRig(a.from, b.from) && sameRig(a.proposal.document, b.proposal.document);

export type Planning = ReturnType<typeof usePlanning>;
