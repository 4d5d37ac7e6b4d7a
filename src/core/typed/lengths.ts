import { linkKind, figureOf, isCable, reader, type ConnectorId, type Part } from '../gear';
import { countOf, partOf, type KitItem } from '../kit/item';
import type { Candidate } from './match';
import type { Metres } from '../units';
import { FOOT } from '../units/format';

/** Feet in metres, to the centimetre. */
export const ofFeet = (feet: number): Metres => Number((feet * FOOT).toFixed(2));
const LENGTH = /(\d+(?:[.,]\d+)?)\s*(m|metres?|meters?|ft|feet|foot|′|')(?![a-z])/i;

/** A length in what was typed, and what stands beside it. */
export function lengthIn(text: string): { metres: Metres; rest: string } | undefined {
  const found = LENGTH.exec(text);
  if (!found) return undefined;
  const value = Number(found[1].replace(',', '.'));
  const metres = /^m/i.test(found[2]) ? value : ofFeet(value);
  return { metres, rest: text.replace(found[0], ' ').replaceAll(/\s+/g, ' ').trim() };
}

const connectors = linkKind('cable').choices.connector.options.map(({ value }) => value);

/** A cable of a length with the plug that is needed: the kit's where it has one, else one of the catalogue. */
export function cableOf(kit: readonly KitItem[], metres: Metres | undefined, plug: ConnectorId): Part {
  const connector = connectors.includes(plug) ? plug : 'xlr3';
  const kind = linkKind('cable');
  const own = kit.find(
    (item) =>
      item.role === 'link' &&
      isCable(item.part) &&
      !item.part.faults?.length &&
      countOf(item) > 0 &&
      metres !== undefined &&
      figureOf(kind, item.part, 'length')?.value === metres &&
      reader(kind, item.part).choice('connector') === connector,
  );
  if (own?.role === 'link') return partOf(own);
  return {
    kind: 'cable',
    ...(connector !== 'xlr3' && { choices: { connector } }),
    ...(metres !== undefined && {
      name: `cable ${metres} m`,
      figures: { length: { value: metres, unit: 'm', basis: 'measured' } },
    }),
  };
}

/** Whether words say that it is a cable, and no more. */
export const isCableWord = (words: string): boolean =>
  /^(?:xlr|cable|lead|mic(?:rophone)? cable|cord)?s?$/i.test(words.trim());

/** A part of the catalogue that has a length, as long as was said. */
export function lengthened({ part, owned }: Candidate, words: string, metres: number | undefined): Part {
  // A number behind the words is what it is called by: `patch 12`.
  const named = !owned && /\d\s*$/.test(words) ? { ...part, name: words } : part;
  return withLength(named, metres);
}

function withLength(part: Part, metres: number | undefined): Part {
  if (metres === undefined || !('length' in linkKind(part.kind).figures)) return structuredClone(part);
  return { ...part, figures: { ...part.figures, length: { value: metres, unit: 'm', basis: 'measured' } } };
}
