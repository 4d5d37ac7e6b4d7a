import { rigResult } from '@/core/check';
import { schoolsOf } from '@/core/rig';
import { documentFrom } from './terminal';

const rig = documentFrom(process.argv[2], 'npm run -s check -- FILE.json');
process.stdout.write(`${JSON.stringify(rigResult(rig, schoolsOf(rig)), null, 2)}\n`);
