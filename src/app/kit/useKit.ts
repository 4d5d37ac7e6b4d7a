'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import { mergedItem, type KitItem } from '@/core/kit';
import { loadReaders } from '@/ui/rig/loadReaders';
import { ask } from '@/ui/shell/ask';
import { RETRY } from '@/ui/shell/queries';
import { retryAfter } from '@/ui/shell/retry';
import { useHistory } from '@/ui/shell/useHistory';
import { askBeforeClosing, useLeaveWarning } from '@/ui/shell/useLeaveWarning';

export type KitSaving = { state: 'saved' | 'saving' } | { state: 'failed'; message: string };

/** An item as the server has it, with the number of its last save. */
export interface SavedItem {
  item: KitItem;
  revision: number;
}

/** Something that was changed here and elsewhere; either is absent where it was removed. */
export interface Clash {
  id: string;
  name: string;
  mine?: KitItem;
  theirs?: SavedItem;
}

type OnServer = ReadonlyMap<string, SavedItem>;
interface Step {
  id: string;
  item?: KitItem;
  /** What it was when this page last heard of it. */
  was?: SavedItem;
}
const alike = (a: unknown, b: unknown): boolean => JSON.stringify(a) === JSON.stringify(b);
const withItem = (items: KitItem[], id: string, item?: KitItem): KitItem[] => {
  if (!item) return items.filter((each) => each.id !== id);
  return items.some((each) => each.id === id) ? items.map((each) => (each.id === id ? item : each)) : [...items, item];
};

/** What was not saved when the Kit place was left, and what it is a change of; by item. */
const left = new Map<string, Step>();
const told = () => askBeforeClosing('kit left behind', left.size > 0);

function leaveBehind(steps: readonly Step[]): void {
  for (const step of steps) left.set(step.id, step);
  told();
}

/**
 * A kit being edited: undo and redo, every changed item saved by itself. What somebody else has changed meanwhile is
 * taken in where it is something else of the item; where it is the same, the person decides.
 * @param revisions the number of every item's last save
 * @param onMerged told what was changed on both sides and goes together
 */
export function useKit(items: KitItem[], revisions: Record<string, number>, onMerged: (name: string) => void) {
  const { present, change, undo, redo } = useHistory(items);
  const [saving, setSaving] = useState<KitSaving>({ state: 'saved' });
  const [clashes, setClashes] = useState<readonly Clash[]>([]);
  const onServer = useRef<OnServer>(new Map(items.map((item) => [item.id, { item, revision: revisions[item.id] }])));
  /** What was sent, and no answer came, by item. */
  const unanswered = useRef(new Map<string, KitItem | undefined>());
  const clashing = useRef<ReadonlySet<string>>(new Set());
  const busy = useRef(false);
  const gone = useRef(false);
  const wanted = useRef(present);
  const [tries, setTries] = useState(0);

  const heard = useCallback((id: string, saved?: SavedItem) => {
    const next = new Map(onServer.current);
    if (saved) next.set(id, saved);
    else next.delete(id);
    onServer.current = next;
    unanswered.current.delete(id);
  }, []);
  /** Takes over an item that the server has saved already. */
  const adopt = useCallback(
    (saved: SavedItem) => {
      heard(saved.item.id, saved);
      change((from) => withItem(from, saved.item.id, saved.item));
    },
    [change, heard],
  );
  const setClashing = useCallback((to: (from: readonly Clash[]) => readonly Clash[]) => {
    setClashes((from) => {
      const next = to(from);
      clashing.current = new Set(next.map(({ id }) => id));
      return next;
    });
  }, []);

  useEffect(() => {
    wanted.current = present;
    if (busy.current) return;
    void save();

    /** What somebody else did to an item that was to be changed here. @returns whether that is settled */
    async function meet({ id, item, was }: Step, theirs?: SavedItem): Promise<void> {
      // It arrived, and the answer did not: nobody else has changed anything.
      const arrived = unanswered.current.has(id) && alike(unanswered.current.get(id), theirs?.item);
      if (arrived || alike(item, theirs?.item)) return heard(id, theirs);
      const { readItem } = await loadReaders();
      // Changed again meanwhile: what is wanted now is held against what they did.
      if (wanted.current.find((each) => each.id === id) !== item) return;
      const both = item && was && theirs && readItem && mergedItem(was.item, item, theirs.item, readItem);
      if (both) {
        heard(id, theirs);
        wanted.current = withItem(wanted.current, id, both);
        change((from) => withItem(from, id, both));
        onMerged(both.name);
        return;
      }
      clashing.current = new Set([...clashing.current, id]);
      const name = (item ?? theirs?.item ?? was?.item)!.name;
      setClashing((from) => [...from.filter((each) => each.id !== id), { id, name, mine: item, theirs }]);
    }

    async function save() {
      busy.current = true;
      for (;;) {
        const [step] = steps(onServer.current, wanted.current).filter(({ id }) => !clashing.current.has(id));
        if (!step) break;
        setSaving({ state: 'saving' });
        const { id, item, was } = step;
        const { failed, status, etag, error } = await ask(`/api/kit/${encodeURIComponent(id)}`, {
          headers: was ? { 'if-match': `"${was.revision}"` } : { 'if-none-match': '*' },
          ...(item ? { method: 'PUT', json: item } : { method: 'DELETE' }),
        });
        if (status === 412) await meet(step, (error!.current as SavedItem | null) ?? undefined);
        // What somebody else has removed already is removed.
        else if (!item && status === 404) heard(id);
        else if (failed) {
          if (status === undefined) unanswered.current.set(id, item);
          setSaving({ state: 'failed', message: failed });
          busy.current = false;
          if (gone.current) leaveBehind(steps(onServer.current, wanted.current));
          return;
        } else heard(id, item && { item, revision: Number(etag?.replaceAll('"', '')) });
      }
      setSaving({ state: 'saved' });
      busy.current = false;
    }
  }, [present, tries, heard, change, onMerged, setClashing]);

  useLeaveWarning(saving.state !== 'saved' || clashes.length > 0);

  // What could not be saved waits for the place to be opened again.
  useEffect(() => {
    queueMicrotask(() => {
      const behind = [...left.values()];
      left.clear();
      told();
      if (behind.length === 0) return;
      const server = new Map(onServer.current);
      for (const { id, was } of behind)
        if (was) server.set(id, was);
        else server.delete(id);
      onServer.current = server;
      change((from) => behind.reduce((items, { id, item }) => withItem(items, id, item), from));
    });
    gone.current = false;
    return () => {
      gone.current = true;
      // What is on its way goes on.
      if (!busy.current) leaveBehind(steps(onServer.current, wanted.current));
    };
  }, [change]);

  // What the server did not take is sent again; nothing is lost while it is away.
  useEffect(() => {
    if (saving.state !== 'failed') return;
    return retryAfter(RETRY, () => setTries((before) => before + 1));
  }, [saving]);

  /** Decides what becomes of an item that was changed on both sides. */
  const settle = useCallback(
    ({ id, theirs }: Clash, keep: 'mine' | 'theirs') => {
      heard(id, theirs);
      setClashing((from) => from.filter((each) => each.id !== id));
      if (keep === 'theirs') change((from) => withItem(from, id, theirs?.item));
      setTries((before) => before + 1);
    },
    [change, heard, setClashing],
  );

  return {
    items: present,
    saving,
    clashes,
    settle,
    change,
    adopt,
    undo,
    redo,
  };
}

/** What the server does not have as it is wanted. */
function steps(server: OnServer, wanted: readonly KitItem[]): Step[] {
  const ids = new Set(wanted.map(({ id }) => id));
  return [
    ...wanted
      .filter((item) => server.get(item.id)?.item !== item)
      .map((item) => ({ id: item.id, item, was: server.get(item.id) })),
    ...[...server].filter(([id]) => !ids.has(id)).map(([id, was]) => ({ id, was })),
  ];
}
