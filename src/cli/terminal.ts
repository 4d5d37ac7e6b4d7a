import { readFileSync, statSync } from 'node:fs';
import { DocumentError, MOST_BYTES, parseDocument, type RigDocument } from '@/core/rig';

/** Ends the program with an error that says what to change, as JSON like the web's. */
export function refuse(code: string, message: string, details?: unknown): never {
  process.stderr.write(`${JSON.stringify({ error: { code, message, ...(details ? { details } : {}) } }, null, 2)}\n`);
  process.exit(2);
}

/** Reads a rig document from a file, `-` being standard input. */
export const documentFrom = (path: string | undefined, usage: string): RigDocument =>
  readFrom(path, parseDocument, usage);

/** Reads something from a file, `-` being standard input. */
export function readFrom<T>(path: string | undefined, parse: (text: string) => T, usage: string): T {
  if (!path) refuse('usage', usage);
  let text: string;
  try {
    if (path !== '-' && statSync(path).size > MOST_BYTES)
      refuse('too-large', `${path} is larger than ${MOST_BYTES / 1024 / 1024} MiB`);
    text = readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    refuse('unreadable', `${path} cannot be read: ${(error as Error).message}`);
  }
  try {
    return parse(text);
  } catch (error) {
    if (error instanceof DocumentError) refuse('bad-document', `${path}: ${error.message}`, error.refusals);
    throw error;
  }
}
