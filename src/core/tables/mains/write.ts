import type { Figure } from '../../gear';
import { EARTH, type RigDocument } from '../../rig';
import { writeCsv } from '../csv';
import { COLUMNS, FIGURE_COLUMNS, SETTINGS, type What } from './columns';

/** The mains side as a table: the supply, units, outlets and strips, connections, what was measured at lines, and what runs beside them; one row each. */
export function mainsTable({ units = [], mains = {}, lines, devices }: RigDocument): string {
  const unitName = (id: string) => (id === EARTH ? EARTH : (units.find((unit) => unit.id === id)?.name ?? id));
  const lineName = (id?: string) => lines.find((line) => line.id === id)?.name ?? '';
  const { supply, outlets = [], connections = [], lines: grounds = [], beside = [] } = mains;
  const row = (what: What, of: object, named: Record<string, string | undefined>): Record<string, string> => ({
    ...Object.fromEntries(Object.entries(named).map(([column, text]) => [column, text ?? ''])),
    what,
    settings: settingsOf(what, of),
    ...figuresOf(what, of),
  });
  const rows = [
    row('supply', mains, { name: supply }),
    ...units.map((unit) =>
      row('unit', unit, {
        name: unit.name,
        kind: unit.kind,
        plug: unit.plug,
        on: unit.outlet,
        line: lineName(unit.line),
        device: devices.find(({ id }) => id === unit.device)?.name,
      }),
    ),
    ...outlets.map((outlet) => row('outlet', outlet, { name: outlet.name, on: outlet.from })),
    ...connections.map((each) => {
      const [a, b] = each.between;
      return row('connection', each, { name: unitName(a), kind: each.kind, on: unitName(b) });
    }),
    ...grounds.map((ground) => row('line', ground, { name: lineName(ground.line) })),
    ...beside.map((each) => row('beside', each, { name: lineName(each.line), on: unitName(each.unit) })),
  ];
  // Of the supply a row stands only where somebody has said something of it.
  return writeCsv(
    COLUMNS,
    rows.filter(({ what, ...said }) => what !== 'supply' || Object.values(said).some((text) => text !== '')),
  );
}

const figuresOf = (what: What, of: object): Record<string, string> =>
  Object.fromEntries(
    Object.entries<string>(FIGURE_COLUMNS[what]).map(([column, field]) => {
      const figure = (of as Partial<Record<string, Figure>>)[field];
      return [column, figure ? String(figure.value) : ''];
    }),
  );

const settingsOf = (what: What, of: object): string =>
  Object.entries<object>(SETTINGS[what])
    .filter(([, said]) =>
      Object.entries(said).every(([field, value]) => (of as Record<string, unknown>)[field] === value),
    )
    .map(([words]) => words)
    .join('; ');
