/** Plans: chains from source to inlet, who goes where, what to get, which supply, how long the cells last. */
export { planRig } from './plan';
export type { Plan, PlanProgress, PlanRequest, PlanTools } from './request';
export type { LeftOut, LineChange, Proposal, SwitchChange, ToGet } from './proposal';
export type { Relaxation } from './assign/model';
export { rankedChains, type RankedChain, type RankedChains } from './chains/rank';
export { applyPlan, withChain, type Accepted } from './apply';
export { hours, runningTimes, type RunningTime, type VoltageOption } from './battery/runningTime';
export { ownCells, type OwnCells } from './battery/ownCells';
export { dayOnCells, type CellDay } from './battery/day';
export { supplyOptions, type SupplyOption } from './supplies/phantom';
export { checkDirectCurrent, dcOptions, type DcFinding, type DcOption, type DcResult } from './supplies/directCurrent';
export { assignDirectCurrent, type DcAssignment } from './supplies/outlets';
export { highsSolver } from './program/highs';
export type { Reached, Solver } from './program/program';
export { groupKey as switchKey } from './places';
