/** The circuit core: a netlist in, voltages, currents, responses and SPICE text out. */
export * from './netlist';
export { NetlistBuilder } from './builder';
export { answered, CircuitError, type CircuitFault } from './errors';
export { operatingPoint, type OperatingPoint } from './operatingPoint';
export { magnitude, phase, smallSignal, type Complex, type Response } from './response';
export { sweep } from './sweep';
export { spiceText } from './spice';
export type { Course } from './course';
export { transient, type TransientOptions } from './transient';
