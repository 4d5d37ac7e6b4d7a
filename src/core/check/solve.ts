import { operatingPoint, type OperatingPoint } from '../circuit';
import {
  inletKind,
  inletReader,
  lineCircuit,
  padOf,
  reader,
  sourceKind,
  type Line,
  type LineCircuit,
  type ConnectorId,
  type SupplyStake,
  type Wiring,
} from '../gear';
import { levelPlan, type LevelPlan } from '../level/plan';
import { once } from '../units/once';
import type { Volts } from '../units';
import { settled } from './converting';
import { lineGain, readSignal, type SignalReading } from './signal';

export interface SupplyState {
  stake: SupplyStake;
  /** What it gets from the line; with an inner rail, what both pins of equal legs would have for the same rail. */
  volts: Volts;
  /** The better of its pins: more than `volts` where one leg does the work of two. */
  pins: Volts;
  /** How far its supply is the wrong way round; 0 where it is not. */
  reversed: Volts;
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
export function solveLine(line: Line, peakTarget: number, wiring: Wiring = {}): Solved {
  const { drawn, holds } = settled(line, (tried) => railOf(lineCircuit(tried, wiring)));
  const circuit = lineCircuit(drawn, wiring);
  const point = operatingPoint(circuit.netlist);
  const supplies = circuit.stakes.flatMap((stake): SupplyState[] => {
    if (stake.type !== 'supply') return [];
    const found = supplyState(stake, point);
    return [!holds && stake.part === 'source' ? { ...found, state: 'dead' } : found];
  });
  const powered = supplies.every(({ state }) => state !== 'dead') && !batteryFlat(line);
  // Many a question is about direct current alone: the signal is read when somebody asks for it.
  const signal = once(() => readSignal(line, circuit, point));
  const level = once(() =>
    powered && signal().alongPath > LOST ? plan(line, signal(), peakTarget, circuit.junctions.at(-1)!.plug) : undefined,
  );
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

/** Voltage at the rail of a line's source, 0 where it has none. */
function railOf({ netlist, stakes }: LineCircuit): Volts {
  const rail = stakes.find((stake) => stake.type === 'supply' && stake.part === 'source');
  return rail?.type === 'supply' && rail.rail ? meter(operatingPoint(netlist), rail.rail.between) : 0;
}

/** The voltage from a to b; two nodes that nothing connects show a meter nothing. */
export const meter = (point: OperatingPoint, [a, b]: [string, string]): Volts => point.volts(a, b) ?? 0;

/** Electronics that get less than this share of their current have dropped out. */
const STARVED = 0.8;

/** How a powered part fares: by its inner rail where it has one, since a single pin may read well while the rail is down. */
function supplyState(stake: SupplyStake, point: OperatingPoint): SupplyState {
  const read = stake.between.map((pair) => meter(point, pair));
  const pins = Math.max(...read);
  const { rail } = stake;
  const inner = rail ? meter(point, rail.between) : pins;
  const taken = rail ? rail.legs.reduce((sum, leg) => sum + point.amps(leg), 0) : 0;
  const volts = rail ? inner + (taken * rail.pickOff) / 2 : pins;
  const reversed = Math.max(0, -(rail ? inner : Math.min(...read)));
  const state = () => {
    if (stake.battery) return 'battery';
    const starved = rail?.load && point.amps(rail.load.element) < STARVED * rail.load.amps;
    if (volts < stake.stops.value || starved) return 'dead';
    return volts < stake.needs.value ? 'low' : 'runs';
  };
  return { stake, volts, pins, reversed, state: state() };
}

/** A source that lives on nothing but its own battery, which is out. */
export function batteryFlat(line: Line): boolean {
  const kind = sourceKind(line.source.kind);
  return (
    (kind.character === 'self-powered' || kind.character === 'line output') &&
    'battery' in kind.choices &&
    reader(kind, line.source).choice('battery') === 'off'
  );
}

function plan(line: Line, signal: SignalReading, target: number, plug: ConnectorId): LevelPlan {
  const source = sourceKind(line.source.kind);
  const inlet = inletKind(line.inlet.kind);
  return levelPlan(
    {
      from: source.level,
      levelUnit: source.figures.outputLevel?.unit,
      read: reader(source, line.source),
      pad: padOf(source, line.source),
    },
    inletReader(inlet, line.inlet, plug),
    lineGain(signal),
    target,
  );
}
