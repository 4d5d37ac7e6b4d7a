import type { Proposal } from '@/core/plan';
import { plural } from '@/core/units';

/** What the goals of a plan are called on the screen; a number nobody can use is not shown, nor what is tidied after the search. */
const WORDS: Record<string, (count: number) => string> = {
  'lines left out': (n) => `${plural(n, 'line')} without a place`,
  'wishes given up': (n) => `${plural(n, 'wish', 'wishes')} given up`,
  'things to get': (n) => `${n} to get`,
  'pairs taken apart': (n) => `${plural(n, 'pair')} taken apart`,
  'Clear lines touched, or lines sent elsewhere': (n) =>
    `${plural(n, 'line')} moved that ${n === 1 ? 'was' : 'were'} Clear, or moved to another place`,
  'lines to watch': (n) => `${plural(n, 'line')} at Watch`,
  'last ones taken': (n) => `${n} last ${n === 1 ? 'one' : 'ones'} taken from the case`,
  changes: (n) => `${plural(n, 'change')} at plugs and links`,
};

/** A goal of a plan in words, with what is reached and how few are proven to be needed; nothing for those that are not shown. */
export function goalText({ name, value, bound }: Proposal['reached'][number]): string | undefined {
  const words = WORDS[name];
  return words && `${words(value)}${value > bound && bound > 0 ? ` (${bound} at least)` : ''}`;
}
