import { rulesOf } from './elements';
import type { Node } from './netlist';
import type { System, Analysis } from './equations';

/** Groups of nodes that no element connects to ground: capacitors count for signals, not for direct current. */
export function islands(system: System, analysis: Analysis): Node[][] {
  const { nodes } = system;
  // Ground is the last of the places; every node points to one it is connected with, roots to themselves.
  const ground = nodes.length;
  const parent = new Int32Array(ground + 1).map((_, place) => place);
  const root = (place: number): number => {
    while (parent[place] !== place) place = parent[place] = parent[parent[place]];
    return place;
  };
  const place = (node: Node): number => {
    const index = system.node(node)!;
    return index < 0 ? ground : index;
  };
  const join = (a: Node, b: Node, signalOnly = false) => {
    if (!signalOnly || analysis === 'signal') parent[root(place(a))] = root(place(b));
  };
  for (const element of system.netlist.elements) rulesOf(element).paths(element, join);
  const groups = new Map<number, Node[]>();
  nodes.forEach((node, n) => {
    const group = root(n);
    if (group === root(ground)) return;
    const others = groups.get(group);
    if (others) others.push(node);
    else groups.set(group, [node]);
  });
  return [...groups.values()];
}
