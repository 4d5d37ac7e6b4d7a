'use client';

import Autocomplete from '@mui/material/Autocomplete';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { withMainsEdit, type MainsReport } from '@/core/mains';
import { PLUGS, type MainsPlug, type RigDocument } from '@/core/rig';
import { quantity } from '@/core/units/format';
import { MainsTable } from './MainsTable';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** Every unit: how it is plugged, where, and what that gives. */
export function UnitTable({ report: { system, readings }, onChange }: Props) {
  const outlets = system.outlets.map(({ name }) => name);
  return (
    <MainsTable title="Units" headings={['Unit', 'Plug', 'Outlet or strip', 'Takes', 'Leaks', 'Chassis']}>
      {system.units.map(({ id, name, plug, outlet, amps }, n) => (
        <tr key={id}>
          <th scope="row">{name}</th>
          <td>
            <TextField
              select
              value={plug}
              slotProps={{ htmlInput: { 'aria-label': `Plug of ${name}` } }}
              onChange={({ target }) =>
                onChange((from) => withMainsEdit(from, { do: 'plug', unit: id, plug: target.value as MainsPlug }))
              }
              sx={{ minWidth: 170 }}
            >
              {Object.entries(PLUGS).map(([value, label]) => (
                <MenuItem key={value} value={value}>
                  {label}
                </MenuItem>
              ))}
            </TextField>
          </td>
          <td>
            <Autocomplete
              freeSolo
              disableClearable
              options={outlets}
              value={outlet ?? ''}
              onChange={(_, to) => onChange((from) => withMainsEdit(from, { do: 'outlet', unit: id, ...outletIn(to) }))}
              renderInput={(params) => (
                <TextField
                  {...params}
                  placeholder="wall"
                  onBlur={({ target }) =>
                    target.value.trim() !== (outlet ?? '') &&
                    onChange((from) => withMainsEdit(from, { do: 'outlet', unit: id, ...outletIn(target.value) }))
                  }
                  slotProps={{
                    ...params.slotProps,
                    htmlInput: { ...params.slotProps.htmlInput, 'aria-label': `Outlet of ${name}`, maxLength: 80 },
                  }}
                />
              )}
              sx={{ minWidth: 180 }}
            />
          </td>
          <td>{plug === 'cells' ? '–' : quantity(amps, 'A')}</td>
          <td>{readings.leakage[n].amps === 0 ? '–' : quantity(readings.leakage[n].amps, 'A')}</td>
          <td>{quantityOf(readings.chassis[n].volts)}</td>
        </tr>
      ))}
    </MainsTable>
  );
}

const outletIn = (text: string): { outlet?: string } => (text.trim() ? { outlet: text.trim() } : {});

/** Chassis voltages are small: microvolts count. */
const quantityOf = (volts: number): string => (volts >= 1e-3 ? quantity(volts, 'V') : `${quantity(volts * 1e6, 'µV')}`);
