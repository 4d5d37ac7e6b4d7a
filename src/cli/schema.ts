import { jsonSchema } from '@/core/rig';

process.stdout.write(`${JSON.stringify(jsonSchema(), null, 2)}\n`);
