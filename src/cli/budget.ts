import { computedTones, heardOn } from '@/core/mains';
import { noiseBudget, noiseRemedies } from '@/core/noise/budget';
import { peakTargetOf } from '@/core/schools';
import { schoolsOf, rigPath } from '@/core/rig';
import { roomOf } from '@/core/rig/places';
import { freeInlets } from '@/core/rig/rigEdits';
import { documentFrom, refuse } from './terminal';

const [file, id] = process.argv.slice(2);
const rig = documentFrom(id ? file : undefined, 'npm run -s budget -- FILE.json LINE_ID');
const line =
  rigPath(rig, id)?.line ??
  refuse('no-line', `there is no line ${id}; this rig has ${rig.lines.map((each) => each.id).join(', ') || 'none'}`);
const hum = computedTones(heardOn(rig, id));
const wishes = { target: peakTargetOf(schoolsOf(rig)), room: roomOf(rig, id), ...(hum && { hum }) };
process.stdout.write(
  `${JSON.stringify({ budget: noiseBudget(line, wishes), remedies: noiseRemedies(line, wishes, freeInlets(rig)) }, null, 2)}\n`,
);
