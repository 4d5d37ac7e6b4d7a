import type { RigDocument } from '../rig';
import type { FeedName } from '../standards/feeds';
import type { Aim, SheetKind } from './report';
import { sheetKey, type SheetLine, type SheetRig } from './rig';
import type { SheetState } from './state';

/**
 * What is wanted when somebody sets lines up, changes them over or strikes them; everything else stays as it is.
 * @param feeds what the rig has its switches set to, by key
 * @param at the end at which lines are exchanged in a change-over: a microphone at its source; both where none is named
 */
export function aimFor(
  kind: SheetKind,
  rig: SheetRig,
  state: SheetState,
  feeds: Readonly<Record<string, FeedName>>,
  lines: readonly string[],
  at?: 'stage' | 'desk',
): Aim {
  const picked = new Set(lines);
  const isIn = ({ id }: SheetLine) => state.ends[id].stage !== false || state.ends[id].desk !== false;
  const isThrough = ({ id }: SheetLine) => state.ends[id].stage === true && state.ends[id].desk === true;
  /** What is in the room and not on paper any more comes out, but while others play only for the line that it was. */
  const staysIn = (line: SheetLine) => kind === 'change-over' && !picked.has(line.was!) && isIn(line);
  const plugged = rig.lines.filter((line) => {
    if (line.was !== undefined) return staysIn(line);
    return kind === 'strike' ? !picked.has(line.id) && isIn(line) : picked.has(line.id) || isThrough(line);
  });
  const used = new Set(plugged.flatMap(({ groups }) => groups));
  const touched = new Set(rig.lines.filter(({ id }) => picked.has(id)).flatMap(({ groups }) => groups));
  const feedOf = (key: string): FeedName => {
    const present = state.feeds[key].feed;
    if (!used.has(key)) return 'off';
    // A set-up brings its switches to what the rig has them at; otherwise they come back to what they are.
    return present === 'unknown' || (kind === 'set-up' && touched.has(key)) ? (feeds[key] ?? 'off') : present;
  };
  const isOpen = ({ id }: SheetLine) => state.muted[id] === false;
  const exchanged = kind === 'change-over' ? rig.lines.filter((line) => picked.has(line.id) && isIn(line)) : [];
  const devices = new Set(plugged.map(({ device }) => device));
  return {
    kind,
    plugged: plugged.map(({ id }) => id),
    exchanged: exchanged.map(({ id }) => id),
    // What is not in at both ends anyway is plugged as a whole.
    ...(at && { exchangedAt: Object.fromEntries(exchanged.filter(isThrough).map(({ id }) => [id, at])) }),
    feeds: Object.fromEntries(rig.groups.map(({ key }) => [key, feedOf(key)])),
    open: plugged.filter((line) => isOpen(line) || (kind !== 'strike' && picked.has(line.id))).map(({ id }) => id),
    unpowered: kind === 'strike' ? rig.devices.filter(({ id }) => !devices.has(id)).map(({ id }) => id) : [],
    left: [],
    stuck: [],
  };
}

/** What a rig has its switches set to, by key. */
export const feedsOf = ({ devices }: RigDocument): Record<string, FeedName> =>
  Object.fromEntries(
    devices.flatMap((device) => device.groups.map((group) => [sheetKey(device.id, group.id), group.feed])),
  );
