import type { RigDocument } from '../rig';
import { mainsAsks } from './asks';
import { mainsReport } from './findings';

/** Name and version of the open format. */
const [FORMAT, VERSION] = ['inlet-check-mains', 1] as const;

/** The mains side of a rig as programs get it; levels in dBu RMS and dBFS, currents in A, voltages in V. */
export function mainsAnswer(document: RigDocument) {
  const report = mainsReport(document);
  const { readings, findings } = report;
  return {
    format: FORMAT,
    version: VERSION,
    chassis: readings.chassis,
    leakage: readings.leakage,
    residual: readings.residual,
    ...(readings.floating && { floating: readings.floating }),
    loops: readings.loops.map(({ ties, units, amps, worst }) => ({
      ties,
      units,
      amps,
      ...(worst && { worst: worst.line }),
    })),
    lines: readings.lines.map(({ line, how, reads, within, ask, toDbfs, byHarmonic, shares, whine, open }) => ({
      id: line,
      how,
      dbu: reads['as-set'],
      dbuA: reads['a-weighted'],
      within,
      ...(ask && { ask }),
      ...(open !== undefined && { open }),
      ...(toDbfs !== undefined && { dbfs: reads['as-set'] + toDbfs, dbfsA: reads['a-weighted'] + toDbfs }),
      byHarmonic,
      shares,
      ...(whine && {
        whine: {
          dbu: whine.reads['as-set'],
          dbuA: whine.reads['a-weighted'],
          byTone: whine.byTone,
          shares: whine.shares,
        },
      }),
    })),
    findings: findings.map(({ remedies: _remedies, ...finding }) => finding),
    remedies: findings.flatMap(({ remedies }) => remedies),
    loads: readings.loads,
    legs: readings.legs,
    fields: readings.fields,
    earth: readings.earth,
    asks: mainsAsks(document, report).map(({ apart: _apart, ...ask }) => ask),
  };
}

export type MainsAnswer = ReturnType<typeof mainsAnswer>;
