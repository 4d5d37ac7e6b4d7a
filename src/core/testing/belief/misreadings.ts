import type { Instrument } from '../instruments';
import type { Repair } from '../hypotheses/priors';

/** How much what is assumed of an instrument counts against what was found out: as much as so many looks (assumed). */
const ASSUMED_COUNTS_AS = 50;

/** Of the looks before repairs that helped: how many there were with each instrument, and how many said something else. */
export function misreadings(repairs: readonly Repair[]): ReadonlyMap<string, { looks: number; wrong: number }> {
  const found = new Map<string, { looks: number; wrong: number }>();
  for (const { looks = [] } of repairs)
    for (const { instrument, fits } of looks) {
      const known = found.get(instrument) ?? { looks: 0, wrong: 0 };
      found.set(instrument, { looks: known.looks + 1, wrong: known.wrong + Number(!fits) });
    }
  return found;
}

/** How often an instrument is misread, by what is assumed and by what was found out since (mean of a beta distribution). */
export function rateOf({ name, errs }: Instrument, found: ReturnType<typeof misreadings>): number {
  const { looks, wrong } = found.get(name) ?? { looks: 0, wrong: 0 };
  return (ASSUMED_COUNTS_AS * errs + wrong) / (ASSUMED_COUNTS_AS + looks);
}
