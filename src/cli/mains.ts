import { mainsAnswer } from '@/core/mains';
import { documentFrom } from './terminal';

const [file] = process.argv.slice(2);
const rig = documentFrom(file, 'npm run -s mains -- FILE.json');
process.stdout.write(`${JSON.stringify(mainsAnswer(rig), null, 2)}\n`);
