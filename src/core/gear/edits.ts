import { linkKind } from './catalogue';
import type { Figure } from './figures';
import { cable } from './links/cable';
import { partAt, type FeedSwitch, type Grounding, type Line, type Part, type PartRef } from './part';
import { choose, withPart } from './questions';

/** An inlet of a device. */
export interface InletRef {
  device: string;
  inlet: string;
}

/** By what an inlet is known in lists and maps. */
export const inletKey = ({ device, inlet }: InletRef): string => `${device} ${inlet}`;

/** An inlet that nothing is plugged into, as a line would find it. */
export interface FreeInlet {
  to: InletRef;
  inlet: Part;
  switch?: FeedSwitch;
  /** The device, and how that is grounded. */
  device?: string;
  ground?: Grounding;
  /** Cable that it takes from the line's source, in metres, where the rig says so. */
  run?: number;
}

/** One change to a line. Positions of links are counted as they are before this edit. */
export type Edit =
  | { do: 'insert'; at: number; part: Part }
  | { do: 'remove'; at: number }
  | { do: 'replace'; part: PartRef; with: Part }
  | { do: 'choose'; part: PartRef; choice: string; value: string }
  | { do: 'set figure'; part: PartRef; figure: string; to: Figure | undefined }
  | { do: 'mend'; at: number }
  | { do: 'rename'; name: string }
  | ({ do: 'move' } & FreeInlet)
  /**
   * Gives `line`, which comes in at a further socket of the link at `at`, an inlet of its own: on the thru of a direct box
   * with the other side of a stereo box in its place; anywhere else the link goes.
   */
  | ({ do: 'separate'; at: number; line: string } & FreeInlet);

/** The box with two sides that a second source gets instead of the thru socket of a box with one; undefined for others. */
export const twoSided = ({ kind }: Part): string | undefined => linkKind(kind).withTwoSides;

/** That box, and the cable behind it. */
export const ownBox = (kind: string): Part[] => [{ kind }, { kind: cable.kind }];

/** Applies edits one after the other; the line given stays as it is. */
export const applyEdits = (line: Line, edits: readonly Edit[]): Line => edits.reduce(applyEdit, line);

function applyEdit(line: Line, edit: Edit): Line {
  switch (edit.do) {
    case 'insert':
      return hung({ ...line, links: line.links.toSpliced(edit.at, 0, edit.part) }, (at) =>
        at >= edit.at ? at + 1 : at,
      );
    case 'remove':
      return hung({ ...line, links: line.links.toSpliced(edit.at, 1) }, (at) =>
        at === edit.at ? undefined : at > edit.at ? at - 1 : at,
      );
    case 'replace':
      return withPart(line, edit.part, edit.with);
    case 'choose':
      return choose(line, edit.part, edit.choice, edit.value);
    case 'set figure':
      return withPart(line, edit.part, withFigure(partAt(line, edit.part), edit.figure, edit.to));
    case 'mend': {
      const part = { ...line.links[edit.at] };
      delete part.faults;
      return withPart(line, edit.at, part);
    }
    case 'rename':
      return { ...line, name: edit.name };
    case 'move':
      return {
        ...line,
        inlet: edit.inlet,
        switch: edit.switch,
        device: edit.device,
        ground: edit.ground,
        run: edit.run,
      };
    case 'separate':
      return separate(line, edit);
  }
}

/** The line with what hangs on its links moved along with them. */
const hung = (line: Line, to: (at: number) => number | undefined): Line =>
  line.branches
    ? {
        ...line,
        branches: line.branches.flatMap((branch) => {
          const at = to(branch.at);
          return at === undefined ? [] : [{ ...branch, at }];
        }),
      }
    : line;

function separate(line: Line, edit: Extract<Edit, { do: 'separate' }>): Line {
  const { at, line: second, inlet, switch: feed, device, ground, run } = edit;
  const box = twoSided(line.links[at]);
  if (line.id === second)
    return {
      ...line,
      links: [...line.links.slice(0, at), ...(box ? ownBox(box) : [])],
      inlet,
      switch: feed,
      device,
      ground,
      run,
      branches: line.branches?.filter((branch) => branch.at < at),
    };
  const alone = { ...line, branches: line.branches?.filter((branch) => branch.at !== at || branch.line !== second) };
  if (box) return withPart(alone, at, { ...line.links[at], kind: box });
  // Somebody else may still be plugged into it.
  if (alone.branches?.some((branch) => branch.at === at)) return alone;
  return applyEdit(alone, { do: 'remove', at });
}

export function withFigure<P extends Part>(part: P, figure: string, to: Figure | undefined): P {
  const figures = { ...part.figures };
  if (to) figures[figure] = to;
  else delete figures[figure];
  return { ...part, figures };
}
