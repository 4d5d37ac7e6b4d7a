import { waitOf } from '@/core/testing/belief/costs';
import { diagnose } from '@/core/testing/diagnosis/diagnose';
import { reportOf } from '@/core/testing/diagnosis/report';
import { ObservationError } from '@/core/testing/instruments';
import { rigPath, schoolsOf } from '@/core/rig';
import { parsedJson } from '@/core/rig/refusals';
import { documentFrom, readFrom, refuse } from './terminal';

const USAGE = 'npm run -s diagnose -- RIG.json LINE_ID [OBSERVATIONS.json]';
const [file, id, observed] = process.argv.slice(2);
const rig = documentFrom(id ? file : undefined, USAGE);
const line =
  rigPath(rig, id)?.line ??
  refuse('no-line', `there is no line ${id}; this rig has ${rig.lines.map((each) => each.id).join(', ') || 'none'}`);
const observations = observed ? readFrom(observed, parsedJson, USAGE) : [];
try {
  const found = diagnose(line, observations, { wait: waitOf(schoolsOf(rig)) });
  process.stdout.write(`${JSON.stringify(reportOf(id, found), null, 2)}\n`);
} catch (error) {
  if (error instanceof ObservationError) refuse('bad-observation', `${error.path}: ${error.message}`);
  throw error;
}
