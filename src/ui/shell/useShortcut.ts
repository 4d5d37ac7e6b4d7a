'use client';

import type { DependencyList } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';

/** What lies over a page and has the keys to itself. */
const OVER = '[role="dialog"][aria-modal="true"], [role="menu"], [role="listbox"]';
/** What text is typed or chosen in; a box to tick is none. */
const FIELD = 'input:not([type="checkbox"], [type="radio"]), textarea, select';
/** What does something of its own on Space and Enter. */
const CONTROL = 'button, a, input, select, textarea, summary, [role="tab"], [role="checkbox"], [role="option"]';

const isWithin = ({ target }: KeyboardEvent, what: string): boolean =>
  target instanceof Element && target.closest(what) !== null;
/** Whether a key goes to what is open over the page; with the focus nowhere, that is what has it. */
const isOver = (event: KeyboardEvent): boolean =>
  isWithin(event, OVER) || (event.target === document.body && document.querySelector(OVER) !== null);

interface Options {
  /** The browser does not do what it does on these keys. */
  instead?: boolean;
  /** Left to whatever control has the focus: for Space and Enter. */
  leavesControls?: boolean;
}

/**
 * A shortcut of a page. It leaves fields alone, and whatever is open over the page: a dialog, a menu, a list to choose from.
 * @param keys as react-hotkeys-hook names them
 * @param again what the action depends on, where it is not looked up anew
 */
export function useShortcut(
  keys: string,
  run: () => unknown,
  { instead = false, leavesControls = false }: Options = {},
  again?: DependencyList,
): void {
  useHotkeys(
    keys,
    () => {
      run();
    },
    {
      preventDefault: instead,
      // The package would leave boxes to tick alone, too: with the keyboard on one of them every shortcut was dead.
      enableOnFormTags: true,
      ignoreEventWhen: (event) =>
        isWithin(event, FIELD) || isOver(event) || (leavesControls && isWithin(event, CONTROL)),
    },
    again,
  );
}
