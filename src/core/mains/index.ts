/** The mains side of a job as a circuit: who leaks, what induces, which line hears what, and what each remedy would change. */
export { mainsAnswer, type MainsAnswer } from './answer';
export { mainsAsks, type MainsAsk } from './asks';
export { calibrated } from './calibrated';
export { usualSupply } from './figures';
export { measuredEdit, isUsed, withMainsEdit, withOutlet, withoutOutlet, type MainsEdit } from './edits';
export { type MainsFinding, type MainsRemedy } from './finding';
export { mainsReport, type MainsReport } from './findings';
export { type HumLine, type LineHum } from './hearing';
export { type Load, type Loop, type MainsReadings } from './readings';
export { COSTS } from './candidates';
export { WAYS, type Way } from './solve';
export { humDifference, type HumDifference } from './difference';
export { computedTones, expectedOn, heardOn, heardOnAll, humTones, type HumTone, type Listened } from './heard';
export { electricianBrief, type Brief } from './brief';
export { type MainsUnit } from './system';
