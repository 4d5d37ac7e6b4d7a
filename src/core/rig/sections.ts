import { rigPaths, type RigPath } from './paths';
import type { Device, DeviceInlet, RigDocument, SwitchGroup } from './document';

/** The inlets of one switch, or those of a device that have none, with the lines that end on them. */
export interface Section {
  device: Device;
  group?: SwitchGroup;
  lines: RigPath[];
  free: DeviceInlet[];
}

/** A rig's lines under their switches, in the order of the devices; lines in the document's order. */
export function sections(document: RigDocument): Section[] {
  const paths = rigPaths(document);
  return document.devices.flatMap((device) => {
    const grouped = new Set(device.groups.flatMap(({ inlets }) => inlets));
    const rest = device.inlets.filter(({ id }) => !grouped.has(id));
    const own = paths.filter(({ inlet }) => inlet.device === device.id);
    const section = (inlets: DeviceInlet[], group?: SwitchGroup): Section => {
      const ids = new Set(inlets.map(({ id }) => id));
      const lines = own.filter(({ inlet }) => ids.has(inlet.inlet));
      const taken = new Set(lines.map(({ inlet }) => inlet.inlet));
      return { device, ...(group && { group }), lines, free: inlets.filter(({ id }) => !taken.has(id)) };
    };
    return [
      ...device.groups.map((group) =>
        section(
          device.inlets.filter(({ id }) => group.inlets.includes(id)),
          group,
        ),
      ),
      ...(rest.length ? [section(rest)] : []),
    ];
  });
}

/** The shortest name of an inlet that its device leaves room for: its number, else its own name. */
export const shortInletName = (inlet: DeviceInlet): string =>
  /^\d+$/.test(inlet.id) && !inlet.name ? `inlet ${inlet.id}` : (inlet.name ?? inlet.id);
