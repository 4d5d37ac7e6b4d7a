/** The whole rig judged: every line, every switch, what each setting would do, the readings of every fault. */
export { checkRig, checkRigLine, fullRigResult, type RigResult } from './rig';
export { allGroupFeeds, groupFeeds, type FeedOption, type GroupFeeds } from './feedOptions';
export type { GroupResult } from './groups';
export { faultReadings, type FaultReading } from './faultReadings';
export { actionCourse, BEGINS, ENDS, type ActionCourse, type OneCourse } from './actionCourse';
export { bestFreeInlet } from './bestInlet';
export { remembering } from './remembering';
