import { writeCsv } from './csv';
import { ENTRY_KINDS, FORMAT, VERSION, type LogEntry } from '../log/entry';
import type { Exposure } from '../log/exposure';
import type { LogFile } from '../log/file';

const LOG_COLUMNS = ['time', 'kind', 'what', 'lines', 'place', 'who'] as const;

/** A log as comma-separated text; lines by name, several with a slash between. */
export const logCsv = (entries: readonly LogEntry[], nameOf: (line: string) => string): string =>
  writeCsv(
    LOG_COLUMNS,
    entries.map(({ at, kind, text, lines, place, who }) => ({
      time: at,
      kind: ENTRY_KINDS[kind],
      what: text,
      lines: lines.map(nameOf).join(' / '),
      place: place ?? '',
      who,
    })),
  );

/** A log with its exposure record as the open format `inlet-check-log`. */
export const logJson = (
  rig: string,
  entries: readonly LogEntry[],
  record: readonly Exposure[],
  nameOf: (line: string) => string,
): string => {
  const file: LogFile = {
    format: FORMAT,
    version: VERSION,
    rig,
    entries: entries.map(({ id: _id, ...entry }) => entry),
    exposures: record.map((each) => ({ ...each, name: nameOf(each.line) })),
  };
  return `${JSON.stringify(file, null, 2)}\n`;
};
