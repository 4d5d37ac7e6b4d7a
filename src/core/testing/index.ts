/** Is it the cable? What every instrument would show for every fault of a line, what is left, and the next best look. */
export { afterActing } from './diagnosis/afterActing';
export {
  CABLE_CONNECTORS,
  cableState,
  cableTable,
  cableTest,
  type CableState,
  type CableTested,
} from './cables/cableTest';
export { waitOf } from './costs';
export { diagnose, type Diagnosed, type Knowledge } from './diagnosis/diagnose';
export type { Diagnosis, Left, Question } from './diagnosis/diagnosis';
export type { ActNow } from './belief/asking';
export { INSTRUMENTS, ObservationError } from './instruments';
export { SYMPTOMS, type Symptom } from './instruments/listening';
export { inletFigures, LAMPS, type InletFigures, type InletReading, type Lamps, type Means } from './meter/inletSheet';
export { currentBetween, currentDrawn, exceeds, feedMismatch, MATCHED, type Measured } from './meter/measured';
export type { Observation } from './diagnosis/observation';
export { readObservations } from './diagnosis/observation.schema';
export {
  repairShape,
  cableTestShape,
  inletSheetShape,
  priorsShape,
  type KeptCableTest,
  type KeptInletSheet,
  type KeptRepair,
} from './cables/kept';
export { COMMONEST, endsOf, PRIORS, RAREST, type Experience, type OwnPriors, type Repair } from './hypotheses/priors';
export {
  connectorOf,
  isCableItem,
  isOwn,
  lengthOf,
  lengthRows,
  registerRows,
  type CableItem,
  type DatedTest,
  type LengthRow,
  type RegisterRow,
  type RegisterState,
} from './cables/register';
export { sparesFor } from './cables/spares';
export { situationOf, type Situation } from './situation';
export { TOOL_PARTS, toolReadings } from './meter/tools';
export { reportOf, type Report } from './diagnosis/report';
