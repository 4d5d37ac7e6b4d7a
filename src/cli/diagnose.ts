import { diagnose, ObservationError, readObservations, reportOf, situationOf, waitOf } from '@/core/testing';
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
  const situation = situationOf(rig, id)!;
  const found = diagnose(line, readObservations(observations), {
    wait: waitOf(schoolsOf(rig)),
    feedStaysOff: situation.harmed.length > 0,
  });
  process.stdout.write(`${JSON.stringify(reportOf(id, found, situation), null, 2)}\n`);
} catch (error) {
  if (error instanceof ObservationError) refuse('bad-observation', `${error.path}: ${error.message}`);
  throw error;
}
