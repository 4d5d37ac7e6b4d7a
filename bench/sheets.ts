import { aimFor, packed, preview, sheetRig } from '@/core/switching/sheet';
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
    console.log(
      `${lines} lines: circuits followed in ${followed.toFixed(0)} ms, ${steps.length} steps ordered in ${ordered.toFixed(1)} ms, fewest walks ${fewest ? 'proven' : 'not proven'}`,
    );
  }
}
