/** Is it the cable? What every instrument would show for every fault of a line, what is left, and the next best look. */
export { afterActing } from './afterActing';
export { CABLE_CONNECTORS, cableTable, cableTest, type CableTested } from './cableTest';
export { waitOf } from './costs';
export { diagnose, type Diagnosed, type Knowledge } from './diagnose';
export type { Diagnosis, Left, Question } from './diagnosis';
export type { ActNow } from './asking';
export { INSTRUMENTS, ObservationError } from './instruments';
export { SYMPTOMS } from './instruments/listening';
export { currentBetween, currentDrawn, exceeds, feedMismatch, MATCHED, type Measured } from './measured';
export type { Observation } from './observation';
export { repairShape, cableTestShape, type KeptCableTest, type KeptRepair } from './kept';
export type { Repair } from './priors';
export { sparesFor } from './spares';
export { TOOL_PARTS, toolReadings } from './tools';
export { reportOf, type Report } from './report';
