/** The check: a line in, readings, findings and a verdict out. */
export { lineResult, lineSummary, type JunctionReading, type LineResult } from './result';
export {
  allGroupFeeds,
  checkRig,
  checkRigLine,
  fullRigResult,
  groupFeeds,
  worstLine,
  type FeedOption,
  type GroupFeeds,
  type GroupResult,
  type RigResult,
} from './rig';
export type { Moments } from './moments';
export { everyFault, faultReadings, type FaultReading } from './faultReadings';
export { probe, type ProbeTip } from './probe';
export * from './finding';
export * from './schools';
