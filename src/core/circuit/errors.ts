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

/**
 * What a circuit answers; undefined where it has no single answer.
 * @param told is told why
 */
export function answered<T>(ask: () => T, told?: (why: CircuitError) => void): T | undefined {
  try {
    return ask();
  } catch (problem) {
    if (!(problem instanceof CircuitError)) throw problem;
    told?.(problem);
    return undefined;
  }
}
