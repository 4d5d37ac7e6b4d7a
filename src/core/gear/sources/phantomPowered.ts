import type { Bench } from '../bench';
import type { FigureSpec } from '../figures';
import { buildElectronics, stakePhantom } from '../phantom';
import { resistance, selfNoiseFigure, soundFigures } from '../shared';

/** What differs between the microphones that run on a phantom feed. */
export interface PhantomFigures {
  milliamps: number;
  needs: number;
  stops: number;
  sensitivity: number;
  /** In dB(A). */
  selfNoise: number;
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
  selfNoise: selfNoiseFigure(f.selfNoise),
  ...soundFigures(f.sensitivity, f.loudness ?? 94, 135),
});

/**
 * Two equal resistors from pins 2 and 3 feed a constant-current load; the output drives both pins through capacitors.
 * @param runsOnBattery the microphone's own battery is in and on
 */
export function buildPhantomPowered(bench: Bench, runsOnBattery = false): void {
  buildElectronics(bench, bench.value('pickOff'), (pin, node, share) =>
    bench.voltage(`signal${pin}`, node, bench.out('1'), 0, share),
  );
  stakePhantom(bench, 'the microphone', runsOnBattery);
}
