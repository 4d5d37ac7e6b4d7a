import type { Amps, Seconds, Volts } from '../units';
import { CircuitError } from './errors';
import { factor, solve, workspace } from './linear/real';
import type { Element, Netlist, Node } from './netlist';
import { operatingPoint, singular } from './operatingPoint';
import { assemble, type System } from './system';
import { stampTangent, still, voltage } from './tangent';
import { waveAt } from './wave';

/** The course of a circuit over time, at the moments the analysis chose. */
export interface Course {
  times: Float64Array;
  /** Voltage of `a` over `b` (default ground) at each moment. */
  volts(a: Node, b?: Node): Float64Array;
  /** Current from terminal a to terminal b of a two-terminal element at each moment. */
  amps(element: string): Float64Array;
}

export interface TransientOptions {
  until: Seconds;
  /** Error of one step, as a share of the largest value each capacitor's voltage and inductor's current has had. */
  tolerance?: number;
  longestStep?: Seconds;
  /** Ends the analysis early. */
  stop?: (volts: (a: Node, b?: Node) => Volts, at: Seconds) => boolean;
}

/**
 * Two-stage diagonally implicit Runge-Kutta method of second order, stiffly accurate and L-stable: it forgets what the
 * algebraic part was before a switch moved. (Alexander, SIAM J. Numer. Anal. 14, 1977, from memory.)
 */
const GAMMA = 1 - Math.SQRT1_2;
const FIRST_STEP: Seconds = 1e-9;
const SHORTEST_STEP: Seconds = 1e-11;
const NEWTON_STEPS = 80;
const MOST_STEPS = 200_000;

/**
 * Follows a circuit from its operating point, or from the initial voltages and currents that its elements state, through
 * the events of its switches and the waves of its sources.
 * @throws CircuitError as `operatingPoint` does; `no-convergence` if a step cannot be made
 */
export function transient(netlist: Netlist, options: TransientOptions): Course {
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
    const stepper = stepperOf(system, tolerance, states);
    let now = start;
    let step = Math.min(FIRST_STEP, end - start);
    while (now < end) {
      if (times.length > MOST_STEPS) throw stuck(now);
      const length = Math.min(step, end - now, longestStep);
      const made = stepper(x, now, length);
      if (!made) {
        step = length / 4;
        if (step < SHORTEST_STEP / 4) throw stuck(now);
        continue;
      }
      const { next, error } = made;
      const better = length * Math.min(Math.max(0.9 / Math.sqrt(error), 0.2), 3);
      if (error > 1 && length > SHORTEST_STEP) {
        step = Math.max(better, SHORTEST_STEP);
        continue;
      }
      // The end of a phase is met exactly, whatever rounding made of the sum.
      now = length >= end - now ? end : now + length;
      x = next;
      times.push(now);
      states.push(x);
      step = Math.max(better, SHORTEST_STEP);
      if (stop && stopped(stop, system, x, now)) break;
    }
  });
  return courseOf(netlist, system, Float64Array.from(times), states);
}

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

/** The netlist with every switch as it stands from a moment on. */
function inState(netlist: Netlist, at: Seconds): Netlist {
  return {
    ...netlist,
    elements: netlist.elements.map((element) => {
      if (element.type !== 'switch' || !element.events) return element;
      const last = element.events.filter((event) => event.at <= at).sort((a, b) => b.at - a.at)[0];
      return last ? { ...element, closed: last.closed } : element;
    }),
  };
}

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

const read = (system: System, x: Float64Array, node: Node): Volts => {
  const index = system.node(node);
  return index === undefined || index < 0 ? 0 : x[index];
};

type Step = (x: Float64Array, now: Seconds, length: Seconds) => { next: Float64Array; error: number } | undefined;

/** Makes steps of one phase, in which no switch moves. */
function stepperOf(system: System, tolerance: number, history: Float64Array[]): Step {
  const { size: n, g, c, nonLinear } = system;
  const pins = system.islands('signal').map(([node]) => system.node(node)!);
  const sources = wavesOf(system);
  const watched = watchedOf(system);
  const largest = watched.map(({ of, floor }) => history.reduce((most, x) => Math.max(most, Math.abs(of(x))), floor));
  const space = workspace(n);
  const a = new Float64Array(n * n);
  const b = new Float64Array(n);
  const charge = new Float64Array(n);
  let factored = 0;

  const timesC = (x: Float64Array, from: Float64Array, share: number, into: Float64Array) => {
    for (let row = 0; row < n; row++) {
      let sum = 0;
      for (let column = 0; column < n; column++) {
        const value = c[row * n + column];
        if (value !== 0) sum += value * (x[column] - from[column]);
      }
      into[row] = sum * share;
    }
  };
  const zero = new Float64Array(n);

  /** Solves G·x + i(x) + C·x/(γh) = right; the matrix of a linear circuit is kept as long as the step is. */
  const stage = (right: Float64Array, length: Seconds, guess: Float64Array): Float64Array | undefined => {
    const share = 1 / (GAMMA * length);
    const linear = nonLinear.length === 0;
    const at = nonLinear.map((part) => voltage(guess, part));
    for (let iteration = 0; iteration < NEWTON_STEPS; iteration++) {
      b.set(right);
      if (!linear || factored !== length) {
        for (let k = 0; k < a.length; k++) a[k] = g[k] + share * c[k];
        for (const pin of pins) a[pin * n + pin] += 1;
        nonLinear.forEach((part, k) => stampTangent(part, at[k], a, b, n));
        const column = factor(a, n, space);
        if (column >= 0) throw singular(system, column);
        factored = length;
      }
      const x = new Float64Array(n);
      solve(a, n, space, b, x);
      let settled = true;
      nonLinear.forEach((part, k) => {
        const next = part.characteristic.limit(voltage(x, part), at[k]);
        if (!still(part.characteristic, at[k], next) && Math.abs(next - at[k]) > 1e-7 * (1 + Math.abs(next)))
          settled = false;
        at[k] = next;
      });
      if (settled) return x;
    }
    return undefined;
  };

  return (x, now, length) => {
    const share = 1 / (GAMMA * length);
    timesC(x, zero, share, charge);
    const right = sources(now + GAMMA * length);
    for (let row = 0; row < n; row++) right[row] += charge[row];
    const first = stage(right, length, x);
    if (!first) return undefined;
    const flow = new Float64Array(n);
    timesC(first, x, share, flow);
    const after = sources(now + length);
    for (let row = 0; row < n; row++) after[row] += charge[row] + ((1 - GAMMA) / GAMMA) * flow[row];
    const next = stage(after, length, first);
    if (!next) return undefined;
    let error = 0;
    watched.forEach(({ of }, k) => {
      const before = of(x);
      const [middle, end] = [of(first), of(next)];
      // How far the end lies from the straight line through the start and the middle.
      const bend = Math.abs(end - before - (middle - before) / GAMMA);
      largest[k] = Math.max(largest[k], Math.abs(end));
      error = Math.max(error, bend / (tolerance * largest[k]));
    });
    return { next, error: Math.max(error, 1e-4) };
  };
}

/** The right-hand side at a moment. */
function wavesOf(system: System): (at: Seconds) => Float64Array {
  const moving = system.netlist.elements.flatMap((element) =>
    'wave' in element && element.wave?.length ? [{ element, wave: element.wave }] : [],
  );
  return (at) => {
    const z = system.z.slice();
    for (const { element, wave } of moving) {
      if (element.type === 'voltageSource') z[system.branch(element.name)!] += waveAt(wave, at) - element.volts;
      else {
        const [a, b] = [system.node(element.a)!, system.node(element.b)!];
        const more = waveAt(wave, at) - element.amps;
        if (a >= 0) z[a] -= more;
        if (b >= 0) z[b] += more;
      }
    }
    return z;
  };
}

/** What holds energy: the quantities whose error is watched. */
function watchedOf(system: System): { of: (x: Float64Array) => number; floor: number }[] {
  return system.netlist.elements.flatMap((element) => {
    if (element.type === 'capacitor') {
      const [a, b] = [system.node(element.a)!, system.node(element.b)!];
      return [{ of: (x: Float64Array) => (a < 0 ? 0 : x[a]) - (b < 0 ? 0 : x[b]), floor: 1e-3 }];
    }
    if (element.type !== 'inductor') return [];
    const branch = system.branch(element.name)!;
    return [{ of: (x: Float64Array) => x[branch], floor: 1e-6 }];
  });
}

function courseOf(netlist: Netlist, system: System, times: Float64Array, states: Float64Array[]): Course {
  const volts = (a: Node, b: Node = 'gnd') => Float64Array.from(states, (x) => read(system, x, a) - read(system, x, b));
  return {
    times,
    volts,
    amps(name) {
      const element = netlist.elements.find((other) => other.name === name);
      if (!element || !('a' in element))
        throw new CircuitError('bad-element', [name], `${name} is not a two-terminal element of the circuit`);
      const branch = system.branch(name);
      if (branch !== undefined) return Float64Array.from(states, (x) => x[branch]);
      const across = volts(element.a, element.b);
      return currentOf(netlist, element, across, times, system);
    },
  };
}

function currentOf(
  netlist: Netlist,
  element: Extract<Element, { a: Node }>,
  across: Float64Array,
  times: Float64Array,
  system: System,
): Float64Array {
  switch (element.type) {
    case 'resistor':
      return across.map((v): Amps => v / element.ohms);
    case 'switch':
      return across.map((v, n): Amps => {
        // At the moment of an event the state is still that of before.
        const phase = inState({ ...netlist, elements: [element] }, n === 0 ? -1 : (times[n - 1] + times[n]) / 2);
        const [state] = phase.elements;
        return state.type === 'switch' && state.closed ? v / element.closedOhms : 0;
      });
    case 'capacitor':
      return across.map((v, n) => (n === 0 ? 0 : (element.farads * (v - across[n - 1])) / (times[n] - times[n - 1])));
    case 'diode':
    case 'constantCurrentLoad': {
      const part = system.nonLinear.find((other) => other.element.name === element.name)!;
      return across.map((v) => part.characteristic.at(v).amps);
    }
    default:
      throw new CircuitError(
        'bad-element',
        [element.name],
        `the current through ${element.name} is not kept over time`,
      );
  }
}
