import type { RefObject } from 'react';
import type { LineResult } from '@/core/check';
import type { PartRef } from '@/core/gear';
import type { Probe } from './useRigCheck';

export interface RowActions {
  select: (line: string, part?: PartRef) => void;
  /** Marks a line for what is done to several, or no longer; `through` takes all from the last one to it. */
  mark: (line: string, through: boolean) => void;
  insert: (line: string, at: number, button: HTMLElement) => void;
  probe: (tip: Probe['red']) => void;
}

/** What one row shows: plain values, so that a row that shows the same is not drawn again. */
export interface Row {
  id: string;
  name: string;
  inlet: string;
  /** Names of the links, one a line of text. */
  links: string;
  result?: LineResult;
  unsolved?: string;
  /** Among those for what is done to several at once. */
  marked: boolean;
}

/** What a row of the sheet is drawn from. */
export interface RowProps extends Row {
  selected: boolean;
  room: number;
  /** Lines are being marked: the boxes are shown. */
  picking: boolean;
  tips?: Probe;
  actions: RowActions;
  /** Among the first of the sheet. */
  first: boolean;
}

/** The same, drawn whole or not. */
export interface DrawnProps extends RowProps {
  /** Takes the element of the row. */
  keep: (element: Element | null) => (() => void) | undefined;
  focusedRef: RefObject<boolean>;
}
