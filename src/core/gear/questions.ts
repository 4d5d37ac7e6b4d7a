import { kindAt } from './catalogue';
import { UNKNOWN, type ChoiceSpec } from './figures';
import { partAt, type Grounding, type Line, type Part, type PartRef, type PathLink } from './part';
import { groundQuestion } from './shared';

/** A choice of a part that stands at `unknown`. */
export interface Question {
  part: PartRef;
  choice: string;
  spec: ChoiceSpec & { question: NonNullable<ChoiceSpec['question']> };
}

/** By this choice of its inlet a line is asked how the device's ground stands: it belongs to the device, not to the inlet. */
const DEVICE_GROUND = 'ground';

const deviceGround: Question = {
  part: 'inlet',
  choice: DEVICE_GROUND,
  spec: {
    ...groundQuestion,
    question: { ...groundQuestion.question!, ask: 'Is the inlet’s device on mains earth?' },
  },
};

/** Whether an edit says how the ground of a line's device stands. */
export const saysDeviceGround = ({ part, choice }: { part: PartRef; choice: string }): boolean =>
  part === 'inlet' && choice === DEVICE_GROUND;

/** The open questions of a line, its device's ground last. */
export function questions(line: Line): Question[] {
  const parts: PartRef[] = ['source', ...line.links.keys(), 'inlet'];
  const device = (line.ground ?? UNKNOWN) === UNKNOWN ? [deviceGround] : [];
  const asked = parts.flatMap((part) => {
    const { kind, choices } = partAt(line, part);
    return Object.entries(kindAt(part, kind).choices).flatMap(([choice, spec]) =>
      spec.question && (choices?.[choice] ?? spec.standard) === UNKNOWN
        ? [{ part, choice, spec: spec as Question['spec'] }]
        : [],
    );
  });
  return [...asked, ...device];
}

/** The line with a part's choice made. */
export function choose(line: Line, ref: PartRef, choice: string, value: string): Line {
  if (saysDeviceGround({ part: ref, choice })) return { ...line, ground: value as Grounding };
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
