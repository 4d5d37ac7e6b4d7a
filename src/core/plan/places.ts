import { inletKey, inletKind, type FeedSwitch, type Part } from '../gear';
import type { Device, RigDocument, SwitchGroup } from '../rig/document';
import { switchOf } from '../rig/paths';
import { freeId, freeName } from '../rig/rigEdits';
import { type FeedName, USUAL } from '../standards/feeds';
import { onceEach } from '../units/once';
import type { Site } from './assess';
import { TO_GET } from './pieces';

/** Inlets of one switch that are all alike, so that it makes no difference which of them a line is on. */
export interface Place {
  device: Device;
  group?: SwitchGroup;
  inlets: string[];
  part: Part;
  /** Whether the inlets have a feed at all, switched or not. */
  fed: boolean;
  /** Key of the piece that stands for an inlet nobody has. */
  toGet?: string;
}

/** So many small interfaces are offered where devices stand. */
const EACH = 2;
/** Places that are looked at for them, those with most inlets first. */
const MOST_PLACES = 3;

/**
 * Small interfaces with one inlet each: what a plan proposes to get where every inlet hangs on the wrong switch. Each
 * stands where other devices do: an inlet is somewhere in the room.
 */
export function inletsToGet({ devices, locations = [] }: Pick<RigDocument, 'devices' | 'locations'>): Device[] {
  const inletsAt = (location: string | undefined) =>
    devices.filter((device) => device.location === location).reduce((sum, { inlets }) => sum + inlets.length, 0);
  const places = [...new Set(devices.map(({ location }) => location))]
    .toSorted((a, b) => inletsAt(b) - inletsAt(a))
    .slice(0, MOST_PLACES);
  const made: Device[] = [];
  for (const location of places)
    for (let n = 0; n < EACH; n++) {
      const where = locations.find(({ id }) => id === location)?.name;
      made.push({
        id: freeId([...devices, ...made], 'inlet-to-get'),
        name: freeName([...devices, ...made], where ? `Inlet to get, ${where}` : 'Inlet to get'),
        note: 'to get: one XLR inlet with a separate 48 V switch',
        inlets: [{ id: '1', kind: 'combo' }],
        groups: [{ id: 'own', name: 'one inlet, one switch', inlets: ['1'], offers: [USUAL], feed: 'off' }],
        ...(location !== undefined && { location }),
      });
    }
  return made;
}

export const inletPieceKey = (device: string): string => `${TO_GET} ${device}`;

export const groupKey = (device: string, group: string): string => `${device} ${group}`;
/**
 * Where lines may go: the inlets of every device, alike ones together; those that are forbidden to every line are left out.
 * @param toGet those of the devices that nobody has
 */
export function placesOf({ devices, wishes }: RigDocument, toGet: readonly Device[] = []): Place[] {
  const shut = new Set(
    (wishes?.forbidden ?? []).filter(({ line }) => line === undefined).map(({ to }) => inletKey(to)),
  );
  return devices.flatMap((device) => {
    const places = new Map<string, Place>();
    for (const { id, name: _name, note: _note, ...part } of device.inlets) {
      if (shut.has(inletKey({ device: device.id, inlet: id }))) continue;
      const group = device.groups.find(({ inlets }) => inlets.includes(id));
      const key = JSON.stringify([group?.id, part.kind, part.figures, part.choices]);
      const place = places.get(key);
      if (place) place.inlets.push(id);
      else
        places.set(key, {
          device,
          group,
          inlets: [id],
          part,
          fed: inletKind(part.kind).choices.feed !== undefined,
          ...(toGet.includes(device) && { toGet: inletPieceKey(device.id) }),
        });
    }
    return [...places.values()];
  });
}

/** Feeds that the switch of a place can be set to. */
export const feedsOf = ({ group }: Place): FeedName[] => (group ? ['off', ...group.offers] : ['off']);

/** Each site of a place is one, so that what is known of it is found again. */
const sitesOf = onceEach((_place: Place) => new Map<FeedName, Site>());

/** A place as a chain meets it at one setting of its switch. Whoever plans takes it that the switch reaches other lines too. */
export function siteOf(place: Place, feed: FeedName): Site {
  const own = sitesOf(place);
  const site = own.get(feed) ?? madeSite(place, feed);
  own.set(feed, site);
  return site;
}

function madeSite({ device, group, part, fed }: Place, feed: FeedName): Site {
  if (!fed) return { inlet: part };
  const own: FeedSwitch = switchOf(device, group, group && group.inlets.length > 1 ? ['other lines'] : []);
  return { inlet: { ...part, choices: { ...part.choices, feed } }, switch: own };
}
