import { freeInlets, newDevice, setFeed } from '../../rig/rigEdits';
import { groupOf, type Device, type InletRef, type RigDocument, type RigLine } from '../../rig/document';
import { FEEDS } from '../../standards/feeds';
import { deviceMeant, inletsMeant } from '../../typed';
import { numbersIn, type FeedWanted } from './cells';
import { type Columns } from './columns';
import type { Grid } from './grid';

/** How many inlets a device may have that is made for a list. */
const SIZES = [2, 4, 8, 16, 24, 32, 48, 64, 96, 128];

/** The device whose inlets the numbers are: the one that is said, else the one whose inlets fit the most of them. */
export function deviceFor(document: RigDocument, grid: Grid, { roles, first }: Columns, said: string | undefined) {
  const column = roles.indexOf('number');
  const numbers = column < 0 ? [] : grid.slice(first).flatMap((cells) => numbersIn(cells[column]) ?? []);
  const fits = ({ inlets }: Device) =>
    numbers.filter((number) => inlets.some(({ id }) => id === String(number))).length + inlets.length / 1000;
  const chosen =
    said === undefined
      ? document.devices.toSorted((a, b) => fits(b) - fits(a))[0]
      : document.devices.find(({ id }) => id === said);
  if (chosen) return { rig: document, device: chosen };
  const count = Math.max(...numbers, grid.length - first, 1);
  const made = newDevice(document, {
    name: 'Desk',
    kind: 'three-pin',
    inlets: SIZES.find((size) => size >= count) ?? SIZES.at(-1)!,
    perSwitch: 1,
    offers: ['P48'],
  });
  return { rig: { ...document, devices: [...document.devices, made] }, device: made };
}

/** The inlets of a row: as it says; where those are taken or not there, the next free ones, with a remark. */
export function inletsOf(
  rig: RigDocument,
  fallback: Device,
  { numbers, device, inlet }: { numbers?: number[]; device: string; inlet: string },
  remarks: string[],
): { refs: InletRef[]; named: boolean } {
  const own = numbersIn(inlet);
  const said = [`${device} ${inlet}`, inlet, device && numbers ? `${device} ${spelled(numbers)}` : device]
    .map((words) => words.trim())
    .filter((words) => /[a-z]/i.test(words))
    .map((words) => deviceMeant(rig, words))
    .find(Boolean);
  const meant = said ?? { device: fallback, inlets: spelled(own ?? numbers ?? []) };
  if (device && !said) remarks.push(`There is no device “${device}”: taken as ${fallback.name}.`);
  const count = Math.max(numbers?.length ?? 1, own?.length ?? 1);
  const asked = inletsMeant(rig, meant, count);
  const named = said !== undefined;
  if ('refs' in asked) return { refs: asked.refs, named };
  const free = freeInlets(rig).map(({ to }) => to);
  const next = [
    ...free.filter((ref) => ref.device === meant.device.id),
    ...free.filter((ref) => ref.device !== meant.device.id),
  ];
  const taken = next.slice(0, count);
  if (taken.length < count) return { refs: [], named };
  remarks.push(`${asked.problem} It goes to ${taken.map((ref) => `inlet ${ref.inlet}`).join(' and ')}.`);
  return { refs: taken, named };
}

const spelled = (numbers: readonly number[]): string => numbers.join(',');

/** What became of a row, as far as its feed is concerned. */
interface Fed {
  feed?: FeedWanted;
  lines: Omit<RigLine, 'id'>[];
  remarks: string[];
}

/** Switches turned on where the list asks for 48 V and nothing on the same switch says no. */
export function withFeeds(rig: RigDocument, rows: readonly Fed[]): RigDocument {
  const wanted = new Map<string, { device: string; group: string; on: boolean; row: Fed }>();
  for (const row of rows)
    for (const { inlet } of row.lines) {
      if (row.feed === undefined || !('device' in inlet)) continue;
      const group = groupOf(
        rig.devices.find(({ id }) => id === inlet.device)!,
        inlet.inlet,
      );
      if (!group?.offers.includes('P48')) continue;
      const key = `${inlet.device} ${group.id}`;
      const before = wanted.get(key);
      if (before && before.on !== (row.feed === 'on'))
        row.remarks.push(
          `${group.name}: one switch, but the list asks for ${FEEDS.P48.label} on some of its rows and not on others.`,
        );
      wanted.set(key, { device: inlet.device, group: group.id, on: row.feed === 'on' && before?.on !== false, row });
    }
  return [...wanted.values()].reduce(
    (next, { device, group, on }) => (on ? setFeed(next, device, group, 'P48') : next),
    rig,
  );
}
