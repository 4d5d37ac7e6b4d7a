'use client';

import { useCallback, useEffect, useMemo, useRef, type RefObject } from 'react';
import type { KitItem } from '@/core/kit';
import {
  copied,
  DocumentError,
  duplicatedTogether,
  movedTogether,
  pasted,
  tidied,
  removeLine,
  withCable,
  withLocation,
  withNames,
  withNote,
  type CopiedLine,
  type NotAll,
  type RigDocument,
} from '@/core/rig';
import { bestFreeInlet } from '@/core/rigcheck';
import { cableMeant, LONGEST_NOTE, typedText } from '@/core/typed';
import { loadReaders } from '@/ui/rig/loadReaders';
import { useStored } from '@/ui/shell/useStored';
import { moreThanOwned } from './overdrawnWords';
import type { ManyActions } from './ManyPanel';
import { useMany as texts } from './texts';

/** Whole lines on the clipboard, for another rig; beside them stands the text as somebody would type it. */
const COPIED = 'application/vnd.inlet-check.lines+json';
/** Where this browser keeps the lines that were copied last, for whoever has no keys to paste with. */
const KEPT = 'inlet-check-copied-lines';

interface Given {
  document: RigDocument;
  change: (to: RigDocument) => void;
  kit: readonly KitItem[];
  /** Ids of the lines that are selected, in their order; or of the one that is looked at. */
  ids: readonly string[];
  clear: () => void;
  mark: (ids: readonly string[]) => void;
  say: (message: string) => void;
  /** A text was pasted that is no copied line: typed lines, or a list. */
  onText: (text: string) => void;
}

/** Takes a changed rig over; what waited beside it for the same script goes on from that, before anything is drawn. */
function takeOver(now: RefObject<Given>, document: RigDocument): void {
  now.current.change(document);
  now.current = { ...now.current, document };
}

/** What is done to several lines at once, and lines on the clipboard. */
export function useMany(given: Given): ManyActions {
  const now = useRef(given);
  useEffect(() => {
    now.current = given;
  });
  const [kept, keep] = useStored(KEPT, '');
  const copy = useCallback((): string | undefined => {
    const { document, ids, say } = now.current;
    const lines = copied(document, ids);
    if (lines.length === 0) {
      say(texts.aLineThatBegins);
      return undefined;
    }
    const text = JSON.stringify(lines);
    keep(text);
    const left = ids.length - lines.length;
    say(texts.copiedPasteWithCtrlV(lines.length, left));
    return text;
  }, [keep]);
  const paste = useCallback(async (lines: string) => {
    const { readDocument } = await loadReaders();
    const { document, mark, say } = now.current;
    if (!readDocument) return say(texts.nothingWasChanged(texts.theServerDoesNotAnswer));
    try {
      const made = pasted(document, JSON.parse(lines) as CopiedLine[]);
      if ('problem' in made) return say(texts.nothingWasChanged(made.problem));
      takeOver(now, readDocument(made.document));
      mark(made.ids);
      say(texts.addedCtrlZUndoes(made.ids.length, made.elsewhere));
    } catch (problem) {
      // Another version's lines, or somebody else's.
      if ([DocumentError, TypeError, SyntaxError].some((sort) => problem instanceof sort))
        say(texts.theseLinesComeFromAnother);
      else throw problem;
    }
  }, []);
  const pressed = useClipboard(now, copy, paste);
  /** Takes a changed rig over. @returns why not, where it cannot be; what is now more than the kit has is told */
  const tried = useCallback(async (edit: (given: Given) => RigDocument | NotAll): Promise<string | undefined> => {
    const { readDocument } = await loadReaders();
    if (!readDocument) return texts.theServerDoesNotAnswer;
    const next = edit(now.current);
    if ('problem' in next) return next.problem;
    const { document, kit, say } = now.current;
    try {
      takeOver(now, readDocument(tidied(next)));
    } catch (problem) {
      if (problem instanceof DocumentError) return problem.message;
      throw problem;
    }
    const more = moreThanOwned(document, next, kit);
    if (more) say(more);
    return undefined;
  }, []);
  return useMemo(
    () => ({
      cable: async (text) => {
        const cable = cableMeant(now.current.kit, text);
        return cable ? tried(({ document, ids }) => withCable(document, ids, cable)) : texts.isNotALength(text);
      },
      position: (name) => tried(({ document, ids }) => withLocation(document, ids, name)),
      note: (text) => tried(({ document, ids }) => withNote(document, ids, text, LONGEST_NOTE)),
      names: (series) => tried(({ document, ids }) => withNames(document, ids, series)),
      move: (from) => tried(({ document, ids }) => movedTogether(document, ids, from)),
      duplicate: async () => {
        let added: readonly string[] = [];
        const refused = await tried(({ document, ids }) => {
          const made = duplicatedTogether(document, ids, bestFreeInlet);
          if ('problem' in made) return made;
          added = made.ids;
          return made.document;
        });
        const { mark, say } = now.current;
        if (refused) return say(texts.nothingWasChanged(refused));
        mark(added);
      },
      remove: () => {
        const { document, ids, change, clear, say } = now.current;
        change(ids.reduce(removeLine, document));
        clear();
        say(texts.removedUndoBringsThemBack(ids.length));
      },
      copy: () => {
        // From a panel over the sheet, too; where the browser gives no clipboard the menu still pastes.
        pressed.current = true;
        if (!window.document.execCommand('copy')) copy();
        pressed.current = false;
      },
      copied: copiedCount(kept),
      paste: () => void paste(kept),
      clear: () => now.current.clear(),
    }),
    [tried, copy, paste, kept, pressed],
  );
}

/** How many lines were copied last; none where what is kept cannot be read. */
function copiedCount(kept: string): number {
  try {
    const lines: unknown = kept ? JSON.parse(kept) : [];
    return Array.isArray(lines) ? lines.length : 0;
  } catch {
    return 0;
  }
}

const isTyping = ({ target }: Event): boolean =>
  target instanceof HTMLElement &&
  target.closest('input:not([type=checkbox]), textarea, [contenteditable], [role="dialog"]') !== null;

/**
 * Ctrl C copies the selected lines, Ctrl V puts copied ones in; in fields and dialogs both do what they always do.
 * @returns true while a button copies, wherever the focus is
 */
function useClipboard(
  now: RefObject<Given>,
  copy: () => string | undefined,
  paste: (lines: string) => Promise<void>,
): RefObject<boolean> {
  const pressed = useRef(false);
  useEffect(() => {
    const onCopy = (event: ClipboardEvent) => {
      const { document, ids } = now.current;
      if (!event.clipboardData || ids.length === 0) return;
      if (!pressed.current && (isTyping(event) || window.getSelection()?.toString())) return;
      const lines = copy();
      if (lines === undefined) return;
      event.preventDefault();
      event.clipboardData.setData('text/plain', typedText(document, ids));
      event.clipboardData.setData(COPIED, lines);
    };
    const onPaste = (event: ClipboardEvent) => {
      if (isTyping(event) || !event.clipboardData) return;
      const lines = event.clipboardData.getData(COPIED);
      const text = event.clipboardData.getData('text/plain');
      if (!lines && !text.trim()) return;
      event.preventDefault();
      if (lines) void paste(lines);
      else now.current.onText(text);
    };
    window.document.addEventListener('copy', onCopy);
    window.document.addEventListener('paste', onPaste);
    return () => {
      window.document.removeEventListener('copy', onCopy);
      window.document.removeEventListener('paste', onPaste);
    };
  }, [now, copy, paste]);
  return pressed;
}
