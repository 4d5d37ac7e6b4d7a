/** Gear as data: connectors, sources, links, inlets, and how a line of them becomes a circuit. */
export * from './connectors';
export * from './figures';
export * from './part';
export * from './kind';
export * from './kinds';
export type { Reader } from './reader';
export * from './stakes';
export * from './catalogue';
export { figureOf, reader, type Wiring } from './bench';
export type { ContactFault, ContactTrouble } from './contactFaults';
export { isCable } from './links/cable';
export { isPlainAdapter } from './links/plainAdapter';
export { BEHIND_THE_INLET, inletReader, LOW_CUTS, lowCutOf, padOf } from './inlets/levels';
export {
  lineCircuit,
  socketNode,
  type BranchStake,
  type Junction,
  type LineCircuit,
  type LinkView,
} from './lineCircuit';
export * from './edits';
export { asDrawn, choose, questions, saysDeviceGround, withPart } from './questions';
