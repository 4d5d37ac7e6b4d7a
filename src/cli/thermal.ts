import { thermalNoise } from '@/core/noise/thermal';
import { rigPath } from '@/core/rig';
import { documentFrom, refuse } from './terminal';

const [file, id] = process.argv.slice(2);
const rig = documentFrom(id ? file : undefined, 'npm run -s thermal -- FILE.json LINE_ID');
const line =
  rigPath(rig, id)?.line ??
  refuse('no-line', `there is no line ${id}; this rig has ${rig.lines.map((each) => each.id).join(', ') || 'none'}`);
process.stdout.write(`${JSON.stringify(thermalNoise(line), null, 2)}\n`);
