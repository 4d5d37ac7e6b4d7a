/** The rig document: its type, its schema, edits, and the texts it is written as. */
export * from './document';
export { DocumentError, parseDocument, readDocument, type Refusal } from './schema';
export { jsonSchema } from './jsonSchema';
export { lineSpice } from './spice';
