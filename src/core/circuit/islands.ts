import { rulesOf } from './elements';
import { GROUND, resolve, type Node } from './netlist';
import type { System } from './system';

/** Groups of nodes that no element connects to ground: capacitors count for signals, not for direct current. */
export function islands(system: System, analysis: 'direct' | 'signal'): Node[][] {
  const { netlist, nodes } = system;
  const parent = new Map<Node, Node>([[GROUND, GROUND], ...nodes.map((node): [Node, Node] => [node, node])]);
  const root = (node: Node): Node => {
    let at = node;
    while (parent.get(at) !== at) at = parent.get(at)!;
    return at;
  };
  for (const element of netlist.elements) {
    const { always, signalOnly } = rulesOf(element).paths(element);
    for (const [a, b] of analysis === 'signal' ? [...always, ...signalOnly] : always)
      parent.set(root(resolve(netlist.joined, a)), root(resolve(netlist.joined, b)));
  }
  const ground = root(GROUND);
  const groups = new Map<Node, Node[]>();
  for (const node of nodes) {
    const group = root(node);
    if (group === ground) continue;
    groups.set(group, [...(groups.get(group) ?? []), node]);
  }
  return [...groups.values()];
}
