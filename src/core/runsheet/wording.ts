import { feedLabel } from '../standards/feeds';
import { harming as harmedBy } from './invariants';
import { groupOf, lineOf, monitorsNamed, monitorsOf, type SheetLine, type SheetRig } from './rig';
import type { Step } from './step';
import { live, type Action, type SheetState } from './state';

/** A step as it is read out. */
export interface StepWords {
  title: string;
  detail?: string;
  /** What to look at to be sure. */
  look?: string;
  /** A hazard to people. */
  caution?: string;
}

const HEARING = 'Loud thump possible. Headphones off for everyone on these inlets.';
const MAINS =
  'Never lift the protective earth. Work on mains leads and distribution belongs to a licensed electrician, by local code.';
const HIGH_VOLTAGE = 'High voltage inside. Never open this supply or its cable.';

/** The words of a step. What nobody knows is looked at and made so where it is not; without a state, all is known. */
export function stepWords(rig: SheetRig, state: SheetState | undefined, { action }: Step): StepWords {
  const words = wordsOf(rig, action, state);
  return state && isUnknown(state, action) ? { ...words, title: checkTitle(rig, action) } : words;
}

/** A check reads as a state, and what to do where it is not so. */
function checkTitle(rig: SheetRig, action: Action): string {
  const inlets = (lines: readonly string[]) =>
    lines.length === 1 ? `${lineOf(rig, lines[0]).inlet} is` : `${lines.length} inlets are`;
  switch (action.do) {
    case 'plug':
      return `Check: ${whereIn(rig, action)}. If not, plug it.`;
    case 'unplug':
      return `Check: “${lineOf(rig, action.line).name}” is out ${action.end === 'stage' ? 'at the source' : `at ${lineOf(rig, action.line).inlet}`}. If not, unplug it.`;
    case 'hand':
      return wordsOf(rig, action).title;
    case 'feed': {
      const { name } = groupOf(rig, action.group);
      return action.to === 'off'
        ? `Check ${name} is off. If it is on, turn it off.`
        : `Check ${name} is at ${feedLabel(action.to)}. If not, turn it on.`;
    }
    case 'mute':
      return `Check ${inlets(action.lines)} muted`;
    case 'open':
      return `Check ${inlets(action.lines)} unmuted`;
    case 'supply': {
      const { name } = lineOf(rig, action.line);
      return action.on
        ? `Check the supply of “${name}” is on. If not, turn it on.`
        : `Check the supply of “${name}” is off. If it is on, turn it off.`;
    }
    case 'monitors':
      return monitorsWords(rig, action).check;
    case 'mains': {
      const { name } = rig.devices.find(({ id }) => id === action.device)!;
      return `Check ${name} is ${action.on ? 'on' : 'off'}. If not, turn it ${action.on ? 'on' : 'off'}.`;
    }
    case 'wait':
      return 'Wait';
  }
}

const whereIn = (rig: SheetRig, { line, end }: { line: string; end: 'stage' | 'desk' }): string => {
  const { name, inlet } = lineOf(rig, line);
  return end === 'stage' ? `“${name}” is plugged at the source` : `“${name}” is in at ${inlet}`;
};

function wordsOf(rig: SheetRig, action: Action, state?: SheetState): StepWords {
  switch (action.do) {
    case 'plug':
    case 'unplug': {
      const line = lineOf(rig, action.line);
      const lamps = line.groups.map((key) => groupOf(rig, key).name);
      const hot = line.hotPlugs && state && line.groups.some((key) => live(rig, state, key));
      const ends = state && harming(rig, state, line).length > 0 && action.do === 'unplug' && action.end === 'stage';
      const still = 'The inlet’s meter is not moving.';
      const quiet = hot
        ? 'The feed stays on, as your school allows here: its inlet is muted, straight in or straight out.'
        : lamps.length
          ? `${lamps.join(' and ')}: shows off (lamp, menu or icon). ${still}`
          : still;
      if (ends)
        return {
          title: `Unplug “${line.name}” at the source now`,
          detail: line.source,
          caution: `Its feed cannot be turned off and harms it. ${HEARING}`,
        };
      if (action.do === 'unplug')
        return action.end === 'stage'
          ? { title: `Unplug “${line.name}” at the source`, detail: line.source, look: quiet }
          : { title: `Unplug “${line.name}” from ${line.inlet}`, look: quiet };
      return action.end === 'stage'
        ? {
            title: `Plug “${line.name}” at the source`,
            detail: [line.source, ...way(line)].join('. '),
            look: hot ? `${quiet} The plug is locked.` : 'The plug is home and locked.',
          }
        : { title: `Plug “${line.name}” into ${line.inlet}`, look: quiet };
    }
    case 'hand': {
      const { name, ready = [], unset = [] } = lineOf(rig, action.line);
      return action.ready
        ? { title: `Set “${name}” before you plug it`, detail: `${ready.join('. ')}.` }
        : { title: `Switch “${name}” off at the source`, detail: `${unset.join('. ')}.` };
    }
    case 'feed': {
      const { name, control, mutes, settle } = groupOf(rig, action.group);
      const where = control && `Where: ${control}.`;
      if (action.to === 'off') {
        const harmed = state ? harmingNow(rig, state, action.group) : [];
        return {
          title: harmed.length ? `Turn the feed off now: ${name}` : `Turn the feed off: ${name}`,
          detail: where,
          look: 'It shows off. Meters of its inlets are not moving.',
          ...(harmed.length && { caution: `It harms ${list(harmed)}. ${HEARING}` }),
        };
      }
      const level = settle.computed !== undefined && mutes ? ' It mutes while switching.' : '';
      return {
        title: `Turn ${feedLabel(action.to)} on: ${name}`,
        detail: where,
        look: `It shows ${feedLabel(action.to)}. Meters jump once, then settle.${level}`,
        caution: HEARING,
      };
    }
    case 'mute':
      return {
        title:
          action.lines.length === 1
            ? `Mute ${lineOf(rig, action.lines[0]).inlet}`
            : `Mute ${action.lines.length} inlets`,
        detail: names(rig, action.lines),
        look: 'Mutes are lit. No mute button? Fader and gain down.',
      };
    case 'open':
      return {
        title:
          action.lines.length === 1
            ? `Unmute ${lineOf(rig, action.lines[0]).inlet}`
            : `Unmute ${action.lines.length} inlets, one at a time`,
        detail: names(rig, action.lines),
        look: 'Each meter follows its source and is still without it.',
      };
    case 'supply': {
      const { name, highVoltage } = lineOf(rig, action.line);
      const valve = highVoltage && { caution: HIGH_VOLTAGE };
      return action.on
        ? {
            title: `Turn on the supply of “${name}”`,
            detail: 'First: both cables plugged, gain down.',
            look: 'It shows on.',
            ...valve,
          }
        : { title: `Turn off the supply of “${name}”`, look: 'It shows off.', ...valve };
    }
    case 'monitors':
      return action.to === 'down'
        ? {
            title: monitorsWords(rig, action).title,
            detail: `${monitorsWords(rig, action).which}Amplifiers and powered speakers: on last, off first.`,
            look: 'Every level control is at zero.',
          }
        : {
            title: monitorsWords(rig, action).title,
            detail: `${monitorsWords(rig, action).which}Amplifiers and powered speakers go on now, last of all.`,
            look: 'You hear what the meters show, and nothing else.',
            caution: 'Start from zero: a hidden fault is loud.',
          };
    case 'mains': {
      const { id, name, power } = rig.devices.find((device) => device.id === action.device)!;
      const latched = rig.groups.filter((group) => group.device === id && group.latched);
      return {
        title: `Turn ${name} ${action.on ? 'on' : 'off'}`,
        ...(!action.on && power === 'both' && { detail: 'At its own switch: it runs on cells as well.' }),
        look: action.on
          ? latched.length
            ? `Check the feed lamps of ${latched.map((group) => group.name).join(' and ')} stay dark. These switches can come back on with the power: if one lights, turn it off before you plug anything.`
            : 'It starts, and shows no feed on.'
          : 'It shows nothing.',
        ...(power !== 'cells' && { caution: MAINS }),
      };
    }
    case 'wait':
      return { title: 'Wait', look: 'Don’t plug, unplug or unmute anything until the clock ends.' };
  }
}

/** Monitors as they are called; those without a name are all there are, or all others. */
function monitorsWords(
  rig: SheetRig,
  { group, to }: Extract<Action, { do: 'monitors' }>,
): { title: string; check: string; which: string } {
  const { name } = monitorsNamed(rig, group);
  const called = name || (monitorsOf(rig).length > 1 ? 'all other monitors' : 'monitors');
  const [are, them] = /s$/i.test(called) ? ['are', 'them'] : ['is', 'it'];
  return {
    title: to === 'down' ? `Turn ${called} down` : `Bring ${called} up slowly`,
    check: to === 'down' ? `Check ${called} ${are} down. If not, turn ${them} down.` : `Check ${called} ${are} up`,
    which: name ? '' : 'Speakers, headphones, foldback, stream. ',
  };
}

/** Monitors with a name that some steps turn down, and those that stay as they are. */
export function monitorsMoved(rig: SheetRig, steps: readonly Step[]): { down: string[]; stay: string[] } {
  const moved = new Set(steps.flatMap(({ action }) => (action.do === 'monitors' ? [action.group] : [])));
  const named = monitorsOf(rig).filter(({ name }) => name);
  const names = (moves: boolean) => named.filter(({ id }) => moved.has(id) === moves).map(({ name }) => name);
  return { down: names(true), stay: names(false) };
}

/** What goes between a line's source and its inlet, and what is off there. */
function way({ parts, set = [] }: SheetLine): string[] {
  const links = parts.slice(1, -1);
  return [...(links.length ? [`Through ${links.join(', ')}`] : []), ...(set.length ? [`Set ${set.join('; ')}`] : [])];
}

/** Switches that are known to harm a line as it stands. */
const harming = (rig: SheetRig, state: SheetState, line: SheetLine): string[] =>
  line.groups.filter((key) => harmedBy(rig, state, key).includes(line));
const harmingNow = (rig: SheetRig, state: SheetState, key: string): string[] =>
  harmedBy(rig, state, key).map(({ name }) => name);

const names = (rig: SheetRig, lines: readonly string[]): string => lines.map((id) => lineOf(rig, id).name).join(', ');

/** Whether nobody knows what an action would change. */
function isUnknown(state: SheetState, action: Action): boolean {
  switch (action.do) {
    case 'plug':
    case 'unplug':
      return state.ends[action.line][action.end] === 'unknown';
    case 'feed':
      return state.feeds[action.group].feed === 'unknown';
    case 'mute':
    case 'open':
      return action.lines.every((id) => state.muted[id] === 'unknown');
    case 'supply':
      return state.supplies[action.line].on === 'unknown';
    case 'hand':
      return false;
    case 'monitors':
      return state.monitors[action.group] === 'unknown';
    case 'mains':
      return state.mains[action.device] === 'unknown';
    case 'wait':
      return false;
  }
}

/** What it would mean to go back to a step that was done, in sentences. */
export function backMeans(rig: SheetRig, undone: readonly Step[]): string[] {
  const switches = new Set(
    undone.flatMap(({ action }) => (action.do === 'feed' ? [groupOf(rig, action.group).name] : [])),
  );
  const plugs = new Set(
    undone.flatMap(({ action }) =>
      action.do === 'plug' || action.do === 'unplug' ? [lineOf(rig, action.line).name] : [],
    ),
  );
  const supplies = undone.flatMap(({ action }) => (action.do === 'supply' ? [lineOf(rig, action.line).name] : []));
  const hands = undone.flatMap(({ action }) => (action.do === 'hand' ? [lineOf(rig, action.line).name] : []));
  const heard = undone.some(({ action }) => action.do === 'mute' || action.do === 'open' || action.do === 'monitors');
  return [
    ...(switches.size
      ? [`${list([...switches])}: state unknown again. Treated as live; turned off first, full wait.`]
      : []),
    ...(supplies.length ? [`The supply of ${list(supplies)}: treated as on; turned off first.`] : []),
    ...(plugs.size ? [`${list([...plugs])}: plugged or not is unknown again.`] : []),
    ...(hands.length ? [`${list(hands)}: set at the source or not is unknown again.`] : []),
    ...(heard ? ['Inlets and monitors that these steps muted or unmuted: treated as unmuted.'] : []),
  ];
}

const list = (items: readonly string[]): string =>
  items.length > 4 ? `${items.slice(0, 3).join(', ')} and ${items.length - 3} more` : items.join(', ');
