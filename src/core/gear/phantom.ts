import type { Bench } from './bench';
import type { FigureSpec } from './figures';
import type { SupplyStake } from './stakes';

/** What microphones, boxes and boosters that live on phantom have in common. */

/** The electronics fall out of regulation over about this much. */
const KNEE = 0.5;
/** Filter and coupling capacitors, large enough not to show below 20 Hz. */
const LARGE = 100e-6;

/** What a part in the middle of a line needs at its pins, and the most it stands, in volts. */
export const pinFigures = (needs: number, stops: number): Record<'needs' | 'stops' | 'stands', FigureSpec> => {
  const volts = (label: string, min: number, max: number, value: number): FigureSpec => ({
    label,
    unit: 'V',
    min,
    max,
    typical: { value, basis: 'common practice' },
  });
  return {
    needs: volts('Voltage at its pins it is specified from', 3, 52, needs),
    stops: volts('Voltage at its pins below which it falls silent', 1, 52, stops),
    stands: volts('Most voltage at its pins', 12, 60, 52),
  };
};

/** States that a part lives on phantom at pins 2 and 3 of its plug, with its figures `needs`, `stops`, `stands`. */
export function stakePhantom(bench: Bench, what: string, battery = false): void {
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
    needs: bench.limit('needs'),
    stops: bench.limit('stops'),
    stands: bench.limit('stands'),
    battery,
  });
}

/**
 * Electronics between two equal pick-off resistors (ohms) and an output that drives both pins through capacitors.
 * @param drive puts one leg's signal source between a node and pin 1; the shares of both legs add up to 1 open,
 *   the loading by the pick-off resistors already made up for
 */
export function buildElectronics(
  bench: Bench,
  pickOff: number,
  drive: (pin: '2' | '3', node: string, share: number) => void,
): void {
  const half = bench.value('outputResistance') / 2;
  bench.resistor('leg2', bench.out('2'), bench.node('supply'), pickOff);
  bench.resistor('leg3', bench.out('3'), bench.node('supply'), pickOff);
  bench.load('electronics', bench.node('supply'), bench.out('1'), bench.value('current'), KNEE);
  bench.capacitor('filter', bench.node('supply'), bench.out('1'), LARGE);
  const share = 0.5 * (1 + half / pickOff);
  for (const [pin, sign] of [
    ['2', 1],
    ['3', -1],
  ] as const) {
    drive(pin, bench.node(`drive${pin}`), sign * share);
    bench.resistor(`series${pin}`, bench.node(`drive${pin}`), bench.node(`coupled${pin}`), half);
    bench.capacitor(`coupling${pin}`, bench.node(`coupled${pin}`), bench.out(pin), LARGE);
  }
}
