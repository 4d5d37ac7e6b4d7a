import { logSchema } from '@/core/log';
import { kitSchema } from '@/core/kit';
import { jsonSchema } from '@/core/rig';

const SCHEMAS: Record<string, () => object> = { rig: jsonSchema, kit: kitSchema, log: logSchema };

const wanted = process.argv[2] ?? 'rig';
const schema = SCHEMAS[wanted];
if (!schema) {
  process.stderr.write(`There is no schema ${wanted}; there are ${Object.keys(SCHEMAS).join(', ')}.\n`);
  process.exit(2);
}
process.stdout.write(`${JSON.stringify(schema(), null, 2)}\n`);
