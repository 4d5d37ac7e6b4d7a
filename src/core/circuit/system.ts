import { CircuitError } from './errors';
import { carve } from './linear/carve';
import { rulesOf } from './elements';
import type { Index, Stamp } from './elements/rules';
import { islands } from './islands';
import type { Analysis, System, NonLinear } from './equations';
import { GROUND, resolve, type Element, type Netlist, type Node } from './netlist';

/**
 * Writes a netlist as equations.
 * @throws CircuitError `bad-element` for values or references that make no sense
 */
export function assemble(netlist: Netlist): System {
  const { elements, joined, first = [] } = netlist;
  const nodeIndex = new Map<Node, Index>([[GROUND, -1]]);
  const nodes: Node[] = [];
  const branchIndex = new Map<string, number>();
  const branches: { element: string; n: number }[] = [];
  const named = new Map<string, Element>();

  const register = (name: Node) => {
    if (nodeIndex.has(name)) return;
    const node = resolve(joined, name);
    let index = nodeIndex.get(node);
    if (index === undefined) nodeIndex.set(node, (index = nodes.push(node) - 1));
    if (name !== node) nodeIndex.set(name, index);
  };
  const registerBoth = (a: Node, b: Node) => {
    register(a);
    register(b);
  };
  for (const node of first) register(node);
  for (const element of elements) {
    const rules = rulesOf(element);
    const fault = named.has(element.name) ? 'another element has the same name' : rules.fault(element);
    if (fault) throw new CircuitError('bad-element', [element.name], `${element.name}: ${fault}`);
    named.set(element.name, element);
    rules.paths(element, registerBoth);
    rules.senses?.(element).forEach(register);
    if (rules.branches(element) > 0) branchIndex.set(element.name, branches.length);
    for (let n = 0; n < rules.branches(element); n++) branches.push({ element: element.name, n });
  }

  const size = nodes.length + branches.length;
  const found: Partial<Record<Analysis, Node[][]>> = {};
  const take = carve(2 * size * size + 2 * size);
  const system: System = {
    netlist,
    size,
    nodes,
    branches,
    g: take(size * size),
    c: take(size * size),
    z: take(size),
    signal: take(size),
    nonLinear: [],
    node: (name) => nodeIndex.get(name) ?? nodeIndex.get(resolve(joined, name)),
    element: (name) => named.get(name),
    islands: (analysis) => (found[analysis] ??= islands(system, analysis)),
    branch: (element, n = 0) => (branchIndex.has(element) ? nodes.length + branchIndex.get(element)! + n : undefined),
  };
  const stamp = stampInto(system, named);
  for (const element of elements) {
    const rules = rulesOf(element);
    rules.stamp(element, stamp);
    if (!rules.characteristic) continue;
    const ends = element as NonLinear['element'];
    system.nonLinear.push({
      element: ends,
      a: stamp.node(ends.a),
      b: stamp.node(ends.b),
      characteristic: rules.characteristic(element),
    });
  }
  return system;
}

function stampInto(system: System, named: Map<string, Element>): Stamp {
  const { size } = system;
  const into = (matrix: Float64Array) => (row: Index, column: Index, value: number) => {
    if (row >= 0 && column >= 0) matrix[row * size + column] += value;
  };
  const onto = (vector: Float64Array) => (row: Index, value: number) => {
    if (row >= 0) vector[row] += value;
  };
  const missing = (element: string) =>
    new CircuitError('bad-element', [element], `${element} is referred to, but is not in the circuit`);
  return {
    node: (name) => system.node(name)!,
    branch(element, n) {
      const index = system.branch(element, n);
      if (index === undefined) throw missing(element);
      return index;
    },
    g: into(system.g),
    c: into(system.c),
    source: onto(system.z),
    signal: onto(system.signal),
    henries(name) {
      const element = named.get(name);
      if (element?.type !== 'inductor') throw missing(name);
      return element.henries;
    },
  };
}

/** Which unknown a column stands for, in words. */
export function unknownName(system: System, column: number): { node?: Node; text: string } {
  if (column < system.nodes.length)
    return { node: system.nodes[column], text: `the voltage of node ${system.nodes[column]}` };
  const { element } = system.branches[column - system.nodes.length];
  return { text: `the current through ${element}` };
}
