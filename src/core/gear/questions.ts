import { kindAt } from './catalogue';
import { UNKNOWN, type ChoiceSpec } from './figures';
import { partAt, type Line, type Part, type PartRef, type PathLink } from './part';

/** A choice of a part that stands at `unknown`. */
export interface Question {
  part: PartRef;
  choice: string;
  spec: ChoiceSpec & { question: NonNullable<ChoiceSpec['question']> };
}

/** The open questions of a line. */
export function questions(line: Line): Question[] {
  const parts: PartRef[] = ['source', ...line.links.keys(), 'inlet'];
  return parts.flatMap((part) => {
    const { kind, choices } = partAt(line, part);
    return Object.entries(kindAt(part, kind).choices).flatMap(([choice, spec]) =>
      spec.question && (choices?.[choice] ?? spec.standard) === UNKNOWN
        ? [{ part, choice, spec: spec as Question['spec'] }]
        : [],
    );
  });
}

/** The line with a part's choice made. */
export function choose(line: Line, ref: PartRef, choice: string, value: string): Line {
  const part: Part = { ...partAt(line, ref), choices: { ...partAt(line, ref).choices, [choice]: value } };
  return withPart(line, ref, part);
}

/** The line with one part in another's place. */
export const withPart = (line: Line, ref: PartRef, part: Part): Line =>
  typeof ref === 'number'
    ? { ...line, links: line.links.with(ref, keepPlace(line.links[ref], part)) }
    : { ...line, [ref]: part };

/** A link in another's place keeps the sockets by which the line enters and leaves, and what others call it by. */
const keepPlace = ({ id, entry, exit }: PathLink, part: Part): PathLink => ({
  ...part,
  ...(id && { id }),
  ...(entry && { entry }),
  ...(exit && { exit }),
});

/** The line with every open question answered as the drawing assumes. */
export const asDrawn = (line: Line): Line =>
  questions(line).reduce((drawn, { part, choice, spec }) => choose(drawn, part, choice, spec.question.drawnAs), line);
