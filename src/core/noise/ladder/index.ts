/** A line measured in states that take one thing away at a time. */
export { LADDERS, ladderKind, RUNGS, type LadderKind, type LadderRung, type Rung } from './rungs';
export { ladderRefusal, ladderResult, type Added, type Computed, type LadderResult, type RungReading } from './result';
