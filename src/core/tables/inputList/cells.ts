import { ofFeet } from '../../typed';
import type { Metres } from '../../units';
import { decimal } from '../csv';

const YES = /^(?:x|y|yes|yep|on|✓|✔|☑|☒|●|true|1|oui|ja|\+?\s*48\s*v?(?:olts?)?|p\s?48|phantom|ph|\+)$/i;
const NO =
  /^(?:n|no|nope|off|-+|–|—|✗|✘|0|false|none|never|w\/o|without|do not|not needed|not required|n\/a|nein|non|0\s*v)$/i;

/** What a list says of the 48 V of a line. */
export type FeedWanted = 'on' | 'off';

/** A cell about 48 V; undefined for an empty one and for what nobody understands. */
export function feedIn(cell: string): FeedWanted | undefined {
  const text = cell.trim().replace(/[!.]+$/, '');
  if (YES.test(text)) return 'on';
  return NO.test(text) ? 'off' : undefined;
}

const FED = /(?:^|[\s,;(+/])(?:\+\s?48\s?v?|48\s?v(?:olts?)?|p48|phantom(?: power)?)(?=$|[\s,;:=)(!?.])/i;
/** What is said before or behind it: that it is not wanted, that it is, that it depends. */
const REFUSED_BEFORE =
  /(?:^|[\s,;:(])(?:no|not|never|without|w\/o|don['’]?t|kill|(?:turn|switch|keep)(?:ed)? off|zero|ohne|keine?|sans)(?:\s+(?:need|needed|for|of|use|any|the|to|apply|give|turn|on|it|get|take|want)s?)*\s*$/i;
const REFUSED_BEHIND =
  /^[\s:=(–—-]*(?:(?:must|should|to|is|be|stays?|kept|switched|turned|always|please)\s+)*(?:off|none|no|not|never|unnecessary|n\/a)(?![\w’']|\s+(?:problem|worries))(?:\s+(?:be|needed|required|necessary|used|wanted|on))*[)!.]*/i;
const GIVEN_BEHIND = /^[\s:=(–—-]*(?:on|yes|required|needed)(?![\w’'])[)!.]*/i;
const OPEN_BEFORE = /(?:^|\s)(?:before|after|until|if|maybe|when|while|unless|optional)\s*$/i;
const OPEN_BEHIND = /^[\s:=(–—-]*(?:\?|optional|if|maybe|when|unless|tbc|tbd)/i;

/**
 * 48 V that is spoken of among other words, and the words without it. What says that there must be none never counts as
 * asking for it, and what only might ask is left to whoever reads it.
 */
export function withoutFeed(text: string): { rest: string; feed?: FeedWanted } {
  const found = FED.exec(text);
  if (!found) return { rest: text };
  const before = text.slice(0, found.index);
  const behind = text.slice(found.index + found[0].length);
  if (OPEN_BEFORE.test(before) || OPEN_BEHIND.test(behind)) return { rest: text };
  const given = GIVEN_BEHIND.exec(behind);
  const refusedBefore = REFUSED_BEFORE.exec(before);
  const refusedBehind = given ? undefined : REFUSED_BEHIND.exec(behind);
  const left = refusedBefore ? before.slice(0, refusedBefore.index) : before;
  const rest = `${left} ${behind.slice((given ?? refusedBehind)?.[0].length ?? 0)}`;
  const feed = refusedBefore || refusedBehind ? 'off' : 'on';
  // "48V on the condenser, no phantom on the ribbon": which of them the line is, only a reader can tell.
  const further = withoutFeed(rest);
  if (further.rest !== rest && further.feed !== feed) return { rest: text };
  return { rest: tidy(withoutLoneBrackets(rest)), feed };
}

/** Without brackets that have lost the other one. */
function withoutLoneBrackets(text: string): string {
  const open: number[] = [];
  const lone = new Set<number>();
  for (const [at, letter] of [...text].entries()) {
    if (letter === '(') open.push(at);
    if (letter === ')' && open.pop() === undefined) lone.add(at);
  }
  for (const at of open) lone.add(at);
  return [...text].filter((_, at) => !lone.has(at)).join('');
}

/** Without brackets and dashes that nothing stands in any more. */
export const tidy = (text: string): string =>
  text
    .replaceAll(/\(\s*\)/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .replaceAll(/ (?=[,;])/g, '')
    .replace(/^[\s,;:.–—-]+|[\s,;:–—-]+$/g, '');

const MONTHS = ['jan', 'feb', 'mar', 'apr', 'may', 'jun', 'jul', 'aug', 'sep', 'oct', 'nov', 'dec'];
/** "1-2" as a spreadsheet mistakes it for a day. */
const DAY =
  /^(\d{1,2})[-\s]?(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?$|^(jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec)[a-z]*\.?[-\s]?(\d{1,2})$/i;

/** A cell with a channel number or several: "1", "Ch 1-2", "3/4", "5 & 6"; undefined where it is none. */
export function numbersIn(cell: string): number[] | undefined {
  const date = /^\d{4}-(\d\d)-(\d\d)$/.exec(cell.trim());
  if (date) return [Number(date[1]), Number(date[2])].sort((a, b) => a - b);
  const day = DAY.exec(cell.trim());
  if (day) {
    const month = MONTHS.indexOf((day[2] ?? day[3]).toLowerCase()) + 1;
    const other = Number(day[1] ?? day[4]);
    return [Math.min(month, other), Math.max(month, other)];
  }
  const text = cell
    .trim()
    .replace(/^(?:inputs?|inlets?|in|channels?|chan|ch|tracks?|trk|number|no|nr|#)[\s.:#]*/i, '')
    .replace(/[.):]$/, '')
    .trim();
  const found = /^(\d{1,3})(?:\.0+)?(?:\s*(-|–|—|\/|&|\+|,|and|to)\s*(\d{1,3}))?$/i.exec(text);
  if (!found) return undefined;
  const from = Number(found[1]);
  if (found[3] === undefined) return [from];
  const to = Number(found[3]);
  if (to <= from || to - from > 31) return undefined;
  return /[-–—]|to/i.test(found[2]) ? Array.from({ length: to - from + 1 }, (_, n) => from + n) : [from, to];
}

/** A length of cable in metres; a bare number is in the unit of its heading, or metres. */
export function metresIn(cell: string, heading: string): Metres | undefined {
  const found =
    /^(?:~|ca\.?|about|approx\.?)?\s*(\d+(?:[.,]\d+)?)\s*(mtr|metres?|meters?|m|ft|feet|foot|′|'|’)?\.?(?:\s+(?:xlr|cable|lead))*$/i.exec(
      cell.trim(),
    );
  if (!found) return undefined;
  const value = decimal(found[1]);
  const feet = /^(?:f|′|'|’)/i.test(found[2] ?? '') || (!found[2] && /\b(?:ft|feet|foot)\b|['′’]/i.test(heading));
  return feet ? ofFeet(value) : value;
}

/** A row that keeps a channel free on purpose. */
export const isSpare = (text: string): boolean =>
  /^\(?(?:spare|empty|blank|free|vacant|unused|not used|n\.?c\.?|n\/a|tb[acd]|open|reserved?|-+|–|—)(?:\s*#?\d{1,3})?[?!.]?\)?$/i.test(
    text.trim(),
  );
