'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { LineResult, ProbeTip } from '@/core/check';
import type { FeedOption, GroupResult } from '@/core/rigcheck';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import type { FirstResult, Floors } from '@/core/noise/heard';
import type { RigAnswer } from '@/workers/messages';
import { startCheckWorker, type CheckWorker } from '@/workers/checkWorker';
import { SETTLED } from '@/ui/shell/useLate';

export const groupKey = (device: string, group: string): string => `${device} ${group}`;

/** What is known about a rig: every line and switch as soon as it is solved, the rest as it comes. */
export interface Solution {
  document?: RigDocument;
  lines: ReadonlyMap<string, LineResult>;
  unsolved: ReadonlyMap<string, string>;
  groups: ReadonlyMap<string, GroupResult>;
  /** The selected line with its remedies tried, and the document it was solved in. */
  full?: { document: RigDocument; result: LineResult };
  feeds: ReadonlyMap<string, FeedOption[]>;
  /** Why what is shown is not that of the present rig; absent where all is well. */
  failed?: string;
}

const NOTHING: Solution = { lines: new Map(), unsolved: new Map(), groups: new Map(), feeds: new Map() };

/** What came with the page. */
const withFirst = (document: RigDocument, { lines, feeds = [], ...rest }: FirstResult): Solution => ({
  ...withAnswer(NOTHING, document, { ...rest, changed: lines }),
  feeds: new Map(feeds.map(({ device, group, options }) => [groupKey(device, group), options])),
});

/** What is known after an answer to a rig; what is as it was stays the same object. */
function withAnswer(before: Solution, document: RigDocument, answer: RigAnswer): Solution {
  const present = new Set(document.lines.map(({ id }) => id));
  const lines = new Map([...before.lines].filter(([id]) => present.has(id)));
  for (const line of answer.changed) lines.set(line.id, kept(before.lines.get(line.id), line));
  for (const { id } of answer.unsolved) lines.delete(id);
  return {
    ...before,
    failed: undefined,
    document,
    lines,
    unsolved: new Map(answer.unsolved.map(({ id, message }) => [id, message])),
    groups: new Map(
      answer.groups.map((group) => {
        const key = groupKey(group.device, group.group);
        return [key, kept(before.groups.get(key), group)];
      }),
    ),
  };
}

/** Whatever shows that somebody reaches for the page: what is done next will want the worker. */
const REACHING = ['pointermove', 'pointerdown', 'keydown', 'focusin', 'touchstart'] as const;

/** What the worker is to know, and to tell. */
interface Wanted {
  document: RigDocument;
  selected?: string;
  kit: readonly KitItem[];
  floors: Floors;
}

/** What the worker was told and has answered. */
interface Progress {
  rig?: Wanted;
  /** The line that is known with its remedies. */
  line?: string;
  /** Whether every setting of every switch is known. */
  switches?: boolean;
}

const sameRig = (a: Wanted | undefined, b: Wanted): boolean =>
  a?.document === b.document && a.kit === b.kit && a.floors === b.floors;

/**
 * Solves a rig in a worker: all lines first, then what the reader of the selected one wants, then every switch's settings.
 * Where all of it came with the page the worker starts when somebody reaches for the page, or a little later.
 * @param first the answer that came with the page, for the document that is there at first
 */
export function useRigCheck(
  document: RigDocument,
  selected: string | undefined,
  kit: readonly KitItem[],
  floors: Floors,
  first?: FirstResult,
) {
  const worker = useRef<CheckWorker>(undefined);
  const wanted = useRef<Wanted>({ document, selected, kit, floors });
  /** The rig whose verdicts came with the page, all of them. */
  const [shown] = useState<Wanted | undefined>(first?.feeds && { document, kit, floors });
  const progress = useRef<Progress>({});
  const busy = useRef(false);
  const reached = useRef(false);
  /** Whether anything was solved since the page came; what came with it is not shown any more. */
  const overtaken = useRef(false);
  const [solution, setSolution] = useState(() => (first ? withFirst(document, first) : NOTHING));
  const [tries, setTries] = useState(0);

  /** Asks until nothing is left that is wanted. */
  const pursue = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    const on = (worker.current ??= startCheckWorker());
    const stale = () => !sameRig(progress.current.rig, wanted.current);
    // Only a line that is still to be solved is a reason to leave the switches; that none is selected is not.
    const asksForLine = () =>
      wanted.current.selected !== undefined && wanted.current.selected !== progress.current.line;
    while (worker.current === on) {
      const asked = wanted.current;
      if (stale()) {
        // What came with the page the worker must know as well; its answer is there already.
        const known = !overtaken.current && sameRig(shown, asked);
        if (!known) overtaken.current = true;
        const solved = await solveRig(on, asked, setSolution, known);
        progress.current = solved ? { rig: asked, switches: known } : {};
        // What cannot be solved is not asked again and again: the person is told, and may ask.
        if (!solved && sameRig(asked, wanted.current)) break;
      } else if (asksForLine()) {
        progress.current.line = asked.selected;
        if (!(await solveLine(on, asked.document, asked.selected!, setSolution))) {
          progress.current = {};
          // Something newer is asked all the same.
          if (asked === wanted.current) break;
        }
      } else if (progress.current.switches) {
        break;
      } else {
        progress.current.switches = await solveFeeds(on, asked.document, setSolution, () => stale() || asksForLine());
      }
    }
    busy.current = false;
  }, [shown]);

  useEffect(() => {
    const now = { document, selected: selected || undefined, kit, floors };
    wanted.current = now;
    if (now.selected || reached.current || !sameRig(shown, now)) void pursue();
  }, [document, selected, kit, floors, tries, shown, pursue]);

  useEffect(() => {
    const timer = setTimeout(reach, SETTLED);
    const leave = () => {
      clearTimeout(timer);
      for (const event of REACHING) window.removeEventListener(event, reach);
    };
    function reach() {
      leave();
      reached.current = true;
      void pursue();
    }
    for (const event of REACHING) window.addEventListener(event, reach, { passive: true });
    return leave;
  }, [pursue]);

  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
      progress.current = {};
      busy.current = false;
    },
    [],
  );
  return { solution, worker, again: useCallback(() => setTries((before) => before + 1), []) };
}

/** What was there before, if the new is just the same: whoever shows it need not draw again. */
const kept = <T>(before: T | undefined, now: T): T =>
  before !== undefined && JSON.stringify(before) === JSON.stringify(now) ? before : now;

type Update = (change: (before: Solution) => Solution) => void;

/** @returns whether it was solved */
async function solveRig(worker: CheckWorker, { document, kit, floors }: Wanted, update: Update, known: boolean) {
  const answer = await worker.ask({ ask: 'rig', document, kit, floors });
  if (answer.ask !== 'rig') {
    update((before) => ({ ...before, failed: answer.ask === 'failed' ? answer.message : '' }));
    return false;
  }
  update((before) => {
    if (!known) return withAnswer(before, document, answer);
    return before.failed === undefined ? before : { ...before, failed: undefined };
  });
  return true;
}

/** @returns whether there was an answer */
async function solveLine(worker: CheckWorker, document: RigDocument, id: string, update: Update) {
  const answer = await worker.ask({ ask: 'line', id });
  const result = answer.ask === 'line' ? answer.result : undefined;
  update((before) => ({
    ...before,
    full: result && { document, result },
    ...(answer.ask === 'failed' && { failed: answer.message }),
  }));
  return answer.ask !== 'failed';
}

/** @returns whether every switch was done before something newer was asked */
async function solveFeeds(worker: CheckWorker, document: RigDocument, update: Update, newer: () => boolean) {
  const feeds = new Map<string, FeedOption[]>();
  for (const device of document.devices)
    for (const { id: group } of device.groups) {
      if (newer()) return false;
      const answer = await worker.ask({ ask: 'feeds', device: device.id, group });
      if (answer.ask === 'feeds') feeds.set(groupKey(device.id, group), answer.options);
    }
  update((before) => ({
    ...before,
    feeds: new Map([...feeds].map(([key, options]) => [key, kept(before.feeds.get(key), options)])),
  }));
  return !newer();
}

export type Probe = { red: ProbeTip; black: ProbeTip };

/** What a meter reads between two contacts of a line; undefined until the worker has answered. */
export function useProbe(
  worker: RefObject<CheckWorker | undefined>,
  document: RigDocument | undefined,
  id: string,
  tips: Probe | undefined,
) {
  const [reading, setReading] = useState<{ tips: Probe; id: string; volts?: number; failed?: string }>();
  useEffect(() => {
    if (!document || !tips) return;
    let stale = false;
    void worker.current?.ask({ ask: 'probe', id, ...tips }).then((answer) => {
      if (stale) return;
      setReading({
        tips,
        id,
        ...(answer.ask === 'probe'
          ? { volts: answer.volts }
          : { failed: answer.ask === 'failed' ? answer.message : '' }),
      });
    });
    return () => {
      stale = true;
    };
  }, [worker, document, id, tips]);
  return reading && reading.tips === tips && reading.id === id ? reading : undefined;
}
