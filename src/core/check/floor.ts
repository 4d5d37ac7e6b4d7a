import type { Dbfs } from '../units';
import { quantity, rounded } from '../units/format';
import { SEVERITIES, verdictOf, type Finding } from './finding';
import type { LineResult } from './result';
import { SCHOOLS, schoolLabel, type FloorMeter, type Schools } from '../schools/schools';

/** A noise floor that is known: measured on the line, or predicted from a room that was stated, as far as it was. */
export interface Floor {
  /** As each meter reads it. */
  dbfs: Record<FloorMeter, Dbfs>;
  from: 'measured' | 'predicted';
}

/** Differences below this are within the meaning of the figures, in dB. */
const SLACK = 1;

function noisy(floor: Floor, schools: Schools): Finding | undefined {
  const target = Number(schools.noiseFloor);
  const meter = schools.floorMeter as FloorMeter;
  const level = floor.dbfs[meter];
  const over = level - target;
  if (over <= SLACK) return undefined;
  return {
    code: 'noise-floor',
    severity: 'watch',
    part: 'inlet',
    what: `Noise floor ${rounded(over, 'dB')} over your target`,
    why: `${quantity(level, 'dBFS')} ${floor.from === 'measured' ? 'measured last' : 'predicted from the room as stated'}, ${schoolLabel('floorMeter', meter)}; the target is ${quantity(target, 'dBFS')}.`,
    numbers: [{ label: 'Noise floor, RMS', value: level, unit: 'dBFS' }],
    remedies: [],
    basis: `your school: ${SCHOOLS.noiseFloor.question}: ${schoolLabel('noiseFloor', schools.noiseFloor)}`,
    school: { name: 'noiseFloor', choice: schools.noiseFloor },
    look: 'Noise says where it comes from and what would help.',
  };
}

/** A result with the verdict of its noise floor, where floor and target are known and the line delivers anything. */
export function withFloor<R extends LineResult>(result: R, schools: Schools, floor: Floor | undefined): R {
  if (!floor || result.verdict === 'Stop' || result.verdict === 'Silent') return result;
  const finding = noisy(floor, schools);
  if (!finding) return result;
  const all = [...result.findings, finding];
  const findings = SEVERITIES.flatMap((severity) => all.filter((each) => each.severity === severity));
  return { ...result, findings, verdict: verdictOf(findings) };
}
