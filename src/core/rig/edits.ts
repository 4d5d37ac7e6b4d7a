import { choose, partAt, withPart, type Figure, type Line, type Part, type PartRef } from '../gear';

/** One change to a line. Positions of links are counted as they are before this edit. */
export type Edit =
  | { do: 'insert'; at: number; part: Part }
  | { do: 'remove'; at: number }
  | { do: 'replace'; part: PartRef; with: Part }
  | { do: 'choose'; part: PartRef; choice: string; value: string }
  | { do: 'set figure'; part: PartRef; figure: string; to: Figure | undefined }
  | { do: 'mend'; at: number }
  | { do: 'rename'; name: string };

/** Applies edits one after the other; the line given stays as it is. */
export const applyEdits = (line: Line, edits: readonly Edit[]): Line => edits.reduce(applyEdit, line);

function applyEdit(line: Line, edit: Edit): Line {
  switch (edit.do) {
    case 'insert':
      return { ...line, links: line.links.toSpliced(edit.at, 0, edit.part) };
    case 'remove':
      return { ...line, links: line.links.toSpliced(edit.at, 1) };
    case 'replace':
      return withPart(line, edit.part, edit.with);
    case 'choose':
      return choose(line, edit.part, edit.choice, edit.value);
    case 'set figure': {
      const part = partAt(line, edit.part);
      const figures = { ...part.figures };
      if (edit.to) figures[edit.figure] = edit.to;
      else delete figures[edit.figure];
      return withPart(line, edit.part, { ...part, figures });
    }
    case 'mend': {
      const part = { ...line.links[edit.at] };
      delete part.faults;
      return withPart(line, edit.at, part);
    }
    case 'rename':
      return { ...line, name: edit.name };
  }
}
