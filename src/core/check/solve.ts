import { operatingPoint, type OperatingPoint } from '../circuit';
import { inletKind, lineCircuit, reader, sourceKind, type Line, type LineCircuit, type SupplyStake } from '../gear';
import { levelPlan, type LevelPlan } from '../level/plan';
import type { Volts } from '../units';
import { lineGain, readSignal, type SignalReading } from './signal';

export interface SupplyState {
  stake: SupplyStake;
  /** What it gets from the line. */
  volts: Volts;
  state: 'battery' | 'runs' | 'low' | 'dead';
}

/** A line solved: its circuit, its voltages and currents, its signal. */
export interface Solved {
  line: Line;
  circuit: LineCircuit;
  point: OperatingPoint;
  supplies: SupplyState[];
  readonly signal: SignalReading;
  /** Every powered part gets what it runs on. */
  powered: boolean;
  /** Present if a usable signal arrives at a powered inlet. */
  readonly level?: LevelPlan;
}

/** Below this against what is expected a signal counts as lost, in dB. */
export const LOST = -30;

/**
 * Solves a line whose choices are all known.
 * @param peakTarget where peaks should land, in dBFS
 */
export function solveLine(line: Line, peakTarget: number): Solved {
  const circuit = lineCircuit(line);
  const point = operatingPoint(circuit.netlist);
  const supplies = circuit.stakes.flatMap((stake) => (stake.type === 'supply' ? [supplyState(stake, point)] : []));
  const powered = supplies.every(({ state }) => state !== 'dead') && !batteryFlat(line);
  // Many a question is about direct current alone: the signal is read when somebody asks for it.
  const signal = once(() => readSignal(circuit, point));
  const level = once(() => (powered && signal().alongPath > LOST ? plan(line, signal(), peakTarget) : undefined));
  return {
    line,
    circuit,
    point,
    supplies,
    powered,
    get signal() {
      return signal();
    },
    get level() {
      return level();
    },
  };
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | undefined;
  return () => (made ??= { value: make() }).value;
}

/** The voltage from a to b; two nodes that nothing connects show a meter nothing. */
export const meter = (point: OperatingPoint, [a, b]: [string, string]): Volts => point.volts(a, b) ?? 0;

function supplyState(stake: SupplyStake, point: OperatingPoint): SupplyState {
  const volts = Math.max(...stake.between.map((pair) => meter(point, pair)));
  if (stake.battery) return { stake, volts, state: 'battery' };
  return { stake, volts, state: volts < stake.stops.value ? 'dead' : volts < stake.needs.value ? 'low' : 'runs' };
}

/** A source that lives on nothing but its own battery, which is out. */
export function batteryFlat(line: Line): boolean {
  const kind = sourceKind(line.source.kind);
  return kind.character === 'self-powered' && reader(kind, line.source).choice('battery') === 'off';
}

function plan(line: Line, signal: SignalReading, target: number): LevelPlan {
  const source = sourceKind(line.source.kind);
  const inlet = inletKind(line.inlet.kind);
  return levelPlan(
    { from: source.level, levelUnit: source.figures.outputLevel?.unit, read: reader(source, line.source) },
    reader(inlet, line.inlet),
    lineGain(signal),
    target,
  );
}
