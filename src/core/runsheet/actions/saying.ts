import { feedLabel, type FeedName } from '../../standards/feeds';
import { harming } from '../invariants';
import { groupOf, lineOf, type SheetLine, type SheetRig } from '../rig';
import type { SheetState } from '../state';
import type { Likely } from './rules';

/** Words that several actions have in common. */

export const HEARING = 'Loud thump possible. Headphones off for everyone on these inlets.';

export const hasLine = (rig: SheetRig, id: string): boolean => rig.lines.some((line) => line.id === id);

export const names = (rig: SheetRig, lines: readonly string[]): string =>
  lines.map((id) => lineOf(rig, id).name).join(', ');

export const list = (items: readonly string[]): string =>
  items.length > 4 ? `${items.slice(0, 3).join(', ')} and ${items.length - 3} more` : items.join(', ');

/** Switches that are known to harm a line as it stands. */
export const harmingLine = (rig: SheetRig, state: SheetState, line: SheetLine): string[] =>
  line.groups.filter((key) => harming(rig, state, key).includes(line));

/** What a switch is set to, in words. */
export const setting = (feed: FeedName): string => (feed === 'off' ? 'off' : `at ${feedLabel(feed)}`);

/** Every setting that a switch may have been found at. */
export const settingsOf = (rig: SheetRig, { feeds }: SheetState, key: string): Likely[] => {
  const { name, offers } = groupOf(rig, key);
  return (['off', ...offers] as const)
    .filter((feed) => feed !== feeds[key].feed)
    .map((feed) => ({
      text: `${name} is already ${setting(feed)}`,
      what: { feed: key, is: feed },
    }));
};
