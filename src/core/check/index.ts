/** The check: a line or a rig in, readings, findings and a verdict out. */
export {
  lineDrawing,
  lineResult,
  lineSummary,
  type ContactReading,
  type JunctionReading,
  type LineResult,
} from './result';
export type { Moments } from './moments';
export { probe, type ProbeTip } from './probe';
export { withFloor, type Floor } from './floor';
export * from './finding';
