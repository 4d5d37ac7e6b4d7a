import type { DbSpl, Seconds } from '../units';
import type { InletRef, RigDocument } from './document';
import { rigPath } from './paths';
import type { RoomBand, Unit, Wishes, Arrangement } from './arrangement';
import { EARTH, type Mains } from './mains';
import { inletKey } from '../gear';

/** From one place to another on foot, where nobody knows how far it is (assumed). */
export const WALK: Seconds = 45;

/** The noise of a place as it was stated: in dB(A), or by octaves. */
type StatedRoom = { level: DbSpl } | { bands: readonly RoomBand[] };

/** The noise of the place where a line's source stands; undefined where nobody has stated it. */
export const roomOf = (document: RigDocument, line: string): StatedRoom | undefined =>
  roomAround(document, rigPath(document, line)?.source);

/** The same of the line that the source is on. */
export function roomAround(document: RigDocument, source: string | undefined): StatedRoom | undefined {
  const at = document.lines.find(({ id }) => id === source)?.location;
  const location = document.locations?.find(({ id }) => id === at);
  if (location?.roomBands?.length) return { bands: location.roomBands };
  return location?.room && { level: location.room.value };
}

/** The length of the run between two locations in metres, 0 within one; undefined where nobody has stated it. */
export function runLength({ runs }: Arrangement, from: string, to: string): number | undefined {
  if (from === to) return 0;
  return runs?.find(({ between }) => between.includes(from) && between.includes(to))?.length.value;
}

/** A document that says nothing of lines, inlets and devices that are gone. */
export function tidied(document: RigDocument): RigDocument {
  const { wishes: before, units, monitors, mains, ...rest } = document;
  const wishes = wishesFor(before, document);
  const known = new Set(document.devices.map(({ id }) => id));
  return {
    ...rest,
    ...(wishes && { wishes }),
    ...(monitors && {
      monitors: monitors.map((each) => ({ ...each, devices: each.devices.filter((id) => known.has(id)) })),
    }),
    ...(units && { units: units.map((unit) => without(unit, document)) }),
    ...(mains && { mains: groundsOf(mains, document) }),
  };
}

/** What is said of grounds, without what it says of lines and units that are gone. */
function groundsOf(mains: Mains, { lines, units = [] }: Pick<RigDocument, 'lines' | 'units'>): Mains {
  const has = (list: readonly { id: string }[], id: string) => list.some((each) => each.id === id);
  const { connections, lines: grounds, beside } = mains;
  const kept: Mains = {
    ...mains,
    ...(connections && {
      connections: connections.filter(({ between }) => between.every((id) => id === EARTH || has(units, id))),
    }),
    ...(grounds && { lines: grounds.filter(({ line }) => has(lines, line)) }),
    ...(beside && { beside: beside.filter(({ line, unit }) => has(lines, line) && has(units, unit)) }),
  };
  return JSON.stringify(kept) === JSON.stringify(mains) ? mains : kept;
}

/** A unit without what it was in the rig, where that is gone. */
function without(unit: Unit, { devices, lines }: Pick<RigDocument, 'lines' | 'devices'>): Unit {
  const { device, line, ...rest } = unit;
  const [hasDevice, hasLine] = [device, line].map(
    (id, n) => id === undefined || [devices, lines][n].some((each) => each.id === id),
  );
  // What loses nothing stays the same, down to the order of its fields.
  if (hasDevice && hasLine) return unit;
  return { ...rest, ...(hasDevice && device && { device }), ...(hasLine && line && { line }) };
}

function wishesFor(
  wishes: Wishes | undefined,
  { lines, devices }: Pick<RigDocument, 'lines' | 'devices'>,
): Wishes | undefined {
  if (!wishes) return undefined;
  const known = new Set(lines.map(({ id }) => id));
  const inlets = new Set(
    devices.flatMap(({ id, inlets: own }) => own.map((inlet) => inletKey({ device: id, inlet: inlet.id }))),
  );
  const there = (to: InletRef) => inlets.has(inletKey(to));
  const kept: Wishes = {
    pinned: wishes.pinned?.filter(({ line, to }) => known.has(line) && there(to)),
    forbidden: wishes.forbidden?.filter(({ line, to }) => (line === undefined || known.has(line)) && there(to)),
    neighbours: wishes.neighbours?.filter((pair) => pair.every((line) => known.has(line))),
  };
  const filled = Object.entries(kept).filter(([, list]) => list?.length);
  return filled.length ? Object.fromEntries(filled) : undefined;
}
