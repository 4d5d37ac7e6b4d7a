import type { Known, SheetState } from './state';
import { feeding } from './state';
import type { SheetGroup } from './rig';
import type { Volts } from '../units';

/** What is left on the lines of a switch, by computation; unknown where nobody knows what it is set to or since when. */
export function residual(state: SheetState, group: SheetGroup): Known<Volts> | 'live' {
  const { key, charge } = group;
  const { feed, since } = state.feeds[key];
  if (since === 'unknown' || (feed === 'unknown' && feeding(state, group))) return 'unknown';
  if (feeding(state, group)) return 'live';
  const passed = state.now - since;
  const later = charge.findIndex(({ at }) => at >= passed);
  if (later < 0) return charge.at(-1)?.volts ?? 0;
  if (later === 0) return charge[0].volts;
  const [a, b] = [charge[later - 1], charge[later]];
  return a.volts + ((b.volts - a.volts) * (passed - a.at)) / (b.at - a.at);
}
