/** Tables in and out: comma-separated lists of lines, kit and log. */
export { patchList, readPatchList, type PatchImport } from './patchList';
export type { RowReport } from './rowReport';
export { readKitCsv, type KitImport } from './kit/read';
export { kitCsv } from './kit/write';
export { logCsv, logJson } from './log';
export { readMainsTable, type MainsImport } from './mains/read';
export { mainsTable } from './mains/write';
