'use client';

import { useShortcut } from '@/ui/shell/useShortcut';

interface Keys {
  undo?: () => void;
  redo?: () => void;
  newLine: () => void;
  history: () => void;
  importFile: () => void;
  /** Back to the overview, or to nothing marked. */
  back: () => void;
  mark: () => unknown;
  stepMarking: (by: 1 | -1) => void;
  step: (by: 1 | -1) => void;
  shift: (by: 1 | -1) => void;
  duplicate: () => void;
  remove: () => void;
  move: (button: HTMLElement) => void;
  type: () => void;
  find: () => void;
}

/** The keys of the Rig place, as its help lists them. */
export function useRigKeys(keys: Keys): void {
  const { undo, redo } = keys;
  useShortcut('mod+z', () => undo?.(), { instead: true }, [undo]);
  useShortcut('mod+shift+z, mod+y', () => redo?.(), { instead: true }, [redo]);
  useShortcut('n', keys.newLine, { instead: true });
  useShortcut('h', keys.history, { instead: true });
  useShortcut('i', keys.importFile, { instead: true });
  useShortcut('o, escape', keys.back);
  useShortcut('x', keys.mark);
  useShortcut('shift+j', () => keys.stepMarking(1));
  useShortcut('shift+k', () => keys.stepMarking(-1));
  useShortcut('j', () => keys.step(1));
  useShortcut('k', () => keys.step(-1));
  useShortcut('d', keys.duplicate);
  useShortcut('delete', keys.remove);
  useShortcut('alt+down', () => keys.shift(1), { instead: true });
  useShortcut('alt+up', () => keys.shift(-1), { instead: true });
  useShortcut('m', () => {
    const button = window.document.querySelector<HTMLElement>('[aria-label="Move to another inlet"]');
    if (button) keys.move(button);
  });
  useShortcut('slash', keys.type, { instead: true });
  useShortcut('f', keys.find, { instead: true });
}
