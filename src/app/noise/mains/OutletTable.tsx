'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { withOutlet, type MainsReport } from '@/core/mains';
import type { Outlet, RigDocument } from '@/core/rig';
import { OUTLET_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

type OutletFigure = keyof typeof OUTLET_FIGURES;
/** What can be stated of an outlet: its heading, and what stands in its field where nobody has. */
const FIELDS: readonly [figure: OutletFigure, heading: string, usual: string][] = [
  ['length', 'Lead (m)', 'usual'],
  ['section', 'Section (mm²)', 'usual'],
  ['earth', 'Earth path (Ω)', 'not read'],
  ['rating', 'Rating (A)', 'unknown'],
  ['backup', 'UPS (Wh)', 'none'],
];
const WALL = '';

/** Every outlet and strip: what it hangs on, its lead, what hangs on it. */
export function OutletTable({ document, report: { system, readings }, onChange }: Props) {
  const set = (name: string, more: Partial<Outlet>) =>
    onChange((from) => {
      // What an outlet hangs on has to be there, too.
      const rig = more.from === undefined ? from : withOutlet(from, more.from, (upper) => upper);
      return withOutlet(rig, name, (own) => clean({ ...own, ...more }));
    });
  if (system.outlets.length === 0) return null;
  return (
    <MainsTable
      title="Outlets and strips"
      headings={['Outlet', 'Plugged into', ...FIELDS.map(([, heading]) => heading), 'Load']}
    >
      {system.outlets.map(({ name, from }) => {
        const own = document.mains?.outlets?.find((each) => each.name === name);
        const load = readings.loads.find(({ outlet }) => outlet === name);
        return (
          <tr key={name}>
            <th scope="row">{name}</th>
            <td>
              <TextField
                select
                value={from ?? WALL}
                slotProps={{
                  htmlInput: { 'aria-label': `${name} is plugged into` },
                  select: { displayEmpty: true },
                }}
                onChange={({ target }) => set(name, { from: target.value || undefined })}
                sx={{ minWidth: 130 }}
              >
                <MenuItem value={WALL}>the wall</MenuItem>
                {system.outlets
                  .filter((other) => !hangsOn(system, other.name, name))
                  .map((other) => (
                    <MenuItem key={other.name} value={other.name}>
                      {other.name}
                    </MenuItem>
                  ))}
              </TextField>
            </td>
            {FIELDS.map(([figure, , usual]) => (
              <td key={figure}>
                <FigureCell
                  key={own?.[figure]?.value}
                  label={`${OUTLET_FIGURES[figure].label} of ${name}`}
                  range={OUTLET_FIGURES[figure]}
                  usual={usual}
                  value={own?.[figure]}
                  onSet={(to) => set(name, { [figure]: to })}
                />
              </td>
            ))}
            <td>
              {load && `${quantity(load.amps, 'A')}, ${quantity(load.watts, 'W')}`}
              {load?.lasts !== undefined && <div>lasts about {Math.round(load.lasts / 60)} min</div>}
            </td>
          </tr>
        );
      })}
    </MainsTable>
  );
}

/** Whether an outlet is another one, or hangs on it. */
function hangsOn({ outlets }: MainsReport['system'], name: string, on: string): boolean {
  for (let at: string | undefined = name; at !== undefined; at = outlets.find((each) => each.name === at)?.from)
    if (at === on) return true;
  return false;
}

const clean = (outlet: Outlet): Outlet =>
  Object.fromEntries(Object.entries(outlet).filter(([, value]) => value !== undefined)) as unknown as Outlet;
