import { figureOf, kindOfPart, UNKNOWN, type Fact, type Figure, type Part } from '../gear';
import { startsAtLink, withEnds, type RigDocument, type RigLine } from '../rig/document';
import type { KitItem } from './item';

/** What a maker, a manual or a measurement says of one figure or one choice. */
export type Answer = { fact: Fact } & ({ figure: string; value: Figure } | { choice: string; value: string });

/** A part with an answer taken in: what was assumed is a fact now, and says whose. */
export function withAnswer<P extends Part>(part: P, answer: Answer): P {
  const name = 'figure' in answer ? answer.figure : answer.choice;
  return {
    ...part,
    facts: { ...part.facts, [name]: answer.fact },
    ...('figure' in answer
      ? { figures: { ...part.figures, [answer.figure]: answer.value } }
      : { choices: { ...part.choices, [answer.choice]: answer.value } }),
  };
}

/** A document in which every part that is this item of the kit has taken the answer in, and how many there were. */
export function answered(
  document: RigDocument,
  item: string,
  answer: Answer,
): { document: RigDocument; places: number } {
  let places = 0;
  const told = <P extends Part>(part: P): P => {
    if (part.item !== item) return part;
    places++;
    return withAnswer(part, answer);
  };
  const lines = document.lines.map((line): RigLine => {
    const links = line.links.map(told);
    return startsAtLink(line) ? { ...line, links } : withEnds({ ...line, links }, { source: told(line.source) });
  });
  return places ? { document: { ...document, lines }, places } : { document, places };
}

/** Where a document uses an item: names of the lines, each once; a device by its own name. */
export function usesOf({ lines, devices }: RigDocument, item: string): string[] {
  const used = lines.filter(
    (line) => line.links.some((link) => link.item === item) || (!startsAtLink(line) && line.source.item === item),
  );
  return [...used.map(({ name }) => name), ...devices.filter((device) => device.item === item).map(({ name }) => name)];
}

/** What nobody has said of an item yet, and what that leaves open. */
export interface OpenPoint {
  what: string;
  leaves: string;
}

/** Unknown choices and figures that are only assumed, of a source or link. */
export function openPoints(item: KitItem): OpenPoint[] {
  if (item.role === 'device')
    return item.device.ground || item.device.batteries
      ? []
      : [{ what: 'Is its ground on mains earth?', leaves: 'Until you know, an open shield counts as no way back.' }];
  const kind = kindOfPart(item.role, item.part.kind);
  const questions = Object.entries(kind.choices).flatMap(([name, spec]): OpenPoint[] =>
    spec.question && (item.part.choices?.[name] ?? spec.standard) === UNKNOWN
      ? [{ what: spec.question.ask, leaves: 'Until you know, Inlet Check assumes the worst case.' }]
      : [],
  );
  const assumed = Object.entries(kind.figures).flatMap(([name, spec]): OpenPoint[] => {
    const figure = figureOf(kind, item.part, name);
    return figure?.basis === 'assumed'
      ? [
          {
            what: `${spec.label}: ${figure.value} ${figure.unit} (assumed)`,
            leaves: LEAVES[name] ?? 'While this is assumed, the verdict can’t be better than Watch.',
          },
        ]
      : [];
  });
  return [...questions, ...assumed];
}

const LEAVES: Record<string, string> = {
  loudness: 'The gain needed is a guess.',
  lowest: 'Whether the bass survives is a guess.',
  length: 'Cable loss, and how long is too long, are guesses.',
  directCurrent: 'If DC flows, nobody can say whether it does harm.',
};
