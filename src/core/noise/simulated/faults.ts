import type { Dbu, Hertz, Ohms } from '../../units';

/** Faults that the simulated interface can be given, by what they sound like at an inlet (invented levels). */
export interface SimulatedFault {
  label: string;
  /** Levels at the inlet, RMS: they rise with the gain. @param mains frequency of the mains */
  tones(mains: Hertz): { hz: Hertz; level: Dbu }[];
  /** The inlet's gain is turned up to its end. */
  fullGain?: true;
  /** A gate shuts between the sounds of a room that is not quiet. */
  gate?: true;
  talk?: true;
  muted?: true;
  /** Contacts in the shield that are not clean: it is heard as far as mains currents run over them. */
  contact?: Ohms;
}

const comb = (mains: Hertz, orders: readonly number[], level: Dbu, fall: number) =>
  orders.map((order) => ({ hz: mains * order, level: level - fall * Math.log2(order) }));
const odd = Array.from({ length: 6 }, (_, n) => 2 * n + 1);
const even = Array.from({ length: 20 }, (_, n) => 2 * n + 2);

export const SIMULATED_FAULTS = {
  transformer: {
    label: 'a transformer beside the cable',
    tones: (mains) => comb(mains, odd, -84, 9),
  },
  'ground-loop': {
    label: 'a ground loop',
    tones: (mains) => [{ hz: mains, level: -100 }, ...comb(mains, even, -84, 3)],
  },
  'bus-power': {
    label: 'bus power of a computer',
    tones: () => [
      { hz: 1000, level: -92 },
      { hz: 2000, level: -97 },
      { hz: 3000, level: -101 },
      { hz: 8000, level: -96 },
    ],
  },
  charger: {
    label: 'a charger on the audio strip',
    tones: () => [
      { hz: 4310, level: -93 },
      { hz: 8620, level: -98 },
      { hz: 12_930, level: -103 },
    ],
  },
  'tarnished-jack': { label: 'a tarnished jack', tones: () => [], contact: 2 },
  'full-gain': { label: 'far too much gain', tones: () => [], fullGain: true },
  gate: { label: 'a gate left on', tones: () => [], gate: true },
  talk: { label: 'somebody talking', tones: () => [], talk: true },
  muted: { label: 'the inlet muted', tones: () => [], muted: true },
} as const satisfies Record<string, SimulatedFault>;

export type FaultName = keyof typeof SIMULATED_FAULTS;
export const FAULT_NAMES = Object.keys(SIMULATED_FAULTS) as FaultName[];

/** What faults put into the shield of a line, besides what it has. */
export const contactOf = (faults: readonly FaultName[]): Ohms =>
  faults.reduce((sum, name) => sum + ((SIMULATED_FAULTS[name] as SimulatedFault).contact ?? 0), 0);
