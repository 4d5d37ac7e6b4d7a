/** Gear as data: connectors, sources, links, inlets, and how a line of them becomes a circuit. */
export * from './connectors';
export * from './figures';
export * from './part';
export * from './stakes';
export * from './catalogue';
export { figureOf, reader } from './bench';
export {
  lineCircuit,
  socketNode,
  type BranchStake,
  type Junction,
  type LineCircuit,
  type LinkView,
} from './lineCircuit';
export { asDrawn, choose, questions, withPart } from './questions';
