import type { RigDocument } from '../../rig';
import { UNIT_KINDS, type UnitKind } from '../../rig/places';

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
 * What is not switched off for a noise: motors are pumps and refrigeration, and a valve microphone's supply is not
 * cycled within seconds. Whoever hunts may decide otherwise.
 */
const staysOn = ({ lines }: RigDocument, kind: UnitKind): boolean =>
  kind === 'motor' ||
  (kind === 'supply' && lines.some(({ source }) => 'kind' in source && source.kind === 'valve-own-supply'));

/**
 * What a rig itself knows of: the units it states, mains devices that are none of them, and supplies.
 * @param line the one that is listened to: its device comes first
 */
export function suspectsOf(document: RigDocument, line: string): Suspect[] {
  const { units = [], devices, lines, directCurrent } = document;
  const inlet = lines.find(({ id }) => id === line)?.inlet;
  const own = inlet && 'device' in inlet ? inlet.device : undefined;
  const stated = units.map(({ id, name, kind, outlet }): Suspect => ({
    id,
    name,
    kind,
    ...(outlet && { outlet }),
    ...(staysOn(document, kind) && { fixed: true }),
  }));
  const known = new Set(units.map(({ device }) => device));
  const others = devices
    .filter(({ id, batteries }) => !batteries && !known.has(id))
    .map(({ id, name }): Suspect => ({ id, name, kind: 'audio device' }));
  const supplies = (directCurrent?.supplies ?? [])
    .filter(({ id }) => !units.some((unit) => unit.id === id))
    .map(({ id, name }): Suspect => ({ id, name, kind: 'supply' }));
  const all = [...stated, ...others, ...supplies];
  const first = units.find(({ device }) => device === own)?.id ?? own;
  return [...all.filter(({ id }) => id === first), ...all.filter(({ id }) => id !== first)].slice(0, MOST_SUSPECTS);
}
