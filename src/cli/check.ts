import { fullRigResult } from '@/core/rigcheck';
import { documentFrom } from './terminal';

const rig = documentFrom(process.argv[2], 'npm run -s check -- FILE.json');
process.stdout.write(`${JSON.stringify(fullRigResult(rig), null, 2)}\n`);
