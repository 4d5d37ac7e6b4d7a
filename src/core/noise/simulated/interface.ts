import type { Line } from '../../gear';
import { openBudget, recorded, type NoBudget, type NoisePart, type Room } from '../budget';
import { thermalPower } from '../budget/amplifier';
import type { Rung } from '../ladder';
import type { Dbfs, Dbu, Decibels, Hertz } from '../../units';
import { mainsFrequency } from '../../units/conventions';
import { SIMULATED_FAULTS, type FaultName, type SimulatedFault } from './faults';
import type { Scene } from './scene';

/** How the simulated inlet stands while it records. */
export interface InterfaceState {
  target: Dbfs;
  /** As set; the planned one where left out. */
  gain?: Decibels;
  room?: Room;
  rung?: Rung;
  faults?: readonly FaultName[];
  /** What runs along the line from the mains, as it is computed at the inlet, RMS. */
  picked?: readonly { hz: Hertz; level: Dbu }[];
  /** Of the supply, as it is called; what is set for the application where left out. */
  mains?: Hertz;
}

/** Mains are a little off as they always are, in Hz. */
const OFF = 0.02;
/** How much louder than the floor the room's sounds are that open a gate, and talking. */
const [ROOM_SOUNDS, TALKING]: [Decibels, Decibels] = [24, 36];

/**
 * What the inlet of a line would record: its budgeted noise, and what faults put on top.
 * @throws CircuitError for a line whose circuit has no single answer
 */
export function interfaceScene(line: Line, state: InterfaceState): { scene: Scene; gain: Decibels } | NoBudget {
  const { rung = 'as-used', faults = [], mains = mainsFrequency(), picked: along = [], ...wishes } = state;
  const planned = openBudget(line, wishes);
  if ('reason' in planned) return planned;
  const has = (of: 'fullGain' | 'gate' | 'talk' | 'muted') =>
    faults.some((name) => of in (SIMULATED_FAULTS[name] as SimulatedFault));
  const gain = rung === 'gain-down' ? planned.plan.gainMin : has('fullGain') ? planned.plan.gainMax : planned.gain;
  const open = openBudget(line, { ...wishes, gain });
  if ('reason' in open) return open;
  const noise = recorded(
    open.parts.flatMap((part) => atRung(part, rung)),
    open.toDbfs,
  );
  // What comes after the gain does not hear what is picked up before it.
  const behind = rung === 'output-down' || rung === 'inlet-shorted';
  const tones = [
    // What is no multiple of the mains goes at its own pace.
    ...along.map(({ hz, level }) => ({ hz: hz % mains === 0 ? hz * (1 - OFF / mains) : hz, level })),
    ...faults.flatMap((name) => [...SIMULATED_FAULTS[name].tones(mains - OFF)]),
  ];
  const picked = behind ? [] : tones.map(({ hz, level }) => ({ hz, dbfs: level + open.toDbfs }));
  const floor = 10 * Math.log10(noise.reduce((sum, { hz, power }) => sum + (power * hz) / 6, 0));
  const talks = (has('talk') || has('gate')) && !behind && rung === 'as-used';
  return {
    gain: open.gain,
    scene: {
      noise,
      tones: picked,
      ...(talks && {
        talk: has('talk')
          ? { level: Math.min(floor + TALKING, -20), every: 2.5, lasts: 1.6 }
          : { level: Math.min(floor + ROOM_SOUNDS, -20), every: 2, lasts: 0.9 },
      }),
      ...(talks && has('gate') && { gate: 60 }),
      ...(has('muted') && { muted: true }),
    },
  };
}

/** What is left of a part at a rung. */
function atRung(part: NoisePart, rung: Rung): NoisePart[] {
  const { kind } = part;
  switch (rung) {
    case 'as-used':
    case 'gain-down':
      return [part];
    case 'source-quiet':
      return kind === 'room' || kind === 'output noise' ? [] : [part];
    case 'feed-off':
      if (kind === 'room' || kind === 'output noise' || kind === 'amplifier of a link') return [];
      // The microphone is dead; what is left of it is a resistor at the inlet.
      return kind === 'self-noise'
        ? [{ ...part, kind: 'thermal', density: part.density.map(() => thermalPower(150) / 19_980) }]
        : [part];
    case 'output-down':
    case 'inlet-shorted':
      return kind === 'converter' ? [part] : [];
  }
}
