/** What was decided, switched and found, and what every source had to bear. */
export { ENTRY_KINDS, type EntryKind, type Fed, type Happening, type LogEntry } from './entry';
export { exposures, type Exposure } from './exposure';
export { filtered, type LogFilter } from './filter';
export { logSchema } from './logSchema';
