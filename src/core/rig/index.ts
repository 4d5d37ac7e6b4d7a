/** The rig document: its type, its schema, edits, and the texts it is written as. */
export * from './document';
export { DocumentError, type Refusal } from './refusals';
export * from './arrangement';
export * from './places';
export * from './directCurrent';
export * from './listColumns';
export * from './mains';
export * from './deviceFigures';
export { jsonSchema, parseDocument, readDocument } from './schema';
export { inletName, rigPath, rigPaths, type RigPath } from './paths';
export * from './rigEdits';
export { DEVICE_TEMPLATES, fromTemplate, type DeviceTemplate } from './deviceTemplates';
export * from './manyLines';
export { removeLine, withoutDevice } from './removal';
export { changesInWords, differences, merged, type Difference } from './differences';
export { sections, shortInletName, type Section } from './sections';
export { freeSockets, plugInto, startFrom, type FreeSocket } from './sockets';
export { lineSpice } from './spice';
