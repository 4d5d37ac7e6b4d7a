import { readFileSync } from 'node:fs';
import { parseDocument } from '@/core/rig';
import {
  afterSteps,
  aimFor,
  crewTakes,
  packed,
  preview,
  sheetKey,
  sheetRig,
  standingAt,
  stationsOf,
  takesAlone,
  trips,
  type SheetKind,
} from '@/core/runsheet';
import { bigRig } from './rigs';

/** How long it takes to compute a run sheet, and what of it is following the circuits. */
export function sheets(): void {
  console.log('\nRun sheets, set-up of everything\n');
  for (const lines of [16, 64]) {
    const begin = performance.now();
    const rig = sheetRig(bigRig(lines));
    const followed = performance.now() - begin;
    const feeds = Object.fromEntries(rig.groups.map(({ key, offers }) => [key, offers[0] ?? 'off'] as const));
    const ids = rig.lines.map(({ id }) => id);
    const aim = aimFor('set-up', rig, packed(rig), feeds, ids);
    preview(rig, packed(rig), aim);
    const start = performance.now();
    const { steps, fewest } = preview(rig, packed(rig), aim);
    const ordered = performance.now() - start;
    const standing = performance.now();
    const session = { state: packed(rig), steps };
    const places = stationsOf(session);
    for (const place of places) standingAt(rig, session, place, 0);
    const stood = performance.now() - standing;
    console.log(`  next step of each of ${places.length} places in ${stood.toFixed(0)} ms, of ${lines} lines`);
    console.log(
      `${lines} lines: circuits followed in ${followed.toFixed(0)} ms, ${steps.length} steps ordered in ${ordered.toFixed(1)} ms, fewest walks ${fewest ? 'proven' : 'not proven'}`,
    );
  }
}

/** What the demo rig takes one person, and two, in each order of its steps, by the sheet's own figures. */
export function crews(): void {
  console.log('\nLock Nine, mended: alone and with two people, by the figures of the sheet (assumed)\n');
  const document = parseDocument(readFileSync('demo/lock-nine-mended.json', 'utf8'));
  const rig = sheetRig(document);
  const all = rig.lines.map(({ id }) => id);
  const feeds = Object.fromEntries(
    document.devices.flatMap((device) =>
      device.groups.map((each) => [sheetKey(device.id, each.id), each.feed] as const),
    ),
  );
  let state = packed(rig);
  for (const kind of ['set-up', 'strike'] as const satisfies SheetKind[]) {
    let end = state;
    for (const order of ['time', 'walks'] as const) {
      const { steps } = preview(rig, state, { ...aimFor(kind, rig, state, feeds, all), order });
      const walks = trips(steps);
      const two = crewTakes(rig, { state, steps }, 2);
      const minutes = (seconds: number) => (seconds / 60).toFixed(1);
      console.log(
        `${kind.padEnd(7)} ${order === 'time' ? 'shortest waits' : 'fewest walks'}: ${steps.length} steps, alone ${walks} walks, ${minutes(takesAlone(steps, walks))} min; two people ${two.walks.join(' and ')} walks, ${minutes(two.seconds)} min`,
      );
      end = afterSteps(rig, state, steps).at(-1)!;
    }
    state = end;
  }
}
