import type { Node } from './netlist';

export type CircuitFault = 'bad-element' | 'floating' | 'singular' | 'no-convergence';

/** A circuit that has no single answer. `nodes` names the nodes or elements concerned. */
export class CircuitError extends Error {
  constructor(
    readonly fault: CircuitFault,
    readonly nodes: Node[],
    message: string,
  ) {
    super(message);
    this.name = 'CircuitError';
  }
}
