import { rulesOf } from './elements';
import { spiceNumber, type SpiceNames } from './elements/rules';
import { GROUND, resolve, type Netlist, type Node } from './netlist';
import { assemble } from './system';

/** Ohms between a floating node and ground. */
const TIE = 1e12;
/** The same where switches move: a simulator loses its way with more. */
const TIE_OVER_TIME = 1e9;

/** What the simulator is asked to do, written as SPICE has it. */
export interface SpiceJob {
  title: string;
  /** Analysis commands; default `.op`. */
  analyses?: (node: (name: Node) => string) => string[];
  /** Over time a simulator cannot be asked for the last digit: looser tolerances. */
  overTime?: boolean;
}

/** Node and element names a SPICE program takes, each distinct, and the list that explains them. */
export interface SpiceText {
  text: string;
  node(name: Node): string;
}

/**
 * Writes a netlist as SPICE text that ngspice reads. Tolerances are tight, so that results compare to the last digits.
 */
export function spiceText(netlist: Netlist, job: SpiceJob): SpiceText {
  const names = plainNames(netlist);
  // A SPICE program refuses nodes without a way to ground; this much resistance gives them one and changes nothing else.
  const ties = assemble(netlist)
    .islands('direct')
    .map(([node], n) => `R_tie_${n + 1} ${names.node(node)} 0 ${spiceNumber(job.overTime ? TIE_OVER_TIME : TIE)}`);
  const lines = netlist.elements.flatMap((element) => rulesOf(element).spice(element, names));
  const legend = [
    ...new Set(netlist.elements.flatMap((e) => ('a' in e ? [e.a, e.b] : [])).map((n) => resolve(netlist.joined, n))),
  ]
    .filter((node) => node !== GROUND)
    .map((node) => `* node ${names.node(node)} is ${node}`);
  const text = [
    job.title.replace(/\s+/g, ' ').trim() || 'line',
    ...legend,
    ...lines,
    ...(ties.length ? ['* Nodes that float are tied to ground:', ...ties] : []),
    job.overTime
      ? '.options reltol=1e-4 abstol=1e-9 vntol=1e-7 chgtol=1e-15 gmin=1e-15 itl1=500 itl4=200 trtol=1'
      : '.options reltol=1e-11 abstol=1e-16 vntol=1e-13 gmin=1e-18 itl1=500',
    ...(job.analyses?.(names.node) ?? ['.op']),
    '.end',
    '',
  ].join('\n');
  return { text, node: names.node };
}

function plainNames(netlist: Netlist): SpiceNames {
  const unique = () => {
    const given = new Map<string, string>();
    const taken = new Set<string>();
    return (name: string): string => {
      const known = given.get(name);
      if (known) return known;
      const plain = name.toLowerCase().replace(/[^a-z0-9]+/g, '_') || 'x';
      let free = plain;
      for (let n = 2; taken.has(free); n++) free = `${plain}_${n}`;
      taken.add(free);
      given.set(name, free);
      return free;
    };
  };
  const node = unique();
  const element = unique();
  return {
    node: (name) => {
      const resolved = resolve(netlist.joined, name);
      return resolved === GROUND ? '0' : `n_${node(resolved)}`;
    },
    element: (name) => `_${element(name)}`,
  };
}
