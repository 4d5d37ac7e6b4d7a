/** The mains side of a job as a circuit: who leaks, what induces, which line hears what, and what each remedy would change. */
export { mainsAnswer, type MainsAnswer } from './answer';
export { usualSupply } from './figures';
export { withMainsEdit, type MainsEdit } from './edits';
export { mainsReport, type MainsFinding, type MainsRemedy, type MainsReport } from './findings';
export { type LineHum, type Load, type Loop, type MainsReadings } from './readings';
export { type Way } from './solve';
