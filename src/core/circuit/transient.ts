import type { Seconds, Volts } from '../units';
import { CircuitError } from './errors';
import type { Element, Netlist, Node } from './netlist';
import { courseOf, inState, read, type Course } from './course';
import { operatingPoint } from './operatingPoint';
import { stepperOf } from './stepper';
import { assemble } from './system';
import type { System } from './equations';
import { waveAt } from './wave';

export interface TransientOptions {
  until: Seconds;
  /** Error of one step, as a share of the largest value each capacitor's voltage and inductor's current has had. */
  tolerance?: number;
  longestStep?: Seconds;
  /** Ends the analysis early. */
  stop?: (volts: (a: Node, b?: Node) => Volts, at: Seconds) => boolean;
}

const FIRST_STEP: Seconds = 1e-9;
const SHORTEST_STEP: Seconds = 1e-11;
const MOST_STEPS = 200_000;
/** Most of the slow ones. */
const MOST_CAREFUL = 5000;

/**
 * Follows a circuit from its operating point, or from the initial voltages and currents that its elements state, through
 * the events of its switches and the waves of its sources.
 * @throws CircuitError as `operatingPoint` does; `no-convergence` if a step cannot be made
 */
export function transient(netlist: Netlist, options: TransientOptions): Course {
  try {
    return followed(netlist, options, MOST_STEPS, false);
  } catch (error) {
    // What rounding stops may get past if nothing is eliminated.
    if (!(error instanceof CircuitError) || error.fault === 'bad-element') throw error;
    return followed(netlist, options, MOST_CAREFUL, true);
  }
}

function followed(netlist: Netlist, options: TransientOptions, mostSteps: number, careful: boolean): Course {
  const { until, tolerance = 1e-3, longestStep = until / 50, stop } = options;
  const starts = [...new Set([0, ...events(netlist).filter((at) => at > 0 && at < until)])].sort((a, b) => a - b);
  let system = assemble(inState(netlist, 0));
  let x = startingPoint(netlist, system);
  const times = [0];
  const states = [x];
  starts.forEach((start, phase) => {
    const end = starts[phase + 1] ?? until;
    if (phase > 0) system = assemble(inState(netlist, start));
    if (stop && times.length > 1 && stopped(stop, system, x, start)) return;
    const stepper = stepperOf(system, tolerance, states, careful);
    let now = start;
    let step = doubled(FIRST_STEP);
    while (now < end) {
      if (times.length > mostSteps) throw stuck(now);
      const length = Math.min(step, end - now);
      const made = stepper(x, now, length);
      if (!made) {
        step = length / 4;
        if (step < SHORTEST_STEP / 4) throw stuck(now);
        continue;
      }
      const { next, error } = made;
      step = doubled(Math.min(length * Math.min(Math.max(1 / Math.sqrt(error), 0.2), 4), longestStep));
      if (error > 1 && length > SHORTEST_STEP) continue;
      // The end of a phase is met exactly, whatever rounding made of the sum.
      now = length >= end - now ? end : now + length;
      x = next;
      times.push(now);
      states.push(x);
      if (stop && stopped(stop, system, x, now)) break;
    }
  });
  return courseOf(netlist, system, Float64Array.from(times), states);
}

/** The longest length within reach that is the shortest step some times doubled: few lengths, so that few matrices are decomposed. */
const doubled = (within: Seconds): Seconds =>
  SHORTEST_STEP * 2 ** Math.max(0, Math.floor(Math.log2(within / SHORTEST_STEP)));

const stuck = (at: Seconds) =>
  new CircuitError('no-convergence', [], `the analysis over time does not get past ${at.toExponential(3)} s`);

const stopped = (stop: NonNullable<TransientOptions['stop']>, system: System, x: Float64Array, at: Seconds) =>
  stop((a, b = 'gnd') => read(system, x, a) - read(system, x, b), at);

/** Every moment at which something jumps or bends. */
const events = ({ elements }: Netlist): Seconds[] =>
  elements.flatMap((element) =>
    element.type === 'switch'
      ? (element.events ?? []).map(({ at }) => at)
      : 'wave' in element
        ? (element.wave ?? []).map(({ at }) => at)
        : [],
  );

/** The operating point before anything happens; stated initial values hold their element where they say. */
function startingPoint(netlist: Netlist, system: System): Float64Array {
  const before = inState(netlist, -1);
  const held = before.elements.map((element): Element => {
    const { name } = element;
    if (element.type === 'capacitor' && element.initialVolts !== undefined)
      return { type: 'voltageSource', name, a: element.a, b: element.b, volts: element.initialVolts };
    if ('wave' in element && element.wave?.length) {
      const value = waveAt(element.wave, 0);
      return element.type === 'voltageSource' ? { ...element, volts: value } : { ...element, amps: value };
    }
    return element;
  });
  const point = operatingPoint({ ...before, elements: held });
  const x = new Float64Array(system.size);
  // Nodes without a way to ground start from their group's first node, which is taken as 0 V.
  system.nodes.forEach((node, n) => {
    const group = point.floating.find((island) => island.includes(node));
    x[n] = (group ? point.volts(node, group[0]) : point.volts(node)) ?? 0;
  });
  system.branches.forEach(({ element, n }, k) => {
    x[system.nodes.length + k] = point.amps(element, n);
  });
  for (const element of netlist.elements)
    if (element.type === 'inductor' && element.initialAmps !== undefined)
      x[system.branch(element.name)!] = element.initialAmps;
  return x;
}
