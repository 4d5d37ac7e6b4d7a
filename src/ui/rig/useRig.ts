'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { merged, type RigDocument } from '@/core/rig';

export interface SavedRig {
  id: string;
  revision: number;
  savedAt: string;
  document: RigDocument;
}

export type Saving =
  | { state: 'saved' }
  | { state: 'saving' }
  | { state: 'failed'; message: string }
  | { state: 'stale'; current: SavedRig }
  /** Somebody saved; nothing is unsaved here. */
  | { state: 'newer'; current: SavedRig };

/** How long to wait for further typing before a change is sent, in milliseconds. */
const PAUSE = 250;
const RETRY = 3000;
/** How often to look whether somebody else saved, in milliseconds. */
const LOOK = 4000;

interface History {
  past: RigDocument[];
  present: RigDocument;
  future: RigDocument[];
}

/** What to tell: a change that is about to be sent counts as being saved, one beside somebody else's as refused. */
function shownState(saving: Saving, dirty: boolean): Saving {
  if (dirty && saving.state === 'saved') return { state: 'saving' };
  return dirty && saving.state === 'newer' ? { ...saving, state: 'stale' } : saving;
}

/** The rig as somebody saved it after a revision; undefined if nobody has, or if the server does not answer. */
async function newerThan(id: string, revision: number): Promise<SavedRig | undefined> {
  try {
    const { rigs } = (await (await fetch('/api/rigs')).json()) as { rigs: { id: string; revision: number }[] };
    const entry = rigs.find((rig) => rig.id === id);
    if (!entry || entry.revision <= revision) return undefined;
    return (await (await fetch(`/api/rigs/${id}`)).json()) as SavedRig;
  } catch {
    return undefined;
  }
}

/** A rig being edited: undo and redo, and every change saved as a revision. */
export function useRig(saved: SavedRig) {
  const [history, setHistory] = useState<History>({ past: [], present: saved.document, future: [] });
  const [revision, setRevision] = useState({ number: saved.revision, savedAt: saved.savedAt });
  const [saving, setSaving] = useState<Saving>({ state: 'saved' });
  const [onServer, setOnServer] = useState(saved.document);
  const busy = useRef(false);
  const { present } = history;

  const change = useCallback((to: RigDocument | ((from: RigDocument) => RigDocument)) => {
    setHistory(({ past, present: from }) => {
      const next = typeof to === 'function' ? to(from) : to;
      return next === from
        ? { past, present: from, future: [] }
        : { past: [...past, from].slice(-200), present: next, future: [] };
    });
  }, []);
  const undo = useCallback(() => {
    setHistory((h) =>
      h.past.length
        ? { past: h.past.slice(0, -1), present: h.past[h.past.length - 1], future: [h.present, ...h.future] }
        : h,
    );
  }, []);
  const redo = useCallback(() => {
    setHistory((h) =>
      h.future.length ? { past: [...h.past, h.present], present: h.future[0], future: h.future.slice(1) } : h,
    );
  }, []);

  const send = useCallback(
    async (document: RigDocument, basedOn: number) => {
      if (busy.current) return;
      busy.current = true;
      setSaving({ state: 'saving' });
      try {
        const response = await fetch(`/api/rigs/${saved.id}`, {
          method: 'PUT',
          headers: { 'content-type': 'application/json' },
          body: JSON.stringify({ basedOn, document }),
          keepalive: true,
        });
        const answer = await response.json();
        if (response.ok) {
          setRevision({ number: answer.revision, savedAt: answer.savedAt });
          setOnServer(document);
          setSaving({ state: 'saved' });
        } else if (response.status === 409) setSaving({ state: 'stale', current: answer.error.current });
        else setSaving({ state: 'failed', message: answer.error.message });
      } catch {
        setSaving({ state: 'failed', message: 'The server does not answer. The change is kept here and sent again.' });
      } finally {
        busy.current = false;
      }
    },
    [saved.id],
  );

  const dirty = present !== onServer;
  useEffect(() => {
    if (!dirty || saving.state === 'stale' || saving.state === 'newer' || saving.state === 'saving') return;
    const timer = setTimeout(() => void send(present, revision.number), saving.state === 'failed' ? RETRY : PAUSE);
    return () => clearTimeout(timer);
  }, [dirty, present, revision.number, saving.state, send]);

  useEffect(() => {
    if (!dirty) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [dirty]);

  useEffect(() => {
    if (saving.state !== 'saved') return;
    const look = async () => {
      if (window.document.hidden) return;
      const found = await newerThan(saved.id, revision.number);
      if (found)
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
      setOnServer(current.document);
      if (keep === 'theirs') change(current.document);
      if (keep === 'both' && both) change(both);
      setSaving({ state: 'saved' });
    },
    [saving, change, both],
  );

  return {
    document: present,
    revision,
    base: onServer,
    both,
    saving: shownState(saving, dirty),
    change,
    undo: history.past.length ? undo : undefined,
    redo: history.future.length ? redo : undefined,
    settle,
  };
}
