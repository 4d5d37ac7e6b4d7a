import type { Aim } from './report';
import type { SheetRig } from './rig';
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
    case 'unplug':
    case 'supply':
      return asIs([action.line]);
    case 'feed':
      return switchesAsTheyAre([action.group]);
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
      return {
        ...aim,
        feeds: Object.fromEntries(Object.entries(aim.feeds).filter(([key]) => !on.includes(key))),
        open: aim.open.filter((id) => !lines.includes(id)),
        unpowered: aim.unpowered.filter((id) => id !== action.device),
      };
    }
    case 'monitors':
    case 'wait':
      return { ...switchesAsTheyAre(rig.groups.map(({ key }) => key)), open: [], unpowered: [] };
  }
}
