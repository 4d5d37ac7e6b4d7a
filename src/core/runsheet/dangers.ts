import { feedLabel, type FeedName } from '../standards/feeds';
import { harmedBySupply, harming, looseOn } from './invariants';
import { groupOf, type SheetRig } from './rig';
import { live, type SheetState } from './state';

/** What is dangerous as a rig stands, by all that is known, and what is left to do about it; in sentences. */
export function dangers(rig: SheetRig, state: SheetState): string[] {
  const list = (lines: readonly { name: string }[]) => lines.map(({ name }) => name).join(', ');
  const fed = rig.groups.flatMap(({ key, name, device }) => {
    const harmed = harming(rig, state, key);
    if (!harmed.length) return [];
    const { name: desk } = rig.devices.find(({ id }) => id === device)!;
    const feed = feedLabel(state.feeds[key].feed as FeedName);
    return [
      `${name} still feeds ${feed} into ${list(harmed)} and can damage it. Call whoever runs ${desk}; nothing else on this switch is touched until it is off.`,
    ];
  });
  const supplied = harmedBySupply(rig, state).map(
    ({ name }) => `The supply of ${name} is still on, and harms it. Get to it, or pull the source.`,
  );
  const loose = rig.groups.flatMap(({ key }) => {
    const hanging = live(rig, state, key) ? looseOn(rig, state, key) : [];
    return hanging.length
      ? [`${list(hanging)}: the plug at the source end hangs loose, and ${groupOf(rig, key).name} is on, or may be.`]
      : [];
  });
  return [...fed, ...supplied, ...loose];
}
