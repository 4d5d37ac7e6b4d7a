import { linkKind, sourceKind } from '../gear';
import type { KitItem } from '../kit/item';
import type { RigDocument } from '../rig/document';
import { freeInlets } from '../rig/rigEdits';
import { candidatesOf, matches, tokensOf, type Candidate } from './match';

/** How what is being typed may go on. */
export interface Completion {
  /** All of the text with it. */
  text: string;
  label: string;
  /** What it is, for whoever chooses. */
  what: string;
}

const MOST = 8;
/** Where lines end, and where one thing leads to the next. */
const CUT = /[\n;]|->|→|>/g;

const summaryOf = ({ part, owned }: Candidate, role: 'source' | 'link'): string => {
  const { label } = role === 'source' ? sourceKind(part.kind) : linkKind(part.kind);
  return owned ? `your kit · ${label}` : 'catalogue';
};

/** What the last words of a text may become: a source at the beginning, links and devices behind. */
export function completions(document: RigDocument, kit: readonly KitItem[], text: string): Completion[] {
  const cuts = [...text.matchAll(CUT)];
  const cut = cuts.at(-1);
  const before = text.slice(0, cut ? cut.index + cut[0].length : 0);
  const first = !cut || /[\n;]/.test(cut[0]);
  const rest = text.slice(before.length);
  const counted = first ? (/^\s*\d{1,2}\s*(?:x|×|\*)\s+/i.exec(rest)?.[0] ?? '') : '';
  const words = rest.slice(counted.length).trim();
  if (words === '' || words.includes('"')) return [];
  const stem = `${before}${before === '' || before.endsWith('\n') ? '' : ' '}${counted}`;
  const role = first ? 'source' : 'link';
  const parts = matches(words, candidatesOf(role, kit, document)).map(({ candidate }): Completion => ({
    text: `${stem}${candidate.label}`,
    label: candidate.label,
    what: summaryOf(candidate, role),
  }));
  const devices = first ? [] : devicesFor(document, words, stem);
  return [...devices, ...parts].filter(({ label }) => label.toLowerCase() !== words.toLowerCase()).slice(0, MOST);
}

function devicesFor(document: RigDocument, words: string, stem: string): Completion[] {
  const typed = tokensOf(words);
  return document.devices.flatMap((device): Completion[] => {
    const tokens = tokensOf(device.name);
    if (!typed.every((word) => tokens.some((token) => token.startsWith(word)))) return [];
    const free = freeInlets(document).find(({ to }) => to.device === device.id);
    if (!free) return [];
    const label = `${device.name} ${free.to.inlet}`;
    return [{ text: `${stem}${label}`, label, what: 'the first free inlet' }];
  });
}
