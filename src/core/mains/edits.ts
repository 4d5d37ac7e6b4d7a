import {
  type Beside,
  type Connection,
  type ConnectionKind,
  type LineGround,
  type Mains,
  type MainsPlug,
  type Outlet,
  type OUTLET_SETTINGS,
  type RigDocument,
  type Unit,
  type UnitKind,
} from '../rig';
import type { Figure, Part } from '../gear';
import { MOST_UNITS, type GROUND_FIGURES, type UNIT_FIGURES } from '../rig/deviceFigures';
import { tidied } from '../rig/places';
import { applyToRig, freeId } from '../rig/rigEdits';
import type { Metres, Volts } from '../units';

/** One change of the mains side of a rig. */
export type MainsEdit =
  | { do: 'outlet'; unit: string; outlet?: string }
  | { do: 'plug'; unit: string; plug: MainsPlug }
  | { do: 'figure'; unit: string; figure: keyof typeof UNIT_FIGURES; to?: Figure }
  | { do: 'connect'; between: [string, string]; kind: ConnectionKind }
  | { do: 'disconnect'; at: number }
  | { do: 'add'; name: string; kind: UnitKind; outlet?: string }
  | { do: 'remove'; unit: string }
  | { do: 'source'; unit: string; line?: string }
  | { do: 'insert'; line: string; at: number; part: Part }
  | { do: 'choose'; line: string; at: number; choice: string; value: string }
  | { do: 'from'; outlet: string; from?: string }
  | { do: 'isolate'; at: number; to?: boolean }
  | { do: 'block'; unit: string; to?: boolean }
  | { do: 'audio ground'; unit: string; to?: 'resistor' | 'lifted' }
  | { do: 'outlet setting'; outlet: string; setting: keyof typeof OUTLET_SETTINGS; to: boolean }
  | { do: 'apart'; line: string; unit: string; distance: Metres }
  | { do: 'cross'; line: string; unit: string }
  | { do: 'measured'; line: string; figure: keyof typeof GROUND_FIGURES; to?: Figure; against?: Figure };

/** What was measured at a line, with what is calculated there now where that matters later. @param open volts between its shells */
export const measuredEdit = (
  line: string,
  figure: keyof typeof GROUND_FIGURES,
  to: Figure | undefined,
  open: Volts | undefined,
): MainsEdit => ({
  do: 'measured',
  line,
  figure,
  ...(to && { to }),
  ...(figure === 'shells' && to && open && { against: calculatedThen(open) }),
});

/** What is calculated between the shells of a line, as it is kept beside what was measured there. */
export const calculatedThen = (open: Volts): Figure => ({
  value: Number((open * 1e3).toPrecision(5)),
  unit: 'mV',
  basis: 'assumed',
});

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
      const { name, kind, outlet } = edit;
      const units = document.units ?? [];
      return {
        ...document,
        units: [...units, { id: freeId(units, edit.name), name, kind, ...(outlet !== undefined && { outlet }) }],
      };
    }
    case 'remove':
      return tidied({ ...document, units: (document.units ?? []).filter(({ id }) => id !== edit.unit) });
    case 'source':
      return withUnit(document, edit.unit, ({ line: _before, ...unit }) => ({
        ...unit,
        ...(edit.line !== undefined && { line: edit.line }),
      }));
    case 'insert':
      return applyToRig(document, edit.line, [{ do: 'insert', at: edit.at, part: edit.part }]);
    case 'choose':
      return applyToRig(document, edit.line, [{ do: 'choose', part: edit.at, choice: edit.choice, value: edit.value }]);
    case 'from':
      return withOutlet(document, edit.outlet, ({ from: _before, ...own }) => ({
        ...own,
        ...(edit.from !== undefined && { from: edit.from }),
      }));
    case 'isolate':
      return withMains(document, ({ connections = [], ...mains }) => ({
        ...mains,
        connections: connections.map(({ isolated: before, ...each }, n) => ({
          ...each,
          ...((n === edit.at ? edit.to !== false : before) && { isolated: true as const }),
        })),
      }));
    case 'block':
      return withUnit(document, edit.unit, ({ blocks: _before, ...unit }) => ({
        ...unit,
        ...(edit.to !== false && { blocks: true as const }),
      }));
    case 'audio ground':
      return withUnit(document, edit.unit, ({ audioGround: _before, ...unit }) => ({
        ...unit,
        ...(edit.to && { audioGround: edit.to }),
      }));
    case 'outlet setting':
      return withOutlet(document, edit.outlet, ({ [edit.setting]: _before, ...own }) => ({
        ...own,
        ...(edit.to && { [edit.setting]: true as const }),
      }));
    case 'apart':
      return withBeside(document, edit, (own) => ({
        ...own,
        distance: { value: edit.distance, unit: 'm', basis: 'measured' },
      }));
    case 'cross':
      return withBeside(document, edit, (own) => ({ ...own, angle: { value: 90, unit: '°', basis: 'measured' } }));
    case 'measured':
      return withMains(document, ({ lines = [], ...mains }) => {
        const { [edit.figure]: _before, ...kept } = lines.find(({ line }) => line === edit.line) ?? { line: edit.line };
        const { against: _then, ...own } = kept as LineGround;
        const stated: LineGround = {
          ...(edit.figure === 'shells' ? own : kept),
          ...(edit.to && { [edit.figure]: edit.to }),
          ...(edit.to && edit.against && { against: edit.against }),
        };
        const others = lines.filter(({ line }) => line !== edit.line);
        const all = Object.keys(stated).length > 1 ? [...others, stated] : others;
        return { ...mains, ...(all.length && { lines: all }) };
      });
  }
}

const withMains = (document: RigDocument, change: (mains: Mains) => Mains): RigDocument => ({
  ...document,
  mains: change(document.mains ?? {}),
});

/** Without an outlet; what is plugged into it stays, and so does the outlet while something is. */
export function withoutOutlet(document: RigDocument, name: string): RigDocument {
  if (!document.mains?.outlets || isUsed(document, name)) return document;
  return withMains(document, ({ outlets: listed = [], ...mains }) => {
    const outlets = listed.filter((each) => each.name !== name);
    return { ...mains, ...(outlets.length && { outlets }) };
  });
}

/** Whether anything is plugged into an outlet. */
export const isUsed = ({ units = [], mains }: RigDocument, name: string): boolean =>
  units.some(({ outlet }) => outlet === name) || (mains?.outlets ?? []).some(({ from }) => from === name);

/** With an outlet changed; one that is only named by a unit becomes one of its own. */
export const withOutlet = (document: RigDocument, name: string, change: (own: Outlet) => Outlet): RigDocument =>
  withMains(document, ({ outlets = [], ...mains }) => {
    const known = outlets.some((each) => each.name === name);
    const list = known ? outlets : [...outlets, { name }];
    return { ...mains, outlets: list.map((each) => (each.name === name ? change(each) : each)) };
  });

const withBeside = (
  document: RigDocument,
  { line, unit }: { line: string; unit: string },
  change: (own: Beside) => Beside,
): RigDocument =>
  withMains(document, ({ beside = [], ...mains }) => ({
    ...mains,
    beside: beside.map((each) => (each.line === line && each.unit === unit ? change(each) : each)),
  }));

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
