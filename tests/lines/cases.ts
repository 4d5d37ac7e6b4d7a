import type { Case } from '@/core/check/case';
import { solveLine } from '@/core/check/solve';
import type { Line, Part } from '@/core/gear';
import type { FreeInlet } from '@/core/gear/edits';
import { DEFAULT_SCHOOLS } from '@/core/schools';

/** A line as rules and remedies look at it. @param around what there is besides: free inlets, a kit */
export const caseOf = (asked: Line, around: Partial<Case> = {}): Case =>
  Object.assign(Object.create(solveLine(asked, -18)) as Case, {
    line: asked,
    schools: DEFAULT_SCHOOLS,
    alternatives: [],
    free: [],
    ...around,
  });

/** An inlet of the desk that nothing is plugged into. */
export const freeInlet = (id: string, inlet: Part, more: Partial<FreeInlet> = {}): FreeInlet => ({
  to: { device: 'desk', inlet: id },
  inlet: { ...inlet, name: `inlet ${id}` },
  ...more,
});
