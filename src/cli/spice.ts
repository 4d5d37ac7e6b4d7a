import { lineSpice } from '@/core/rig';
import { documentFrom, refuse } from './terminal';

const [file, id] = process.argv.slice(2);
const rig = documentFrom(id ? file : undefined, 'npm run -s spice -- FILE.json LINE_ID');
process.stdout.write(
  lineSpice(rig, id) ??
    refuse('no-line', `there is no line ${id}; this rig has ${rig.lines.map((line) => line.id).join(', ') || 'none'}`),
);
