import type { FORMAT, LogEntry, VERSION } from './entry';
import type { Exposure } from './exposure';

/** An exposure with the name of its line. */
export type NamedExposure = Exposure & { name: string };

/** A log as a file holds it. */
export interface LogFile {
  format: typeof FORMAT;
  version: typeof VERSION;
  /** Name of the rig. */
  rig: string;
  entries: Omit<LogEntry, 'id'>[];
  exposures: NamedExposure[];
}
