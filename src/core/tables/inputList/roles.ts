import { tokensOf } from '../../typed';

import type { ListRole } from '../../rig/listColumns';

export type Role = ListRole;

/** How the roles are called, and the headings that people give them, in lower case. A heading may be part of a longer one. */
export const ROLES: Record<Role, { label: string; headings: readonly string[] }> = {
  number: {
    label: 'Channel',
    headings: [
      'ch',
      'chan',
      'channel',
      'channels',
      'no',
      'nr',
      'number',
      '#',
      'input no',
      'input #',
      'track',
      'line no',
    ],
  },
  name: {
    label: 'Name',
    headings: [
      'name',
      'instrument',
      'who',
      'label',
      'signal',
      'artist',
      'player',
      'what',
      'scribble',
      'voice',
      'input',
      'desc',
      'description',
      'channel name',
      'performer',
      'part',
    ],
  },
  source: {
    label: 'Microphone, pickup or DI',
    headings: [
      'mic',
      'mics',
      'mic/di',
      'mic / di',
      'microphone',
      'microphones',
      'source',
      'mic or di',
      'mic type',
      'transducer',
      'capsule',
      'di',
      'pickup',
      'mic choice',
      'mic/line',
      'micro',
      'mikrofon',
    ],
  },
  links: {
    label: 'Links',
    headings: [
      'links',
      'via',
      'chain',
      'path',
      'through',
      'adapter',
      'box',
      'between',
      'insert',
      'snake',
      'sub snake',
      'multicore',
    ],
  },
  cable: {
    label: 'Cable length',
    headings: ['cable', 'length', 'cable length', 'run', 'xlr', 'lead', 'm', 'ft', 'metres', 'meters', 'feet'],
  },
  device: { label: 'Device', headings: ['device', 'console', 'desk', 'recorder', 'mixer', 'interface', 'to', 'into'] },
  inlet: {
    label: 'Inlet',
    headings: ['inlet', 'patch', 'preamp', 'pre', 'socket', 'port', 'stage box', 'stagebox', 'input socket', 'rack'],
  },
  feed: {
    label: '48 V',
    headings: ['48v', '48 v', '+48', '+48v', 'phantom', 'phantom power', 'p48', 'pwr', 'power', 'feed', 'ph', '48'],
  },
  location: {
    label: 'Position',
    headings: ['position', 'location', 'where', 'place', 'stage position', 'pos', 'area', 'zone'],
  },
  note: { label: 'Note', headings: ['note', 'notes', 'remark', 'remarks', 'comment', 'comments', 'info'] },
};

export const ROLE_NAMES = Object.keys(ROLES) as Role[];

/** These may be in several columns: what they hold is put together. */
const SEVERAL: readonly Role[] = ['note', 'links'];

const plain = (heading: string): string =>
  heading
    .toLowerCase()
    .replaceAll(/[():.]/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();

/** How well a heading says what a column holds: 3 where it is one that people use, 2 where it begins with one, 1 where it has one in it. */
function fit(heading: string, role: Role): number {
  const text = plain(heading);
  const { headings } = ROLES[role];
  if (headings.includes(text)) return 3;
  const tokens = tokensOf(text);
  const has = (own: string, at: number) => {
    const wanted = tokensOf(own);
    return wanted.length > 0 && wanted.every((token, n) => tokens[at + n] === token);
  };
  if (headings.some((own) => has(own, 0))) return 2;
  return headings.some((own) => tokens.some((_, at) => at > 0 && has(own, at))) ? 1 : 0;
}

/** Whether a cell is a heading that people use. */
export const isHeading = (cell: string): boolean =>
  cell !== '' &&
  cell.length <= 40 &&
  // A number other than that of a feed is of a row.
  !/\d/.test(cell.replaceAll(/48|12/g, '')) &&
  ROLE_NAMES.some((role) => fit(cell, role) >= 2);

/** How many cells of a row are headings. */
export const headingsIn = (row: readonly string[]): number => row.filter(isHeading).length;

/** What each column holds by its heading; undefined for what no heading tells. */
export function rolesOf(headings: readonly string[]): (Role | undefined)[] {
  const found: (Role | undefined)[] = headings.map(() => undefined);
  const wishes = headings
    .flatMap((heading, column) =>
      heading === '' ? [] : ROLE_NAMES.map((role) => ({ column, role, fit: fit(heading, role) })),
    )
    .filter((wish) => wish.fit > 0)
    .sort((a, b) => b.fit - a.fit);
  for (const { column, role } of wishes)
    if (found[column] === undefined && (SEVERAL.includes(role) || !found.includes(role))) found[column] = role;
  return named(headings, found);
}

/** "Input" is the number where nothing else is, and "Source" the name where another column has the microphone. */
function named(headings: readonly string[], found: (Role | undefined)[]): (Role | undefined)[] {
  const at = (role: Role) => found.indexOf(role);
  if (at('name') >= 0 && at('number') < 0 && /^inputs?$/i.test(headings[at('name')].trim()))
    return named(headings, found.with(at('name'), 'number'));
  const other = headings.findIndex((heading, n) => found[n] === undefined && fit(heading, 'source') >= 2);
  if (at('name') < 0 && other >= 0 && /^sources?$/i.test(headings[at('source')]?.trim() ?? ''))
    return found.with(at('source'), 'name').with(other, 'source');
  return found;
}
