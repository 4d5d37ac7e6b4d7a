/** Run sheets: the rig as it really is, the steps to what is wanted, and what happened on the way. */
export { rulesOf, type Action, type Likely } from './actions';
export { aimFor, feedsOf } from './aims';
export { residual } from './charge';
export { dangers } from './dangers';
export { sheetRig } from './fromRig';
export { fedBy, happenings } from './happenings';
export { checkable, checksOf, LINE_CHECKS, type LineChecked, type LineCheckName } from './lineCheck';
export {
  endsOf,
  heardOn,
  MONITORS,
  monitorsOf,
  sheetKey,
  type SheetGroup,
  type SheetLine,
  type SheetMonitors,
  type SheetRig,
  type Wait,
} from './rig';
export { afterSteps, trips } from './sequence';
export { type Step } from './step';
export {
  ReportRefused,
  type Aim,
  type AtPlace,
  type Found,
  type Report,
  type SheetKind,
  type SheetOrder,
} from './report';
export { newSession, preview, reported, type LeftOut, type Session } from './session';
export { continued } from './takeover';
export { differences, takenOver, unseen, type Difference } from './room';
export { feeding, live, packed, unknown, type Known, type SheetState } from './state';
export { standingAt, stationsOf, type Standing } from './stations';
export { crewTakes, takesAlone } from './timing';
export { type WaitReason } from './step';
export { besideLine, changeOverWays, type Way } from './ways';
export { backMeans, monitorsMoved, stepWords } from './wording';
