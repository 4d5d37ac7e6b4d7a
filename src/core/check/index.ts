/** The check: a line or a rig in, readings, findings and a verdict out. */
export { lineResult, lineSummary, type JunctionReading, type LineResult } from './result';
export { checkRig, checkRigLine, fullRigResult, type RigResult } from './rig';
export { allGroupFeeds, groupFeeds, type FeedOption } from './feedOptions';
export type { GroupResult } from './groups';
export type { Moments } from './moments';
export { faultReadings, type FaultReading } from './faultReadings';
export { probe, type ProbeTip } from './probe';
export { withFloor, type Floor } from './floor';
export * from './finding';
export * from './schools';
export { actionCourse, BEGINS, ENDS, type ActionCourse, type OneCourse } from './actionCourse';
export { bestFreeInlet } from './bestInlet';
