/** The check: a line in, readings, findings and a verdict out. */
export { lineResult, rigResult, type JunctionReading, type LineResult, type RigResult } from './result';
export { probe, type ProbeTip } from './probe';
export * from './finding';
export * from './schools';
