import { feedLabel } from '../../standards/feeds';
import { harming, looseOn, reached, shut } from '../invariants';
import { carriers, groupOf } from '../rig';
import type { ActionOf } from './action';
import { ending, switchesAsTheyAre } from './leaving';
import type { ActionRules } from './rules';
import { HEARING, list, settingsOf } from './saying';

/** A switch is turned to a feed, or off. */
export const feed: ActionRules<ActionOf<'feed'>> = {
  takes: () => 6,
  several: 'switches',
  touches: () => [],
  about: (rig, { group }) => rig.lines.filter(({ groups }) => groups.includes(group)).map(({ id }) => id),
  isOf: ({ groups }, { group }) => groups.some(({ key }) => key === group),
  // A switch that is set to what it is set to already keeps its time.
  after: (_rig, state, { group, to }) =>
    state.feeds[group].feed === to
      ? state
      : { ...state, feeds: { ...state.feeds, [group]: { feed: to, since: state.now } } },
  breach(rig, state, { group: key, to }) {
    const group = groupOf(rig, key);
    if (state.feeds[key].feed === to) return undefined;
    // Harm that is running ends first, pop or not.
    if (to === 'off' && harming(rig, state, key).length) return undefined;
    if (state.mains[group.device] !== true)
      return { invariant: 9, why: `${group.name} has no power, or may have none.` };
    if (!shut(rig, state, key))
      return { invariant: 2, why: `An inlet of ${group.name} is unmuted, or monitors are up.` };
    if (to === 'off') return undefined;
    const harmed = rig.lines.find(
      (line) => line.stops[key]?.includes(to) && carriers(rig, line, key).some((each) => reached(state, each)),
    );
    if (harmed) return { invariant: 3, why: `${harmed.name} would be harmed.` };
    const loose = looseOn(rig, state, key)[0];
    return loose && { invariant: 3, why: `${loose.name} is in at ${loose.inlet} and not at its source.` };
  },
  isUnknown: ({ feeds }, { group }) => feeds[group].feed === 'unknown',
  doubtful: (_rig, state, { group }) => ({
    ...state,
    feeds: { ...state.feeds, [group]: { feed: 'unknown', since: 'unknown' } },
  }),
  without(rig, aim, state, { group, to }) {
    const as = switchesAsTheyAre(rig, aim, state, [group]);
    if (to !== 'off' || harming(rig, state, group).length === 0) return as;
    const { device } = groupOf(rig, group);
    return { ...ending(as, [group], 'mains'), unpowered: [...new Set([...as.unpowered, device])] };
  },
  likely: (rig, state, { group }) => settingsOf(rig, state, group),
  words(rig, { group, to }, state) {
    const { name, control, mutes, settle } = groupOf(rig, group);
    const where = control && `Where: ${control}.`;
    if (to === 'off') {
      const harmed = state ? harming(rig, state, group).map((line) => line.name) : [];
      return {
        title: harmed.length ? `Turn the feed off now: ${name}` : `Turn the feed off: ${name}`,
        detail: where,
        look: 'It shows off. Meters of its inlets are not moving.',
        ...(harmed.length && { caution: `It harms ${list(harmed)}. ${HEARING}` }),
      };
    }
    const level = settle.computed !== undefined && mutes ? ' It mutes while switching.' : '';
    return {
      title: `Turn ${feedLabel(to)} on: ${name}`,
      detail: where,
      look: `It shows ${feedLabel(to)}. Meters jump once, then settle.${level}`,
      caution: HEARING,
    };
  },
  check(rig, { group, to }) {
    const { name } = groupOf(rig, group);
    return to === 'off'
      ? `Check ${name} is off. If it is on, turn it off.`
      : `Check ${name} is at ${feedLabel(to)}. If not, turn it on.`;
  },
};
