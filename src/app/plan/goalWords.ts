import type { Proposal } from '@/core/plan';
import { goalWords as text } from './texts';

/** What the goals of a plan are called on the screen; a number nobody can use is not shown, nor what is tidied after the search. */
const WORDS: Record<string, (count: number) => string> = {
  'lines left out': (n) => text.withoutAPlace(n),
  'wishes given up': (n) => text.givenUp(n),
  'things to get': (n) => text.toGet(n),
  'pairs taken apart': (n) => text.takenApart(n),
  'Clear lines touched, or lines sent elsewhere': (n) => text.movedThatClearOrMoved(n),
  'lines to watch': (n) => text.atWatch(n),
  'last ones taken': (n) => text.lastTakenFromTheCase(n),
  changes: (n) => text.atPlugsAndLinks(n),
};

/** A goal of a plan in words, with what is reached and how few are proven to be needed; nothing for those that are not shown. */
export function goalText({ name, value, bound }: Proposal['reached'][number]): string | undefined {
  const words = WORDS[name];
  return words && `${words(value)}${value > bound && bound > 0 ? text.atLeast(bound) : ''}`;
}
