import type { Bench } from './bench';
import type { Contact } from './connectors';
import type { FigureSpec } from './figures';
import { FEEDS } from '../standards/feeds';
import type { Limit, Rail, SupplyStake } from './stakes';

/** What microphones, boxes and boosters that live on phantom have in common. */

/** The electronics fall out of regulation over about this much. */
const KNEE = 0.5;
/** Coupling capacitors of an output (common practice: 10 to 47 µF). */
const LARGE = 47e-6;
/** What filters the inner rail (common practice). */
const FILTER = 47e-6;
/** Electronics stop working somewhere above half of what they need (common practice). */
const STOPS = 0.55;

/** What a part in the middle of a line needs at its pins, and the most it stands, in volts. */
export const pinFigures = (
  needs: number,
  stops: number,
): Record<'needs' | 'stops' | 'stands' | 'reverse', FigureSpec> => {
  const volts = (label: string, min: number, max: number, value: number, help?: string): FigureSpec => ({
    label,
    unit: 'V',
    min,
    max,
    typical: { value, basis: 'common practice' },
    help,
  });
  return {
    needs: volts(
      'Minimum supply voltage at the pins',
      1,
      70,
      needs,
      'Measured while it works, not the unloaded 48 V. What works on a standard 48 V feed never needs more than that leaves at its current.',
    ),
    stops: volts('Stops working below', 1, 70, stops),
    stands: volts('Maximum supply voltage at the pins', 1, 70, 52),
    reverse: reverseFigure(1),
  };
};

/** What electronics take the wrong way round. */
export const reverseFigure = (value: number): FigureSpec => ({
  label: 'Maximum reverse voltage',
  unit: 'V',
  min: 0,
  max: 100,
  typical: { value, basis: 'assumed' },
  help: 'A semiconductor takes a volt or less the wrong way round.',
});

/**
 * Least voltage that a standard 48 V feed leaves at both pins under a current (IEC 61938, from memory). The standard
 * promises nothing beyond its own limit: what takes more is held against what is left at that limit.
 */
const leftByP48 = (amps: number): number => {
  const { volts, tolerance, ohms, limit } = FEEDS.P48;
  return volts - tolerance - (ohms / 2) * Math.min(amps, limit! / 1e3);
};

/** What it needs and where it stops: never more than a standard 48 V feed leaves at its current. */
function needsOf(bench: Bench, amps: number): { needs: Limit; stops: Limit } {
  const [needs, stops] = [bench.limit('needs'), bench.limit('stops')];
  const standard = Math.max(leftByP48(amps), 1);
  if (needs.value <= standard) return { needs, stops };
  return {
    needs: {
      ...needs,
      label: `Left by a standard 48 V feed at its current`,
      value: standard,
      basis: 'from memory',
      where: FEEDS.P48.source,
    },
    stops: { ...stops, value: Math.min(stops.value, STOPS * standard) },
  };
}

/** States that a part lives on phantom at pins 2 and 3 of its plug, with its figures `needs`, `stops`, `stands`, `reverse`. */
export function stakePhantom(
  bench: Bench,
  what: string,
  { battery = false, rail, amps = 0 }: { battery?: boolean; rail?: Rail; amps?: number } = {},
): void {
  const between: SupplyStake['between'] = [
    [bench.out('2'), bench.out('1')],
    [bench.out('3'), bench.out('1')],
  ];
  bench.stake({
    type: 'supply',
    what,
    wants: 'phantom',
    contacts: 'pins 2 and 3',
    between,
    rail,
    ...needsOf(bench, amps),
    stands: bench.limit('stands'),
    reverse: bench.limit('reverse'),
    battery,
  });
}

/** Where electronics hang: two pins and what their elements are called. */
interface Hung {
  pins?: readonly [Contact, Contact];
  prefix?: string;
}

/**
 * Electronics between two equal pick-off resistors (ohms) and an output that drives both pins through capacitors.
 * @param drive puts one leg's signal source between a node and pin 1; the shares of both legs add up to 1 open,
 *   the loading by the pick-off resistors already made up for
 * @returns the rail they live on
 */
export function buildElectronics(
  bench: Bench,
  pickOff: number,
  drive: (leg: string, node: string, share: number) => void,
  { pins = ['2', '3'], prefix = '' }: Hung = {},
): Rail {
  const half = bench.value('outputResistance') / 2;
  const amps = bench.value('current');
  const supply = bench.node(`${prefix}supply`);
  const { stops } = needsOf(bench, amps);
  const share = 0.5 * (1 + half / pickOff);
  const load = `${prefix}electronics`;
  bench.load(load, supply, bench.out('1'), amps, KNEE, Math.max(stops.value - (amps * pickOff) / 2, 2 * KNEE));
  bench.capacitor(`${prefix}filter`, supply, bench.out('1'), FILTER);
  const legs = pins.map((pin, n) => {
    const leg = `${prefix}leg${pin}`;
    const [driven, coupled] = [bench.node(`${prefix}drive${pin}`), bench.node(`${prefix}coupled${pin}`)];
    bench.resistor(leg, bench.out(pin), supply, pickOff);
    // While a feed comes and goes the output stage has no power yet, or none any more: it drives nothing.
    if (bench.wiring.moving) return bench.element(leg);
    drive(`${prefix}${pin}`, driven, n === 0 ? share : -share);
    bench.resistor(`${prefix}series${pin}`, driven, coupled, half);
    bench.capacitor(`${prefix}coupling${pin}`, coupled, bench.out(pin), LARGE);
    return bench.element(leg);
  });
  return { between: [supply, bench.out('1')], legs, pickOff, load: { element: bench.element(load), amps } };
}

/** Shares of the feed resistors' load that a sine at the output can take: both legs' current, each into its own half. */
const SWING = 0.5;

/**
 * The most that electronics fed over the line can put out: as stated, else what their current drives into the load they
 * are meant for (a class A stage, each leg half of the current; common practice).
 * @param ohms load between the legs
 */
export function greatestOutput(bench: Bench, what: string, ohms = 2000): void {
  const stated = bench.has('maxOutput');
  const amps = bench.value('current');
  // Each leg swings its half of the current into a feed resistor beside half of the load.
  const leg = 1 / (1 / FEEDS.P48.ohms + 2 / ohms);
  const volts = stated ? Math.SQRT2 * Math.sqrt(0.6) * 10 ** (bench.value('maxOutput') / 20) : 2 * SWING * amps * leg;
  bench.stake({
    type: 'greatest output',
    what,
    between: [bench.out('2'), bench.out('3')],
    volts,
    because: stated ? 'as its sheet says' : `its ${(amps * 1e3).toFixed(1)} mA drive no more into ${ohms / 1000} kΩ`,
    ...(stated
      ? { basis: bench.limit('maxOutput').basis, where: bench.limit('maxOutput').where }
      : { basis: 'common practice' as const }),
  });
}

/** Greatest output as a sheet states it; left open it follows from the current. */
export const maxOutputFigure: FigureSpec = {
  label: 'Maximum output level',
  unit: 'dBu',
  min: -40,
  max: 40,
  help: 'Leave blank to take it from its supply current.',
};
