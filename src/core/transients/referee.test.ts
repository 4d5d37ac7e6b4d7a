import { peakVolts } from '../../../tests/referee/ngspice';
import { transient, type Netlist, type Node } from '../circuit';
import { CONNECTORS, type Line, type LineCircuit } from '../gear';
import { comingOn, goingOff, lastPlugged, pluggedLive, pulledLive } from '.';

const line = (source: Line['source'], links: Line['links'], feed = 'P48', kind = 'three-pin'): Line => ({
  id: 'line',
  name: 'line',
  source,
  links,
  inlet: { kind, choices: { feed } },
});
const cable = { kind: 'cable' };
const patched = [cable, { kind: 'trs-patch-point' }, cable];
const longRibbon = { kind: 'passive-ribbon', choices: { tap: 'grounded' } };
const ribbon = { kind: 'passive-ribbon', choices: { tap: 'none' } };

/** The source's signal contacts, and every resistor of its own: their voltages are its currents. */
function watched({ netlist, junctions }: LineCircuit): [Node, Node][] {
  const { plug, nodes } = junctions[0];
  const [hot, cold] = CONNECTORS[plug].pairs[0];
  const own = netlist.elements.flatMap((e): [Node, Node][] =>
    e.type === 'resistor' && e.name.startsWith('source.') ? [[e.a, e.b]] : [],
  );
  return [[nodes[hot], nodes[cold]], ...own];
}

/** Whether a peak lasts less than a microsecond. */
function momentary(times: Float64Array, volts: Float64Array, peak: number): boolean {
  const above = Array.from(times.keys()).filter((n) => Math.abs(volts[n]) > 0.95 * peak);
  return times[above.at(-1)!] - times[above[0]] < 1e-6;
}

/**
 * The simulator's open contacts leak through 10 GΩ and charge a floating source by volts before anything is plugged; a
 * megohm across its electronics, in both, lets both begin from nothing.
 */
const bled = (netlist: Netlist): Netlist => ({
  ...netlist,
  elements: netlist.elements.flatMap((e): Netlist['elements'] =>
    e.type === 'constantCurrentLoad'
      ? [e, { type: 'resistor', name: `${e.name}.bled`, a: e.a, b: e.b, ohms: 1e6 }]
      : [e],
  ),
});

async function agree(line: Netlist, until: number, pairs: [Node, Node][]) {
  const netlist = bled(line);
  const course = transient(netlist, { until, tolerance: 1e-3 });
  const coarse = await peakVolts(netlist, until, pairs);
  const peaks = pairs.map(([a, b]) => course.volts(a, b).reduce((most, v) => Math.max(most, Math.abs(v)), 0));
  // A spike shorter than its steps is missed by the simulator: it is asked again with finer ones.
  const missed = peaks.some((ours, n) => ours > coarse[n] * 1.01);
  const theirs = missed ? await peakVolts(netlist, until, pairs, 40_000) : coarse;
  pairs.forEach(([a, b], n) => {
    const ours = peaks[n];
    // Below a millivolt there is nothing to be told apart from rounding.
    if (Math.max(ours, theirs[n]) < 1e-3) return;
    const off = Math.abs(ours / theirs[n] - 1);
    // A spike of nanoseconds in the cable's capacitance: at its steps the simulator sees less of it.
    if (ours > theirs[n] && momentary(course.times, course.volts(a, b), ours)) return;
    expect({ pair: `${a} over ${b}`, ours, theirs: theirs[n], within: off < 0.01 }).toMatchObject({ within: true });
  });
}

/** ngspice referees the analysis over time: peaks within 1 %. */
describe('plugged and patched live', () => {
  test.each<[string, Line]>([
    ['ribbon with a grounded tap, three-pin', line(longRibbon, [cable])],
    ['ribbon with a grounded tap, TRS patch point', line(longRibbon, patched)],
    ['floating ribbon, TRS patch point', line(ribbon, patched)],
    ['moving coil, TRS patch point', line({ kind: 'moving-coil' }, patched)],
    [
      'moving coil with transformer, TRS patch point',
      line({ kind: 'moving-coil', choices: { output: 'transformer' } }, patched),
    ],
    ['moving coil on T12, three-pin', line({ kind: 'moving-coil' }, [cable], 'T12')],
    [
      'electret over a plain adapter',
      line({ kind: 'plug-in-electret', choices: { connector: 'trs35-both' } }, [{ kind: 'plain-adapter' }, cable]),
    ],
    [
      'electret into a mini-jack',
      line({ kind: 'plug-in-electret', choices: { connector: 'trs35-both' } }, [], 'plug-in', 'mini-jack'),
    ],
    [
      'directly coupled output',
      line({ kind: 'line-output', choices: { connector: 'xlr3', coupling: 'direct' } }, [cable]),
    ],
    ['condenser, TRS patch point', line({ kind: 'condenser-48' }, patched)],
    ['long ribbon, TRS patch point on P12', line(longRibbon, patched, 'P12')],
  ])('%s', async (_, at) => {
    const { junction, patch } = lastPlugged(at);
    const { circuit, netlist, steps } = pluggedLive(at, junction, patch);
    await agree(netlist, steps.at(-1)!.at + 0.02, watched(circuit));
  });
});

describe('pulled live', () => {
  test.each<[string, Line]>([
    ['ribbon with a grounded tap, three-pin', line(longRibbon, [cable])],
    ['ribbon with a grounded tap, TRS patch point', line(longRibbon, patched)],
    ['moving coil, TRS patch point', line({ kind: 'moving-coil' }, patched)],
    ['condenser, three-pin', line({ kind: 'condenser-48' }, [cable])],
  ])('%s', async (_, at) => {
    const { junction, patch } = lastPlugged(at);
    const { circuit, netlist, steps } = pulledLive(at, junction, patch);
    // Just before it is out: then the source floats, and a simulator's own leakage decides where.
    await agree(netlist, 0.99 * steps.at(-1)!.at, watched(circuit));
  });
});

describe('feed coming on and going off', () => {
  test.each<[string, Line, number]>([
    ['condenser', line({ kind: 'condenser-48' }, [cable]), 2],
    ['moving coil', line({ kind: 'moving-coil' }, [cable]), 2],
    ['condenser on P12', line({ kind: 'condenser-9-52' }, [cable], 'P12'), 1],
  ])('%s', async (_, at, until) => {
    const on = comingOn(at, 0.05)!;
    const [{ hot, cold }] = on.circuit.channels;
    await agree(on.netlist, until, [[hot, cold], [hot, 'gnd'], ...watched(on.circuit)]);
    const off = goingOff(at)!;
    await agree(off.netlist, until, watched(off.circuit));
  });
});
