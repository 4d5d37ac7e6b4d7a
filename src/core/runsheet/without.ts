import { harmedBySupply, harming } from './invariants';
import type { Aim, Ending } from './report';
import { groupOf, lineOf, monitorsNamed, type SheetRig } from './rig';
import type { Action, SheetState } from './state';

/** The aim without what cannot be done: a line's plugs stay as they are, a switch too and everybody on it. */
export function without(rig: SheetRig, aim: Aim, state: SheetState, action: Action): Aim {
  const asIs = (lines: readonly string[]): Aim => {
    const kept = new Set(lines);
    const mayBeIn = (id: string) => state.ends[id].stage !== false || state.ends[id].desk !== false;
    return {
      ...aim,
      plugged: [...aim.plugged.filter((id) => !kept.has(id)), ...lines.filter(mayBeIn)],
      exchanged: aim.exchanged.filter((id) => !kept.has(id)),
      open: aim.open.filter((id) => !kept.has(id) || state.muted[id] === false),
      left: [...aim.left.filter((id) => !kept.has(id)), ...lines],
    };
  };
  /** Switches as they are, and every line that they reach. */
  const switchesAsTheyAre = (keys: readonly string[]): Aim => {
    const on = rig.lines.filter(({ groups }) => groups.some((key) => keys.includes(key)));
    return { ...asIs(on.map(({ id }) => id)), stuck: [...new Set([...aim.stuck, ...keys])] };
  };
  switch (action.do) {
    case 'plug':
    case 'unplug': {
      const { line, end } = action;
      const as = { ...asIs([line]), fixed: [...new Set([...(aim.fixed ?? []), `${line} ${end}`])] };
      // The source could not be pulled from a feed that harms it: nobody here can end that.
      const pulled = Object.entries(aim.ending ?? {}).filter(([, how]) => how === 'pull');
      const own = lineOf(rig, line);
      const given = pulled.filter(([key]) => key === line || own.groups.includes(key)).map(([key]) => key);
      return action.do === 'unplug' && end === 'stage' && given.length ? ending(as, given, 'none') : as;
    }
    case 'hand':
      return { ...aim, asIs: [...new Set([...(aim.asIs ?? []), action.line])] };
    case 'supply':
      return !action.on && harmedBySupply(rig, state).some(({ id }) => id === action.line)
        ? ending(asIs([action.line]), [action.line], 'pull')
        : asIs([action.line]);
    case 'feed': {
      const as = switchesAsTheyAre([action.group]);
      const { device } = groupOf(rig, action.group);
      if (action.to !== 'off' || harming(rig, state, action.group).length === 0) return as;
      return { ...ending(as, [action.group], 'mains'), unpowered: [...new Set([...as.unpowered, device])] };
    }
    case 'mute': {
      const reached = rig.lines.filter(({ id }) => action.lines.includes(id)).flatMap(({ groups }) => groups);
      const own = switchesAsTheyAre(reached);
      const loose = action.lines.filter((id) => !own.left.includes(id));
      return loose.length ? without(rig, own, state, { do: 'open', lines: loose }) : own;
    }
    case 'open':
      return asIs(action.lines);
    case 'mains': {
      const on = rig.groups.filter(({ device }) => device === action.device).map(({ key }) => key);
      const lines = rig.lines.filter(({ device }) => device === action.device).map(({ id }) => id);
      const harmful = on.filter((key) => aim.ending?.[key] === 'mains' && harming(rig, state, key).length > 0);
      return {
        ...ending(aim, harmful, 'pull'),
        feeds: Object.fromEntries(Object.entries(aim.feeds).filter(([key]) => !on.includes(key))),
        open: aim.open.filter((id) => !lines.includes(id)),
        unpowered: aim.unpowered.filter((id) => id !== action.device),
      };
    }
    case 'monitors': {
      const { devices } = monitorsNamed(rig, action.group);
      const hears = (device: string) => devices.includes(device);
      const heard = rig.groups.filter(
        ({ key, device }) => hears(device) || rig.lines.some((line) => line.groups.includes(key) && hears(line.device)),
      );
      return {
        ...switchesAsTheyAre(heard.map(({ key }) => key)),
        open: aim.open.filter((id) => !hears(lineOf(rig, id).device)),
        unpowered: aim.unpowered.filter((id) => !hears(id)),
      };
    }
    case 'wait':
      return { ...switchesAsTheyAre(rig.groups.map(({ key }) => key)), open: [], unpowered: [] };
  }
}

/** The aim with another way to end the harm that some switches or supplies do. */
const ending = (aim: Aim, keys: readonly string[], how: Ending): Aim =>
  keys.length ? { ...aim, ending: { ...aim.ending, ...Object.fromEntries(keys.map((key) => [key, how])) } } : aim;
