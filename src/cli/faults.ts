import { faultReadings } from '@/core/rigcheck';
import { documentFrom } from './terminal';

const rig = documentFrom(process.argv[2], 'npm run -s faults -- FILE.json');
const readings = faultReadings(rig).map((reading) => JSON.stringify(reading));
process.stdout.write(
  `{"format":"inlet-check-faults","version":1,"rig":${JSON.stringify(rig.name)},"readings":[\n${readings.join(',\n')}\n]}\n`,
);
