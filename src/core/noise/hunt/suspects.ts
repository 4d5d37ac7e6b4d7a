import { sourceKind } from '../../gear';
import type { RigDocument } from '../../rig';
import { type UnitKind, UNIT_KINDS } from '../../rig/arrangement';

/** Something that may be what hums, buzzes or whines. */
export interface Suspect {
  id: string;
  name: string;
  kind: UnitKind;
  outlet?: string;
  /** It is never taken away: whoever hunts cannot do without it. */
  fixed?: true;
}

/** More suspects than this are not hunted at once. */
export const MOST_SUSPECTS = 24;

export const UNIT_KIND_NAMES = Object.keys(UNIT_KINDS) as UnitKind[];

/**
 * What is not switched off for a noise: motors are pumps and refrigeration, a valve microphone's supply is not cycled
 * within seconds, and a desk whose switches keep their state comes back with its feeds on. Whoever hunts may decide
 * otherwise.
 */
const staysOn = ({ lines, devices }: RigDocument, kind: UnitKind, device?: string): boolean =>
  kind === 'motor' ||
  (kind === 'supply' && lines.some(({ source }) => 'kind' in source && sourceKind(source.kind).highVoltage)) ||
  devices.some(({ id, groups }) => id === device && groups.some(({ latched }) => latched));

/**
 * What a rig itself knows of: the units it states, mains devices that are none of them, and supplies.
 * @param line the one that is listened to: its device comes first
 */
export function suspectsOf(document: RigDocument, line: string): Suspect[] {
  const { units = [], devices, lines, directCurrent } = document;
  const inlet = lines.find(({ id }) => id === line)?.inlet;
  const own = inlet && 'device' in inlet ? inlet.device : undefined;
  // What is recorded with stays on, or nothing is heard.
  const isFixed = (kind: UnitKind, device?: string) =>
    (device !== undefined && device === own) || staysOn(document, kind, device);
  const stated = units.map(({ id, name, kind, outlet, device }): Suspect => ({
    id,
    name,
    kind,
    ...(outlet && { outlet }),
    ...(isFixed(kind, device) && { fixed: true }),
  }));
  const known = new Set(units.map(({ device }) => device));
  const others = devices
    .filter(({ id, batteries }) => !batteries && !known.has(id))
    .map(({ id, name }): Suspect => ({
      id,
      name,
      kind: 'audio device',
      ...(isFixed('audio device', id) && { fixed: true }),
    }));
  const supplies = (directCurrent?.supplies ?? [])
    .filter(({ id }) => !units.some((unit) => unit.id === id))
    .map(({ id, name }): Suspect => ({ id, name, kind: 'supply' }));
  const all = [...stated, ...others, ...supplies];
  const first = units.find(({ device }) => device === own)?.id ?? own;
  return [...all.filter(({ id }) => id === first), ...all.filter(({ id }) => id !== first)].slice(0, MOST_SUSPECTS);
}
