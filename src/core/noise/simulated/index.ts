/** A stand-in for an inlet device: what a rig would record, rendered as samples that repeat. */
export { contactOf, FAULT_NAMES, SIMULATED_FAULTS, type FaultName } from './faults';
export { interfaceScene, type InterfaceState } from './interface';
export { renderer, type Renderer } from './render';
export { type Scene } from './scene';
