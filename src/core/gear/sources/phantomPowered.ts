import type { Bench } from '../bench';
import type { ChoiceSpec, FigureSpec } from '../figures';
import { buildElectronics, greatestOutput, maxOutputFigure, pinFigures, stakePhantom } from '../phantom';
import { lowCutFigure, lowCutSwitch, padFigure, resistance, selfNoiseFigure, soundFigures } from '../shared';

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

export const phantomFigures = (f: PhantomFigures): Record<string, FigureSpec> => ({
  current: {
    label: 'Supply current',
    unit: 'mA',
    min: 0.05,
    max: 22,
    typical: { value: f.milliamps, basis: 'common practice' },
  },
  ...pinFigures(f.needs, f.stops),
  pickOff: resistance('Series resistance, each pin', f.pickOff ?? 2200),
  outputResistance: resistance('Output resistance', 150),
  maxOutput: maxOutputFigure,
  selfNoise: selfNoiseFigure(f.selfNoise),
  ...soundFigures(f.sensitivity, f.loudness ?? 94, 135),
  padAttenuation: padFigure,
  lowCut: lowCutFigure(80),
});

/** Switches that many microphones have on their body. */
export const bodySwitches: Record<string, ChoiceSpec> = {
  pad: {
    label: 'Pad on the microphone',
    called: 'Pad',
    options: [
      { value: 'none', label: 'none' },
      { value: 'off', label: 'there is one: out' },
      { value: 'on', label: 'there is one: in', said: 'in' },
    ],
    standard: 'none',
    setting: true,
  },
  ...lowCutSwitch,
};

/**
 * Two equal resistors from pins 2 and 3 feed a constant-current load; the output drives both pins through capacitors.
 * @param runsOnBattery the microphone's own battery is in and on
 */
export function buildPhantomPowered(bench: Bench, runsOnBattery = false): void {
  const rail = buildElectronics(bench, bench.value('pickOff'), (pin, node, share) =>
    bench.voltage(`signal${pin}`, node, bench.out('1'), 0, share),
  );
  stakePhantom(bench, 'the microphone', { battery: runsOnBattery, rail, amps: bench.value('current') });
  if (bench.has('maxOutput')) greatestOutput(bench, 'the microphone');
}
