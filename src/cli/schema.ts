import { jsonSchema, kitSchema } from '@/core/rig';

const schema = process.argv[2] === 'kit' ? kitSchema() : jsonSchema();
process.stdout.write(`${JSON.stringify(schema, null, 2)}\n`);
