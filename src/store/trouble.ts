import { readdirSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import Database from 'better-sqlite3';

/** What may be wrong with a database as a whole. */
export type Trouble =
  'not-a-database' | 'foreign' | 'newer' | 'damaged' | 'locked' | 'read-only' | 'full' | 'unreachable';

/** The database cannot be used, or not written to. */
export class StoreTrouble extends Error {
  /** @param path of the database @param cause what SQLite said, if it did */
  constructor(
    readonly trouble: Trouble,
    readonly path: string,
    options?: { cause: unknown },
  ) {
    super(`${path}: ${WORDS[trouble].what}`, options);
    this.name = 'StoreTrouble';
  }
}

/** What SQLite calls it (Result and Error Codes, sqlite.org/rescode.html, from memory), by the beginning of its code. */
const CODES: readonly (readonly [string, Trouble])[] = [
  ['SQLITE_NOTADB', 'not-a-database'],
  ['SQLITE_CORRUPT', 'damaged'],
  ['SQLITE_BUSY', 'locked'],
  ['SQLITE_LOCKED', 'locked'],
  ['SQLITE_READONLY', 'read-only'],
  ['SQLITE_FULL', 'full'],
  ['ENOSPC', 'full'],
  ['SQLITE_CANTOPEN', 'unreachable'],
  ['SQLITE_IOERR', 'unreachable'],
  ['EACCES', 'unreachable'],
  ['EEXIST', 'unreachable'],
  ['EROFS', 'unreachable'],
  ['ENOTDIR', 'unreachable'],
];

/** What went wrong as trouble with the database; undefined if it is something else. */
export function troubleOf(problem: unknown, path: string): StoreTrouble | undefined {
  if (problem instanceof StoreTrouble) return problem;
  const code = (problem as { code?: unknown } | null)?.code;
  const [, trouble] = (typeof code === 'string' && CODES.find(([begins]) => code.startsWith(begins))) || [];
  return trouble && new StoreTrouble(trouble, path, { cause: problem });
}

interface Words {
  what: string;
  safe: string;
  todo: string;
}

const WORDS: Record<Trouble, Words> = {
  'not-a-database': {
    what: 'This file is not a database.',
    safe: 'It was left as it is.',
    todo: 'Stop the server. Move the file away, or name another one in INLET_CHECK_DATABASE, and start again.',
  },
  foreign: {
    what: 'This file is the database of another program.',
    safe: 'Nothing was written to it.',
    todo: 'Name another file in INLET_CHECK_DATABASE and start again.',
  },
  newer: {
    what: 'This file comes from a newer Inlet Check. Update this one.',
    safe: 'Nothing was written to it.',
    todo: 'Update Inlet Check and start it again.',
  },
  damaged: {
    what: 'The database is damaged.',
    safe: 'What can still be read in it is left as it is; nothing more is written to it.',
    todo: 'Stop the server. Move the file away, together with those beside it that end in -wal and -shm: they belong to it alone. Then put an undamaged copy in its place.',
  },
  locked: {
    what: 'Another program is holding the database.',
    safe: 'What was saved is safe. What you change now stays on your page and is sent again.',
    todo: 'Close whatever has the file open: a backup, perhaps, or a database browser.',
  },
  'read-only': {
    what: 'The database can be read, but not written to.',
    safe: 'What was saved is safe. What you change now stays on your page and is sent again.',
    todo: 'Give the server the right to write to the file and its folder.',
  },
  full: {
    what: 'The disk with the database is full.',
    safe: 'What was saved is safe. What you change now stays on your page and is sent again.',
    todo: 'Make room on it.',
  },
  unreachable: {
    what: 'The database cannot be reached.',
    safe: 'Nothing was changed. What you change now stays on your page and is sent again.',
    todo: 'Check that its disk is connected and that the server may open the file.',
  },
};

/** The trouble in words: which, what is safe, what to do; the newest sound copy where one is wanted and there is one. */
export function wordsOf({
  trouble,
  path,
}: StoreTrouble): Words & { path: string; copy?: { path: string; at: string } } {
  const copy = trouble === 'damaged' || trouble === 'not-a-database' ? newestSoundCopy(path) : undefined;
  return { ...WORDS[trouble], path, ...(copy && { copy }) };
}

/** The trouble as one text. */
export function sentenceOf(trouble: StoreTrouble): string {
  const { what, safe, todo, path, copy } = wordsOf(trouble);
  return [what, safe, todo, copy && `The newest undamaged copy is ${copy.path}, from ${copy.at}.`, `The file: ${path}.`]
    .filter(Boolean)
    .join(' ');
}

/** Whether a file is a database without damage. @returns the reason where it is not */
export function quickCheck(database: Database.Database): string | undefined {
  const said = database.pragma('quick_check(1)', { simple: true }) as string;
  return said === 'ok' ? undefined : said;
}

/** The newest copy beside a database that is sound; copies are made before every update. */
function newestSoundCopy(path: string): { path: string; at: string } | undefined {
  try {
    return readdirSync(dirname(path))
      .filter((name) => name.startsWith(`${basename(path)}.before-`))
      .map((name) => join(dirname(path), name))
      .map((copy) => ({ path: copy, made: statSync(copy).mtime }))
      .toSorted((a, b) => b.made.getTime() - a.made.getTime())
      .filter(({ path: copy }) => isSound(copy))
      .map(({ path: copy, made }) => ({ path: copy, at: made.toISOString().slice(0, 16).replace('T', ' ') }))[0];
  } catch {
    return undefined;
  }
}

function isSound(path: string): boolean {
  try {
    const database = new Database(path, { readonly: true });
    try {
      return quickCheck(database) === undefined;
    } finally {
      database.close();
    }
  } catch {
    return false;
  }
}
