import type { Known, SheetState } from './state';
import { live } from './state';
import type { SheetGroup } from './rig';
import type { Volts } from '../../units';

/** What is left on the lines of a switch, by computation; unknown where nobody knows what it is set to or since when. */
export function residual(state: SheetState, { key, charge }: SheetGroup): Known<Volts> | 'live' {
  const { feed, since } = state.feeds[key];
  if (feed === 'unknown' || since === 'unknown') return 'unknown';
  if (live(state, key)) return 'live';
  const passed = state.now - since;
  const later = charge.findIndex(({ at }) => at >= passed);
  if (later < 0) return charge.at(-1)?.volts ?? 0;
  if (later === 0) return charge[0].volts;
  const [a, b] = [charge[later - 1], charge[later]];
  return a.volts + ((b.volts - a.volts) * (passed - a.at)) / (b.at - a.at);
}
