'use client';

import { useCallback, useEffect, useRef, useState, type RefObject } from 'react';
import type { LineResult, ProbeTip } from '@/core/check';
import type { FeedOption, GroupResult } from '@/core/rigcheck';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import type { FirstResult, Floors } from '@/core/noise/heard';
import type { RigAnswer } from '@/workers/messages';
import { startCheckWorker, type CheckWorker } from '@/workers/checkWorker';

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

/**
 * Solves a rig in a worker: all lines first, then what the reader of the selected one wants, then every switch's settings.
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
  const wanted = useRef({ document, selected });
  const busy = useRef(false);
  const [solution, setSolution] = useState(() =>
    first ? withAnswer(NOTHING, document, { ...first, changed: first.lines }) : NOTHING,
  );
  const [tries, setTries] = useState(0);

  useEffect(() => {
    wanted.current = { document, selected: selected || undefined };
    worker.current ??= startCheckWorker();
    if (!busy.current) void pursue(worker.current);

    async function pursue(on: CheckWorker) {
      busy.current = true;
      let done: RigDocument | undefined;
      let full: string | undefined;
      const stale = () => done !== wanted.current.document || worker.current !== on;
      for (;;) {
        const { document: asked, selected: line } = wanted.current;
        if (done !== asked) {
          // What cannot be solved is not asked again and again: the person is told, and may ask.
          if (!(await solveRig(on, asked, kit, floors, setSolution)) && asked === wanted.current.document) break;
          [done, full] = [asked, undefined];
        }
        if (stale()) {
          if (worker.current !== on) break;
          continue;
        }
        if (line && full !== line) {
          await solveLine(on, asked, line, setSolution);
          full = line;
          continue;
        }
        // Only a line that is still to be solved is a reason to leave the switches; that none is selected is not.
        const asksForLine = () => wanted.current.selected !== undefined && wanted.current.selected !== full;
        const complete = await solveFeeds(on, asked, setSolution, () => stale() || asksForLine());
        if (complete) break;
      }
      busy.current = false;
    }
  }, [document, selected, kit, floors, tries]);

  useEffect(
    () => () => {
      worker.current?.stop();
      worker.current = undefined;
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
async function solveRig(
  worker: CheckWorker,
  document: RigDocument,
  kit: readonly KitItem[],
  floors: Floors,
  update: Update,
) {
  const answer = await worker.ask({ ask: 'rig', document, kit, floors });
  if (answer.ask !== 'rig') {
    update((before) => ({ ...before, failed: answer.ask === 'failed' ? answer.message : '' }));
    return false;
  }
  update((before) => withAnswer(before, document, answer));
  return true;
}

async function solveLine(worker: CheckWorker, document: RigDocument, id: string, update: Update) {
  const answer = await worker.ask({ ask: 'line', id });
  const result = answer.ask === 'line' ? answer.result : undefined;
  update((before) => ({
    ...before,
    full: result && { document, result },
    ...(answer.ask === 'failed' && { failed: answer.message }),
  }));
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
