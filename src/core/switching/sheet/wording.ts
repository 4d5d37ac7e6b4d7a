import { feedLabel } from '../../standards/feeds';
import { groupOf, lineOf, type SheetRig } from './rig';
import type { Step } from './sequence';
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

const HEARING = 'A step in the feed can hurt ears: nobody wears headphones on these inlets now.';
const MAINS =
  'Never lift the protective earth. Work on mains leads and distribution belongs to a licensed electrician, by local code.';
const HIGH_VOLTAGE = 'A valve microphone’s supply has high voltage inside: it stays closed.';

/** The words of a step. What nobody knows is made sure of rather than done; without a state, all is known. */
export function stepWords(rig: SheetRig, state: SheetState | undefined, { action }: Step): StepWords {
  const words = wordsOf(rig, action, state);
  return state && isUnknown(state, action) ? { ...words, title: `Make sure: ${lowered(words.title)}` } : words;
}

const lowered = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

function wordsOf(rig: SheetRig, action: Action, state?: SheetState): StepWords {
  switch (action.do) {
    case 'plug':
    case 'unplug': {
      const line = lineOf(rig, action.line);
      const lamps = line.groups.map((key) => groupOf(rig, key).name);
      const hot = line.hotPlugs && state && line.groups.some((key) => live(state, key));
      const quiet = hot
        ? 'The feed stays on, as your school allows here: its inlet is muted, straight in or straight out.'
        : lamps.length
          ? `The feed lamp of ${lamps.join(' and ')} is off, its meter still.`
          : 'The meter of its inlet is still.';
      if (action.do === 'unplug')
        return action.end === 'stage'
          ? { title: `Pull ${line.name} at its source`, detail: line.source, look: quiet }
          : { title: `Pull ${line.name} out of ${line.inlet}`, look: quiet };
      return action.end === 'stage'
        ? {
            title: `Plug in ${line.name} at its source`,
            detail: line.source,
            look: hot ? `${quiet} The plug is locked.` : 'The plug is home and locked.',
          }
        : { title: `Plug ${line.name} into ${line.inlet}`, look: quiet };
    }
    case 'feed': {
      const { name, control, mutes, settle } = groupOf(rig, action.group);
      const where = control && `Found at: ${control}.`;
      if (action.to === 'off')
        return {
          title: `Turn ${name} off`,
          detail: where,
          look: 'Its lamp is out, and the meters of its inlets stay still.',
        };
      const level = settle.computed !== undefined && mutes ? ' It mutes by itself while it switches.' : '';
      return {
        title: `Turn ${name} to ${feedLabel(action.to)}`,
        detail: where,
        look: `Its lamp is on; the meters jump once and come to rest.${level}`,
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
        look: 'Mute lamps are on; where there is no mute, fader and gain are down.',
      };
    case 'open':
      return {
        title:
          action.lines.length === 1
            ? `Open ${lineOf(rig, action.lines[0]).inlet}`
            : `Open ${action.lines.length} inlets`,
        detail: names(rig, action.lines),
        look: 'One by one: its meter moves with its source, and rests without it.',
      };
    case 'supply': {
      const { name } = lineOf(rig, action.line);
      return action.on
        ? {
            title: `Switch the supply of ${name} on`,
            detail: 'Its cables are in at both sides; the volume is down.',
            look: 'Its lamp is on.',
            caution: HIGH_VOLTAGE,
          }
        : { title: `Switch the supply of ${name} off`, look: 'Its lamp is out.', caution: HIGH_VOLTAGE };
    }
    case 'monitors':
      return action.to === 'down'
        ? {
            title: 'Turn loudspeakers and headphones down',
            detail: 'All of them: the room, the headphones, the stream.',
            look: 'Their controls are at the stop.',
          }
        : {
            title: 'Bring loudspeakers and headphones up, slowly',
            look: 'You hear what the meters show, and nothing else.',
            caution: 'Begin from nothing: a fault that nobody has found yet is loud.',
          };
    case 'mains': {
      const { id, name, cells } = rig.devices.find((device) => device.id === action.device)!;
      const latched = rig.groups.filter((group) => group.device === id && group.latched);
      return {
        title: `Turn ${name} ${action.on ? 'on' : 'off'}`,
        look: action.on
          ? latched.length
            ? `The feed lamps of ${latched.map((group) => group.name).join(' and ')} stay out: they come back with the mains.`
            : 'It starts, and its feed lamps stay out.'
          : 'Its lamps are out.',
        ...(!cells && { caution: MAINS }),
      };
    }
    case 'wait':
      return { title: 'Wait', look: 'Nothing is plugged or opened until the clock is over.' };
  }
}

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
    case 'monitors':
      return state.monitors === 'unknown';
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
  const heard = undone.some(({ action }) => action.do === 'mute' || action.do === 'open' || action.do === 'monitors');
  return [
    ...(switches.size
      ? [
          `${list([...switches])}: nobody knows any more whether it is on. It counts as on and charged, is turned off first, and the wait begins anew.`,
        ]
      : []),
    ...(supplies.length ? [`The supply of ${list(supplies)} counts as on and is turned off first.`] : []),
    ...(plugs.size ? [`${list([...plugs])}: nobody knows any more whether it is plugged.`] : []),
    ...(heard ? ['Inlets and monitors that these steps muted or opened count as open.'] : []),
  ];
}

const list = (items: readonly string[]): string =>
  items.length > 4 ? `${items.slice(0, 3).join(', ')} and ${items.length - 3} more` : items.join(', ');
