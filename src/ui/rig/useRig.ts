'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { merged, type RigDocument } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { retryAfter } from '@/ui/shell/retry';
import { useHistory } from '@/ui/shell/useHistory';
import { useLeaveWarning } from '@/ui/shell/useLeaveWarning';
import { useRig as texts } from './texts';

export interface SavedRig {
  id: string;
  revision: number;
  savedAt: string;
  document: RigDocument;
  /** Revisions that undo and redo would go to, across places, reloads and restarts. */
  steps: { undo?: number; redo?: number };
}

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
const RETRY = 3000;
/** Largest body that a browser sends on while its page is closed, in bytes: 64 KiB for all of them together (Fetch standard, from memory). */
const GOES_ON = 60 * 1024;
/** How often to look whether somebody else saved, in milliseconds. */
const LOOK = 4000;

/** What to tell: a change that is about to be sent counts as being saved, one beside somebody else's as refused. */
function shownState(saving: Saving, dirty: boolean): Saving {
  if (dirty && saving.state === 'saved') return { state: 'saving' };
  return dirty && saving.state === 'newer' ? { ...saving, state: 'stale' } : saving;
}

/** The rig as somebody saved it after a revision, or that it is gone; undefined if neither, or if the server does not answer. */
async function newerThan(id: string, revision: number): Promise<SavedRig | 'removed' | undefined> {
  try {
    const { rigs } = (await (await fetch('/api/rigs')).json()) as { rigs: { id: string; revision: number }[] };
    const entry = rigs.find((rig) => rig.id === id);
    if (!entry) return 'removed';
    if (entry.revision <= revision) return undefined;
    return (await (await fetch(`/api/rigs/${id}`)).json()) as SavedRig;
  } catch {
    return undefined;
  }
}

/** A rig being edited: undo and redo, and every change saved as a revision. */
export function useRig(saved: SavedRig) {
  const { present, change, undo, redo, restart } = useHistory(saved.document);
  const [revision, setRevision] = useState({ number: saved.revision, savedAt: saved.savedAt });
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [onServer, setOnServer] = useState(saved.document);
  const [steps, setSteps] = useState(saved.steps);
  const busy = useRef(false);
  /** What was sent, and no answer came. */
  const unanswered = useRef<string>(undefined);

  const send = useCallback(
    async (document: RigDocument, basedOn: number) => {
      if (busy.current) return;
      busy.current = true;
      setSaving({ state: 'saving' });
      const took = (at: Omit<SavedRig, 'id' | 'document'>, document: RigDocument) => {
        unanswered.current = undefined;
        setRevision({ number: at.revision, savedAt: at.savedAt });
        setSteps(at.steps);
        setOnServer(document);
        setSaving({ state: 'saved' });
      };
      const body = JSON.stringify({ basedOn, document });
      const text = JSON.stringify(document);
      try {
        const response = await fetch(`/api/rigs/${saved.id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body,
          keepalive: new Blob([body]).size <= GOES_ON,
        });
        const answer = await response.json();
        if (response.ok) took(answer, document);
        else if (response.status === 409) {
          const { current } = answer.error as { current: SavedRig };
          const theirs = JSON.stringify(current.document);
          // It arrived, and the answer did not: nobody else has changed anything.
          if (theirs === text) took(current, document);
          else if (theirs === unanswered.current) took(current, current.document);
          else setSaving({ state: 'stale', current });
        } else if (response.status === 410) setSaving({ state: 'removed' });
        else setSaving({ state: 'failed', message: answer.error.message });
      } catch {
        unanswered.current = text;
        setSaving({
          state: 'failed',
          message: texts.noConnectionYourChange,
        });
      } finally {
        busy.current = false;
      }
    },
    [saved.id],
  );

  const dirty = present !== onServer;
  useEffect(() => {
    if (saving.state === 'failed')
      // A step back that the server did not take may be asked for again.
      return retryAfter(RETRY, () => (dirty ? void send(present, revision.number) : setSaving({ state: 'saved' })));
    if (!dirty || saving.state !== 'saved') return;
    const timer = setTimeout(() => void send(present, revision.number), PAUSE);
    return () => clearTimeout(timer);
    // Not only its state: one failure may follow another before anything is drawn, and each is tried again.
  }, [dirty, present, revision.number, saving, send]);

  useLeaveWarning(dirty);

  useEffect(() => {
    if (saving.state !== 'saved') return;
    const look = async () => {
      if (window.document.hidden) return;
      const found = await newerThan(saved.id, revision.number);
      if (found === 'removed') setSaving((now) => (now.state === 'saved' ? { state: 'removed' } : now));
      else if (found)
        setSaving((now) => (now.state === 'saved' ? { state: dirty ? 'stale' : 'newer', current: found } : now));
    };
    const timer = setInterval(() => void look(), LOOK);
    return () => clearInterval(timer);
  }, [saved.id, revision.number, saving.state, dirty]);

  /** Both changes at once, if they touch different lines and devices. */
  const theirs = dirty && (saving.state === 'stale' || saving.state === 'newer') ? saving.current.document : undefined;
  const both = useMemo(() => (theirs ? merged(onServer, present, theirs) : undefined), [theirs, onServer, present]);

  /** After a save was refused: go on from what the other tab saved, or save this on top of it. */
  const settle = useCallback(
    (keep: 'theirs' | 'mine' | 'both') => {
      if (saving.state !== 'stale' && saving.state !== 'newer') return;
      const { current } = saving;
      setRevision({ number: current.revision, savedAt: current.savedAt });
      setSteps(current.steps);
      setOnServer(current.document);
      if (keep === 'theirs') change(current.document);
      if (keep === 'both' && both) change(both);
      setSaving({ state: 'saved' });
    },
    [saving, change, both],
  );

  /** What was done before this page was opened is undone, and done again, by its revisions. */
  const stepBack = useCallback(
    async (way: 'undo' | 'redo') => {
      if (busy.current) return;
      busy.current = true;
      setSaving({ state: 'saving' });
      const { body, failed, status, error } = await ask<SavedRig>(`/api/rigs/${saved.id}/steps`, {
        method: 'POST',
        json: { basedOn: revision.number, way },
      });
      busy.current = false;
      if (body) {
        setRevision({ number: body.revision, savedAt: body.savedAt });
        setSteps(body.steps);
        setOnServer(body.document);
        restart(body.document);
        setSaving({ state: 'saved' });
      } else if (error?.current) setSaving({ state: 'newer', current: error.current as SavedRig });
      else if (status === 410) setSaving({ state: 'removed' });
      else if (status === 409) {
        setSteps(({ [way]: _gone, ...rest }) => rest);
        setSaving({ state: 'saved' });
      } else setSaving({ state: 'failed', message: failed! });
    },
    [saved.id, revision.number, restart],
  );
  const settled = !dirty && saving.state === 'saved';
  const before = settled && steps.undo !== undefined ? () => void stepBack('undo') : undefined;
  const again = settled && steps.redo !== undefined ? () => void stepBack('redo') : undefined;

  /** After it was removed elsewhere: puts it back, and what was changed here is saved. */
  const putBack = useCallback(async () => {
    const { failed } = await ask(`/api/rigs/${saved.id}/restore`, { method: 'POST' });
    const back = failed ? await newerThan(saved.id, -1) : undefined;
    // Somebody else may have put it back already.
    if (!failed || (back && back !== 'removed')) setSaving({ state: 'saved' });
  }, [saved.id]);

  return {
    putBack,
    document: present,
    revision,
    base: onServer,
    both,
    saving: shownState(saving, dirty),
    change,
    undo: undo ?? before,
    redo: redo ?? again,
    settle,
  };
}
