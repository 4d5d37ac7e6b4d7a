import { magnitude } from '@/core/circuit';
import { CONTACT, CONVERSION, ohmsPerMetre, OWN_LEAD, PIN_ONE } from '@/core/mains/figures';
import { chassisOf } from '@/core/mains/network';
import { solveMains } from '@/core/mains/solve';
import type { MainsOutlet, MainsSystem, MainsUnit } from '@/core/mains/system';
import type { Hearing, Tie } from '@/core/mains/ties';

/** Small mains sides for tests: units, strips and what joins them, with nothing but what is said. */

export const unit = (id: string, more: Partial<MainsUnit> = {}): MainsUnit => ({
  id,
  name: id,
  kind: 'audio device',
  plug: 'three-pin',
  leaks: [{ from: 'live', farads: 4.7e-9 }],
  leg: 1,
  amps: 0,
  assumed: false,
  rectified: false,
  whines: [],
  own: OWN_LEAD,
  ...more,
});
export const twoPin = (id: string): MainsUnit =>
  unit(id, {
    plug: 'two-pin',
    leaks: [
      { from: 'live', farads: 2.2e-9 },
      { from: 'neutral', farads: 2.2e-9 },
    ],
  });
export const lead = 1.5 * ohmsPerMetre(1) + CONTACT;
export const strip = (name: string, from?: string, more: Partial<MainsOutlet> = {}): MainsOutlet => ({
  name,
  ...(from && { from }),
  length: 1.5,
  lead,
  longest: lead,
  ohms: lead,
  ...more,
});
export const hears = (how: Hearing['how']): Hearing => ({
  line: 'line',
  name: 'line',
  how,
  unbalanced: how === 'unbalanced' ? 1 : 0,
  ratio: 1,
  conversion: CONVERSION,
  pinOne: PIN_ONE,
  toDbfs: 0,
});
export const tie = (a: string, b: string, ohms: number | undefined, how?: Hearing['how']): Tie => ({
  id: `${a} ${b}`,
  name: `${a} ${b}`,
  between: [a, b],
  ...(ohms !== undefined && { ohms }),
  ...(how && { hears: hears(how) }),
});
export const job = (more: Partial<MainsSystem>): MainsSystem => ({
  volts: 230,
  hertz: 50,
  bonded: true,
  balanced: false,
  units: [],
  outlets: [],
  ties: [],
  ...more,
});

/** Volts at the fundamental: of each chassis over the earth of the supply, and along a tie. */
export const fundamental = (system: MainsSystem) => {
  const [{ between }] = solveMains(system);
  return {
    chassis: system.units.map(({ id }) => magnitude(between(chassisOf(id)).total)),
    ties: system.ties.map(({ between: [a, b] }) => magnitude(between(chassisOf(a), chassisOf(b)).total)),
  };
};
