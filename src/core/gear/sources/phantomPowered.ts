import type { Bench } from '../bench';
import type { FigureSpec } from '../figures';
import { resistance, soundFigures } from '../shared';

/** What differs between the microphones that run on a phantom feed. */
export interface PhantomFigures {
  milliamps: number;
  needs: number;
  stops: number;
  sensitivity: number;
  loudness?: number;
  pickOff?: number;
}

const volts = (label: string, value: number, help?: string): FigureSpec => ({
  label,
  unit: 'V',
  min: 1,
  max: 70,
  typical: { value, basis: 'common practice' },
  help,
});

export const phantomFigures = (f: PhantomFigures): Record<string, FigureSpec> => ({
  current: {
    label: 'Supply current',
    unit: 'mA',
    min: 0.05,
    max: 22,
    typical: { value: f.milliamps, basis: 'common practice' },
  },
  needs: volts(
    'Voltage at the pins it is specified from',
    f.needs,
    'At the microphone, under its own current: not the open voltage of the feed.',
  ),
  stops: volts('Voltage at the pins below which it falls silent', f.stops),
  stands: volts('Most voltage at the pins', 52),
  pickOff: resistance('From each pin to its electronics', f.pickOff ?? 2200),
  outputResistance: resistance('Output resistance', 150),
  ...soundFigures(f.sensitivity, f.loudness ?? 94, 135),
});

/** The electronics fall out of regulation over about this much. */
const KNEE = 0.5;
/** Output coupling capacitors, large enough not to show below 20 Hz. */
const COUPLING = 100e-6;

/**
 * Two equal resistors from pins 2 and 3 feed a constant-current load; the output drives both pins through capacitors.
 * @param runsOnBattery the microphone's own battery is in and on
 */
export function buildPhantomPowered(bench: Bench, runsOnBattery = false): void {
  const [pin1, pin2, pin3] = [bench.out('1'), bench.out('2'), bench.out('3')];
  const half = bench.value('outputResistance') / 2;
  const pickOff = bench.value('pickOff');
  bench.resistor('leg2', pin2, bench.node('supply'), pickOff);
  bench.resistor('leg3', pin3, bench.node('supply'), pickOff);
  bench.load('electronics', bench.node('supply'), pin1, bench.value('current'), KNEE);
  bench.capacitor('filter', bench.node('supply'), pin1, COUPLING);
  // The pick-off resistors load the output; the stated sensitivity already has that in it.
  const signal = 0.5 * (1 + half / pickOff);
  for (const [pin, sign] of [
    ['2', 1],
    ['3', -1],
  ] as const) {
    bench.voltage(`signal${pin}`, bench.node(`drive${pin}`), pin1, 0, sign * signal);
    bench.resistor(`output${pin}`, bench.node(`drive${pin}`), bench.node(`coupled${pin}`), half);
    bench.capacitor(`coupling${pin}`, bench.node(`coupled${pin}`), bench.out(pin), COUPLING);
  }
  bench.stake({
    type: 'supply',
    what: 'the microphone',
    wants: 'phantom',
    contacts: 'pins 2 and 3',
    between: [
      [pin2, pin1],
      [pin3, pin1],
    ],
    needs: bench.limit('needs'),
    stops: bench.limit('stops'),
    stands: bench.limit('stands'),
    battery: runsOnBattery,
  });
}
