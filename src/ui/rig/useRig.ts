'use client';

import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { merged, type RigDocument, type SavedRig } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { answerOf, RETRY } from '@/ui/shell/queries';
import { retryAfter } from '@/ui/shell/retry';
import { useHistory } from '@/ui/shell/useHistory';
import { useLeaveWarning } from '@/ui/shell/useLeaveWarning';
import { know, latest, leaveBehind, outcome, saveRig, takeOver, type Left, type Sending } from './leftBehind';
import { useRig as texts } from './texts';

export type Saving =
  | { state: 'saved' }
  | { state: 'saving' }
  | { state: 'failed'; message: string }
  | { state: 'stale'; current: SavedRig }
  /** Somebody saved; nothing is unsaved here. */
  | { state: 'newer'; current: SavedRig }
  /** Somebody took it off the list. */
  | { state: 'removed' };

/** How long to wait for further typing before a change is sent, in milliseconds. */
const PAUSE = 250;
/** How often to look whether somebody else saved, in milliseconds. */
const LOOK = 4000;

/** What to tell: a change that is about to be sent counts as being saved, one beside somebody else's as refused. */
function shownState(saving: Saving, dirty: boolean, found: Newer): Saving {
  if (saving.state === 'saved') {
    if (found === 'removed') return { state: 'removed' };
    if (found) return { state: dirty ? 'stale' : 'newer', current: found };
    return dirty ? { state: 'saving' } : saving;
  }
  return dirty && saving.state === 'newer' ? { ...saving, state: 'stale' } : saving;
}

/** The rig as somebody saved it after a revision, or that it is gone; null if neither. */
type Newer = SavedRig | 'removed' | null;

/** @throws Unanswered */
async function newerThan(id: string, revision: number, signal?: AbortSignal): Promise<Newer> {
  const { rigs } = await answerOf<{ rigs: { id: string; revision: number }[] }>('/api/rigs', { signal });
  const entry = rigs.find((rig) => rig.id === id);
  if (!entry) return 'removed';
  // Fewer, where the server was given an older copy.
  return entry.revision !== revision ? answerOf<SavedRig>(`/api/rigs/${id}`, { signal }) : null;
}

/** A rig being edited: undo and redo, and every change saved as a revision. */
export function useRig(opened: SavedRig) {
  const { id } = opened;
  const [first] = useState(() => latest(opened));
  const { present, change, undo, redo, restart } = useHistory(first.document);
  const path = `/api/rigs/${id}`;
  const [revision, setRevision] = useState({ number: first.revision, savedAt: first.savedAt });
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [onServer, setOnServer] = useState(first.document);
  const [steps, setSteps] = useState(first.steps);
  const busy = useRef(false);
  const sending = useRef<Sending>(undefined);
  /** What was sent, and no answer came. */
  const unanswered = useRef<string>(undefined);

  /** It is saved so far. */
  const setBase = useCallback((saved: SavedRig) => {
    know(saved);
    setRevision({ number: saved.revision, savedAt: saved.savedAt });
    setSteps(saved.steps);
    setOnServer(saved.document);
  }, []);

  /** What comes of a save. */
  const hear = useCallback(
    async (save: Sending) => {
      busy.current = true;
      sending.current = save;
      setSaving({ state: 'saving' });
      const { saved, stale, failed, status } = await outcome(save, unanswered.current);
      busy.current = false;
      sending.current = undefined;
      if (saved) {
        unanswered.current = undefined;
        setBase(saved);
        setSaving({ state: 'saved' });
      } else if (stale) setSaving({ state: 'stale', current: stale });
      else if (status === 410) setSaving({ state: 'removed' });
      else {
        if (status === undefined) unanswered.current = JSON.stringify(save.document);
        setSaving({ state: 'failed', message: status === undefined ? texts.noConnectionYourChange : failed! });
      }
    },
    [setBase],
  );
  const send = useCallback(
    (document: RigDocument, basedOn: number) => {
      if (!busy.current) void hear(saveRig(id, document, basedOn));
    },
    [id, hear],
  );

  const dirty = present !== onServer;

  /** What is lost where the place is left now. */
  const unsaved = useRef<Left>(undefined);
  useEffect(() => {
    unsaved.current = dirty
      ? {
          base: { id, revision: revision.number, savedAt: revision.savedAt, steps, document: onServer },
          document: present,
        }
      : undefined;
  }, [dirty, id, revision, steps, onServer, present]);
  /** Goes on with what another place of this rig has left. */
  const resume = useCallback(
    async (it: Left) => {
      const [now, under] = [first.document, it.sending?.document].map((document) => JSON.stringify(document));
      if (JSON.stringify(it.document) === now) return;
      const arrived = under === now || it.unanswered === now;
      // What somebody else has saved meanwhile is asked about, as if the place had not been left.
      if (!arrived && first.revision !== it.base.revision) setBase(it.base);
      change(it.document);
      unanswered.current = it.unanswered;
      if (it.sending && !arrived) await hear(it.sending);
    },
    [first, setBase, change, hear],
  );
  useEffect(() => {
    // Once the place that was left has said what it leaves.
    queueMicrotask(() => {
      const it = takeOver(id);
      if (it) void resume(it);
    });
    return () => {
      const { current } = unsaved;
      if (current) leaveBehind({ ...current, sending: sending.current, unanswered: unanswered.current });
    };
  }, [id, resume]);

  const queries = useQueryClient();
  const lookKey = useMemo(() => [path, 'newer than', revision.number], [path, revision.number]);
  const { data: found } = useQuery<Newer>({
    queryKey: lookKey,
    queryFn: ({ signal }) => newerThan(id, revision.number, signal),
    enabled: saving.state === 'saved',
    initialData: null,
    staleTime: LOOK,
    refetchInterval: LOOK,
    refetchOnWindowFocus: 'always',
  });
  const shown = useMemo(() => shownState(saving, dirty, found), [saving, dirty, found]);
  const current = shown.state === 'stale' || shown.state === 'newer' ? shown.current : undefined;

  useEffect(() => {
    if (saving.state === 'failed')
      // A step back that the server did not take may be asked for again.
      return retryAfter(RETRY, () => (dirty ? send(present, revision.number) : setSaving({ state: 'saved' })));
    if (!dirty || saving.state !== 'saved' || found) return;
    const timer = setTimeout(() => send(present, revision.number), PAUSE);
    return () => clearTimeout(timer);
    // Not only its state: one failure may follow another before anything is drawn, and each is tried again.
  }, [dirty, present, revision.number, saving, found, send]);

  useLeaveWarning(dirty);

  /** Both changes at once, if they touch different lines and devices. */
  const theirs = dirty ? current?.document : undefined;
  const both = useMemo(() => (theirs ? merged(onServer, present, theirs) : undefined), [theirs, onServer, present]);

  /** After a save was refused: go on from what the other tab saved, or save this on top of it. */
  const settle = useCallback(
    (keep: 'theirs' | 'mine' | 'both') => {
      if (!current) return;
      setBase(current);
      if (keep === 'theirs') change(current.document);
      if (keep === 'both' && both) change(both);
      setSaving({ state: 'saved' });
    },
    [current, change, both, setBase],
  );

  /** What was done before this page was opened is undone, and done again, by its revisions. */
  const stepBack = useCallback(
    async (way: 'undo' | 'redo') => {
      if (busy.current) return;
      busy.current = true;
      setSaving({ state: 'saving' });
      const { body, failed, status, error } = await ask<SavedRig>(`${path}/steps`, {
        method: 'POST',
        json: { basedOn: revision.number, way },
      });
      busy.current = false;
      if (body) {
        setBase(body);
        restart(body.document);
        setSaving({ state: 'saved' });
      } else if (error?.current) setSaving({ state: 'newer', current: error.current as SavedRig });
      else if (status === 410) setSaving({ state: 'removed' });
      else if (status === 409) {
        setSteps(({ [way]: _gone, ...rest }) => rest);
        setSaving({ state: 'saved' });
      } else setSaving({ state: 'failed', message: failed! });
    },
    [path, revision.number, restart, setBase],
  );
  const settled = !dirty && shown.state === 'saved';
  const before = settled && steps.undo !== undefined ? () => void stepBack('undo') : undefined;
  const again = settled && steps.redo !== undefined ? () => void stepBack('redo') : undefined;

  /** After it was removed elsewhere: puts it back, and what was changed here is saved. */
  const putBack = useCallback(async () => {
    const { failed } = await ask(`${path}/restore`, { method: 'POST' });
    const back = failed ? await newerThan(id, -1).catch(() => 'removed') : undefined;
    // Somebody else may have put it back already.
    if (back === 'removed') return;
    queries.setQueryData<Newer>(lookKey, null);
    setSaving({ state: 'saved' });
  }, [path, id, queries, lookKey]);

  return {
    putBack,
    document: present,
    revision,
    base: onServer,
    both,
    saving: shown,
    change,
    undo: undo ?? before,
    redo: redo ?? again,
    settle,
  };
}
