import { sourceKind, linkKind } from '../../gear';
import { endsInLink, groupOf, startsAtLink, type RigDocument } from '../../rig/document';
import { writeCsv } from '../csv';

const COLUMNS = ['Ch', 'Name', 'Mic/DI', 'Via', 'Device', 'Inlet', '48V', 'Position', 'Notes'] as const;

/** A rig as an input list, in the order of its lines: CSV that reads back into the same lines. */
export function inputList(document: RigDocument): string {
  const devices = new Map(document.devices.map((device) => [device.id, device]));
  return writeCsv(
    COLUMNS,
    document.lines.map((line, n) => {
      const ref = endsInLink(line) ? undefined : line.inlet;
      const device = ref && devices.get(ref.device);
      const feed = ref && device ? groupOf(device, ref.inlet)?.feed : undefined;
      const host = startsAtLink(line) ? line.source.from.line : endsInLink(line) ? line.inlet.into.line : undefined;
      return {
        Ch: String(n + 1),
        Name: line.name,
        'Mic/DI': startsAtLink(line)
          ? `from ${document.lines.find(({ id }) => id === host)?.name ?? host}`
          : (line.source.name ?? sourceKind(line.source.kind).label),
        Via: line.links.map((part) => part.name ?? linkKind(part.kind).label).join(' > '),
        Device: device?.name ?? '',
        Inlet: ref?.inlet ?? '',
        '48V': feed === undefined ? '' : feed === 'P48' ? 'yes' : feed === 'off' ? 'no' : feed,
        Position: document.locations?.find(({ id }) => id === line.location)?.name ?? '',
        Notes: line.note ?? '',
      };
    }),
  );
}
