import { harming, reached, shut, type Breach } from '../invariants';
import { carriers, type SheetDevice, type SheetRig } from '../rig';
import { isHeard, live, type FeedState, type SheetState } from '../state';
import type { ActionOf } from './action';
import { ending } from './leaving';
import type { ActionRules } from './rules';

type Mains = ActionOf<'mains'>;

const MAINS =
  'Never lift the protective earth. Work on mains leads and distribution belongs to a licensed electrician, by local code.';
const UP = 'Monitors or headphones are up, or may be.';

/** A device gets its power, or loses it. */
export const mains: ActionRules<Mains> = {
  takes: () => 15,
  several: 'devices',
  touches: () => [],
  about: ({ lines }, action) => lines.filter(({ device }) => device === action.device).map(({ id }) => id),
  isOf: ({ devices }, { device }) => devices.some(({ id }) => id === device),
  after(rig, state, action) {
    const feeds = { ...state.feeds };
    for (const { key, device, latched } of rig.groups)
      // Without mains nothing feeds; with it, a latched switch feeds as it did. What is off stays as it is.
      if (device === action.device && feeds[key].feed !== 'off')
        feeds[key] = powerChanged(state, feeds[key], action, latched);
    return { ...state, mains: { ...state.mains, [action.device]: action.on }, feeds };
  },
  breach: (rig, state, { device, on }) => (on ? powering(rig, state, device) : unpowering(rig, state, device)),
  isUnknown: (state, { device }) => state.mains[device] === 'unknown',
  doubtful: (rig, state, action) => ({
    ...state,
    mains: { ...state.mains, [action.device]: 'unknown' },
    feeds: {
      ...state.feeds,
      ...Object.fromEntries(
        rig.groups
          .filter(({ device, key }) => device === action.device && state.feeds[key].feed !== 'off')
          .map(({ key }) => [key, { feed: 'unknown' as const, since: 'unknown' as const }]),
      ),
    },
  }),
  without(rig, aim, state, action) {
    const on = rig.groups.filter(({ device }) => device === action.device).map(({ key }) => key);
    const lines = rig.lines.filter(({ device }) => device === action.device).map(({ id }) => id);
    const harmful = on.filter((key) => aim.ending?.[key] === 'mains' && harming(rig, state, key).length > 0);
    return {
      ...ending(aim, harmful, 'pull'),
      feeds: Object.fromEntries(Object.entries(aim.feeds).filter(([key]) => !on.includes(key))),
      open: aim.open.filter((id) => !lines.includes(id)),
      unpowered: aim.unpowered.filter((id) => id !== action.device),
    };
  },
  likely: (_rig, _state, { device, on }) => [
    { text: `It is ${on ? 'on' : 'off'} already`, what: { mains: device, is: on } },
  ],
  words(rig, { device, on }) {
    const { id, name, power, strip } = rig.devices.find((each) => each.id === device)!;
    const latched = rig.groups.filter((group) => group.device === id && group.latched);
    return {
      title: `Turn ${name} ${on ? 'on' : 'off'}`,
      ...detailOf(on, power, strip),
      look: on
        ? latched.length
          ? `Check the feed lamps of ${latched.map((group) => group.name).join(' and ')} stay dark. These switches can come back on with the power: if one lights, turn it off before you plug anything.`
          : 'It starts, and shows no feed on.'
        : 'It shows nothing.',
      ...(power !== 'cells' && { caution: MAINS }),
    };
  },
  check(rig, { device, on }) {
    const { name } = rig.devices.find(({ id }) => id === device)!;
    return `Check ${name} is ${on ? 'on' : 'off'}. If not, turn it ${on ? 'on' : 'off'}.`;
  },
};

/** Most neighbours on a strip that are named. */
const NAMED = 3;

/** Where a device is switched: at itself, where other things hang on the same strip. */
function detailOf(on: boolean, power: SheetDevice['power'], strip: SheetDevice['strip']): { detail?: string } {
  if (!on && power === 'both') return { detail: 'At its own switch: it runs on batteries as well.' };
  if (!strip || power === 'cells') return {};
  const { name, others } = strip;
  if (others.length === 0) return { detail: `On ${name}.` };
  const more = others.length - NAMED;
  const named = `${others.slice(0, NAMED).join(', ')}${more > 0 ? ` and ${more} more` : ''}`;
  return { detail: `At its own switch, not at ${name}: ${named} hang${others.length === 1 ? 's' : ''} on that, too.` };
}

/** A switch that is not off, or may not be, when its device gets or loses its power. */
function powerChanged(
  { now, mains: before }: SheetState,
  { feed, since }: FeedState,
  { device, on }: Mains,
  latched: boolean,
): FeedState {
  if (!on) return { feed: latched ? feed : 'off', since: now };
  const dark = before[device] === false && feed === 'unknown' && since !== 'unknown';
  return { feed, since: now, ...(dark && { darkSince: since }) };
}

/** With its power a device's feeds fall as well, and whatever it drives is heard. */
function unpowering(rig: SheetRig, state: SheetState, device: string): Breach | undefined {
  if (state.mains[device] === false) return undefined;
  // Where nothing else ends harm, the power goes, pop or not.
  if (rig.groups.some((group) => group.device === device && harming(rig, state, group.key).length)) return undefined;
  if (isHeard(rig, state, device)) return { invariant: 8, why: UP };
  const heard = rig.groups.find(
    (group) => group.device === device && live(rig, state, group.key) && !shut(rig, state, group.key),
  );
  return heard && { invariant: 2, why: `${heard.name} would go off with an inlet unmuted or monitors up.` };
}

function powering(rig: SheetRig, state: SheetState, device: string): Breach | undefined {
  if (state.mains[device] === true) return undefined;
  if (isHeard(rig, state, device)) return { invariant: 8, why: UP };
  for (const group of rig.groups) {
    if (group.device !== device || !group.latched || state.feeds[group.key].feed === 'off') continue;
    // Mutes cannot be looked at without power: with the monitors down nothing is heard.
    const { feed } = state.feeds[group.key];
    const possible = feed === 'unknown' ? group.offers : [feed];
    const unfit = rig.lines.find(
      (line) =>
        carriers(rig, line, group.key).some((each) => reached(state, each)) &&
        possible.some((each) => line.stops[group.key]?.includes(each)),
    );
    if (unfit) return { invariant: 5, why: `${group.name} may come on, and ${unfit.name} would be harmed.` };
  }
  return undefined;
}
