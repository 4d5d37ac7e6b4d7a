import { ofFeet } from '../../typed';
import type { Metres } from '../../units';
import { decimal } from '../csv';

const YES = /^(?:x|y|yes|yep|on|✓|✔|☑|☒|●|true|1|oui|ja|\+?\s*48\s*v?(?:olts?)?|p\s?48|phantom|ph|\+)$/i;
const NO = /^(?:n|no|off|-+|–|—|0|false|none|never|do not|n\/a|nein|non|0\s*v)$/i;

/** What a list says of the 48 V of a line. */
export type FeedWanted = 'on' | 'off';

/** A cell about 48 V; undefined for an empty one and for what nobody understands. */
export function feedIn(cell: string): FeedWanted | undefined {
  const text = cell.trim().replace(/[!.]+$/, '');
  if (YES.test(text)) return 'on';
  return NO.test(text) ? 'off' : undefined;
}

const FED = /(?:^|[\s,;(+/])(?:\+\s?48\s?v?|48\s?v(?:olts?)?|p48|phantom(?: power)?)(?=$|[\s,;)!.])/i;

/** 48 V that is spoken of among other words, and the words without it. */
export function withoutFeed(text: string): { rest: string; feed?: FeedWanted } {
  const found = FED.exec(text);
  if (!found) return { rest: text };
  const before = text.slice(0, found.index);
  const off = /\b(?:no|not|never|without)$/i.exec(before.trim());
  const rest = `${off ? before.trim().slice(0, off.index) : before} ${text.slice(found.index + found[0].length)}`;
  return { rest: tidy(rest), feed: off ? 'off' : 'on' };
}

/** Without brackets and dashes that nothing stands in any more. */
export const tidy = (text: string): string =>
  text
    .replaceAll(/\(\s*\)/g, ' ')
    .replaceAll(/\s+/g, ' ')
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
    .replace(/^(?:inputs?|channels?|ch|chan|in|inlets?|tracks?|trk|no|nr|#)[\s.:#]*/i, '')
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
  const found = /^(\d+(?:[.,]\d+)?)\s*(m|mtr|metres?|meters?|ft|feet|foot|′|'|”)?\.?$/i.exec(cell.trim());
  if (!found) return undefined;
  const value = decimal(found[1]);
  const feet = /^(?:f|′|'|”)/i.test(found[2] ?? '') || (!found[2] && /\b(?:ft|feet|foot)\b|['′]/i.test(heading));
  return feet ? ofFeet(value) : value;
}

/** A row that keeps a channel free on purpose. */
export const isSpare = (text: string): boolean =>
  /^(?:spare|empty|free|unused|not used|n\.?c\.?|tbd|open|-+|–|—)$/i.test(text.trim());
