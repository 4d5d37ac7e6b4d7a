import Ajv from 'ajv/dist/2020.js';

const known = new WeakMap<object, (value: unknown) => boolean>();

/** Whether values keep to a JSON Schema, by the reference library; code that is compiled once and run a little is not polished. */
export function validator(schema: object): (value: unknown) => boolean {
  const valid =
    known.get(schema) ??
    new Ajv({ strict: false, validateFormats: false, inlineRefs: false, code: { optimize: false } }).compile(schema);
  known.set(schema, valid);
  return valid;
}
