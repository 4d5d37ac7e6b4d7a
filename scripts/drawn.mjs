import { createHash } from 'node:crypto';

/**
 * Whether a fault is among those that are tried, of which there is one in so many: always the same ones.
 * @param at where it stands
 * @param becomes what stands there instead
 */
export const drawn = (oneIn, at, becomes) =>
  createHash('sha1').update(`${at} ${becomes}`).digest().readUInt32BE() % oneIn === 0;

/** Where a fault stands: its file within the repository, lines and columns of its beginning and end. */
export const placeOf = (file, { start, end }) =>
  [file.slice(file.indexOf('src/')), start.line, start.column, end.line, end.column].join(' ');
