import type { Aim } from './report';
import type { SheetRig } from './rig';
import { takenOver } from './room';
import { planned, stillHeard, type Session } from './session';
import { rulesOf } from './actions';

/**
 * A sheet that goes on after its rig has changed on paper: what is plugged stays what it is, and the rest is computed anew.
 * @param asOnPaper lines of the room of which somebody has seen that they are plugged as on paper now, or out
 */
export function continued(
  paper: SheetRig,
  room: SheetRig,
  session: Session,
  asOnPaper: ReadonlySet<string>,
): { rig: SheetRig; session: Session } {
  const { rig, state } = takenOver(paper, room, session.state, asOnPaper);
  const kept = session.aim && aimOn(rig, session.aim);
  // Steps that were done speak of lines as they were called then.
  const done = session.done.filter(({ action }) => rulesOf(action).isOf(rig, action));
  const wanted = (session.leftOut ?? [])
    .filter(({ action }) => rulesOf(action).isOf(rig, action))
    .map((each) => ({ ...each, aim: aimOn(rig, each.aim) }));
  // What was heard of a line that has another way on paper now was heard of the one before.
  const same = (id: string) =>
    rig.lines.some((line) => line.id === id && room.lines.some((each) => each.id === id && each.way === line.way));
  const checked = session.checked && Object.fromEntries(Object.entries(session.checked).filter(([id]) => same(id)));
  const next: Session = { ...session, done, state, leftOut: wanted, ...(checked && { checked }) };
  return { rig, session: planned(rig, stillHeard(next), kept) };
}

/** An aim without what a rig does not have any more. */
function aimOn(rig: SheetRig, aim: Aim): Aim {
  const ids = (list: readonly string[]) => list.filter((id) => rig.lines.some((line) => line.id === id));
  const isSwitch = (key: string) => rig.groups.some((group) => group.key === key);
  return {
    ...aim,
    plugged: ids(aim.plugged),
    exchanged: ids(aim.exchanged),
    open: ids(aim.open),
    left: ids(aim.left),
    ...(aim.asIs && { asIs: ids(aim.asIs) }),
    unpowered: aim.unpowered.filter((id) => rig.devices.some((device) => device.id === id)),
    stuck: aim.stuck.filter(isSwitch),
    feeds: Object.fromEntries(Object.entries(aim.feeds).filter(([key]) => isSwitch(key))),
  };
}
