import {
  type Connection,
  type ConnectionKind,
  type MainsPlug,
  type RigDocument,
  type Unit,
  type UnitKind,
} from '../rig';
import type { Figure } from '../gear';
import { MOST_UNITS } from '../rig/deviceFigures';
import { applyToRig, freeId } from '../rig/rigEdits';

/** One change of the mains side of a rig. */
export type MainsEdit =
  | { do: 'outlet'; unit: string; outlet?: string }
  | { do: 'plug'; unit: string; plug: MainsPlug }
  | { do: 'figure'; unit: string; figure: 'leakage' | 'current'; to?: Figure }
  | { do: 'connect'; between: [string, string]; kind: ConnectionKind }
  | { do: 'disconnect'; at: number }
  | { do: 'add'; name: string; kind: UnitKind }
  | { do: 'remove'; unit: string }
  | { do: 'source'; unit: string; line?: string }
  | { do: 'transformer'; line: string; at: number };

/** A rig with a change made; what is no unit of its own yet, as a device that nobody has listed, becomes one. */
export function withMainsEdit(document: RigDocument, edit: MainsEdit): RigDocument {
  switch (edit.do) {
    case 'outlet':
      return withUnit(document, edit.unit, ({ outlet: _before, ...unit }) => ({
        ...unit,
        ...(edit.outlet !== undefined && { outlet: edit.outlet }),
      }));
    case 'plug':
      return withUnit(document, edit.unit, (unit) => ({ ...unit, plug: edit.plug }));
    case 'figure':
      return withUnit(document, edit.unit, ({ [edit.figure]: _before, ...unit }) => ({
        ...unit,
        ...(edit.to && { [edit.figure]: edit.to }),
      }));
    case 'connect': {
      // A connection names units that the document has.
      const listed = edit.between.reduce((rig, id) => withUnit(rig, id, (unit) => unit), document);
      const listedAs = (unit: string) => document.devices.find(({ id }) => unlisted(id) === unit)?.id ?? unit;
      const [a, b] = edit.between.map(listedAs);
      const connections = [...(listed.mains?.connections ?? []), { between: [a, b], kind: edit.kind } as Connection];
      return { ...listed, mains: { ...listed.mains, connections } };
    }
    case 'disconnect': {
      const { mains } = document;
      return { ...document, mains: { ...mains, connections: mains?.connections?.toSpliced(edit.at, 1) } };
    }
    case 'add': {
      const units = document.units ?? [];
      return { ...document, units: [...units, { id: freeId(units, edit.name), name: edit.name, kind: edit.kind }] };
    }
    case 'remove': {
      const { mains, units = [] } = document;
      const connections = mains?.connections?.filter(({ between }) => !between.includes(edit.unit));
      return {
        ...document,
        units: units.filter(({ id }) => id !== edit.unit),
        ...(mains && { mains: { ...mains, ...(connections && { connections }) } }),
      };
    }
    case 'source':
      return withUnit(document, edit.unit, ({ line: _before, ...unit }) => ({
        ...unit,
        ...(edit.line !== undefined && { line: edit.line }),
      }));
    case 'transformer':
      return applyToRig(document, edit.line, [
        {
          do: 'insert',
          at: edit.at,
          part: { kind: 'isolating-transformer', choices: { ground: 'lifted' } },
        },
      ]);
  }
}

function withUnit(document: RigDocument, id: string, change: (unit: Unit) => Unit): RigDocument {
  const { units = [], devices } = document;
  if (units.some((unit) => unit.id === id))
    return { ...document, units: units.map((unit) => (unit.id === id ? change(unit) : unit)) };
  const device = devices.find((each) => id === unlisted(each.id));
  if (!device || units.length >= MOST_UNITS) return document;
  const made: Unit = { id: device.id, name: device.name, kind: 'audio device', device: device.id };
  return { ...document, units: [...units, change(made)] };
}

/** How a device is called that is no unit of its own. */
export const unlisted = (device: string): string => `device ${device}`;
