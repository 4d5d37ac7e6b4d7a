import { linkKind } from '../../gear';
import { endsInLink, type RigDocument, type RigLine } from '../../rig';
import type { Unit } from '../../rig/arrangement';
import type { FaultName } from './faults';

/** Something between the units of a rig that its inlets record, as long as all of those units are on. */
export interface Trouble {
  fault: FaultName;
  /** Ids of units. */
  needs: string[];
  /** Devices that hear it. */
  hears: string[];
}

/**
 * What would disturb this rig, by two rules of the trade (common practice): a computer on the mains whose output goes
 * into another mains device without a transformer between them closes a loop; a charger on the strip of an audio device
 * whines. Stands in for reality, so that a hunt can be tried without hardware.
 */
export function troublesOf({ units = [], lines }: Pick<RigDocument, 'units' | 'lines'>): Trouble[] {
  const devices = units.filter((unit): unit is Unit & { device: string } => unit.device !== undefined);
  const loops = units.flatMap(({ id, kind, line: own }): Trouble[] => {
    const line = kind === 'computer' ? lines.find((each) => each.id === own) : undefined;
    const into = line && deviceOf(line);
    const other = devices.find(({ device }) => device === into);
    if (!line || !other || line.links.some((link) => linkKind(link.kind).breaksLoops)) return [];
    return [{ fault: 'ground-loop', needs: [id, other.id], hears: [other.device] }];
  });
  const whines = units.flatMap(({ id, kind, outlet }): Trouble[] => {
    const beside = kind === 'charger' && outlet ? devices.filter((device) => device.outlet === outlet) : [];
    return beside.length ? [{ fault: 'charger', needs: [id], hears: beside.map(({ device }) => device) }] : [];
  });
  return [...loops, ...whines];
}

const deviceOf = (line: RigLine): string | undefined => (endsInLink(line) ? undefined : line.inlet.device);
