'use client';

import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Autocomplete from '@mui/material/Autocomplete';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import { withMainsEdit, type MainsReport } from '@/core/mains';
import { PLUGS, type MainsPlug, type RigDocument } from '@/core/rig';
import { MOST_UNITS, UNIT_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { AddUnits } from './AddUnits';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { SelectCell } from './SelectCell';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** Every unit: how it is plugged, where, and what that gives. */
export function UnitTable({ document, report: { system, readings }, onChange }: Props) {
  const outlets = system.outlets.map(({ name }) => name);
  const statedOf = (unit: string) => document.units?.find(({ id }) => id === unit);
  return (
    <MainsTable
      title="Units"
      headings={[
        'Unit',
        'Plug',
        'Outlet or strip',
        'Source of',
        'Current (A)',
        'Filter (nF)',
        'Leakage',
        'Chassis',
        '',
      ]}
    >
      {system.units.map(({ id, name, plug, outlet, amps, leaks }, n) => (
        <tr key={id}>
          <th scope="row">{name}</th>
          <td>
            <SelectCell
              label={`Plug of ${name}`}
              value={plug}
              options={Object.entries(PLUGS)}
              width={158}
              onChoose={(to) =>
                onChange((from) => withMainsEdit(from, { do: 'plug', unit: id, plug: to as MainsPlug }))
              }
            />
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
              sx={{ width: 140 }}
            />
          </td>
          <td>
            <SourceOf document={document} unit={id} name={name} onChange={onChange} />
          </td>
          {(['current', 'leakage'] as const).map((figure) => (
            <td key={figure}>
              {plug === 'cells' ? (
                '–'
              ) : (
                <FigureCell
                  key={statedOf(id)?.[figure]?.value}
                  label={`${UNIT_FIGURES[figure].label}: ${name}`}
                  range={UNIT_FIGURES[figure]}
                  value={statedOf(id)?.[figure]}
                  usual={String(figure === 'current' ? amps : Number((leaks[0].farads * 1e9).toPrecision(3)))}
                  onSet={(to) => onChange((from) => withMainsEdit(from, { do: 'figure', unit: id, figure, to }))}
                />
              )}
            </td>
          ))}
          <td>
            {readings.leakage[n].amps > 0 && <div>{quantity(readings.leakage[n].amps, 'A')}</div>}
            {quantityOf(readings.chassis[n].volts)}
          </td>
          <td>
            {document.units?.some((unit) => unit.id === id && unit.device === undefined) && (
              <IconButton
                aria-label={`Remove ${name}`}
                onClick={() => onChange((from) => withMainsEdit(from, { do: 'remove', unit: id }))}
              >
                <DeleteOutlineIcon fontSize="small" />
              </IconButton>
            )}
          </td>
        </tr>
      ))}
      <tr>
        <td colSpan={8}>
          <AddUnits
            units={document.units ?? []}
            outlets={outlets}
            full={(document.units?.length ?? 0) >= MOST_UNITS}
            onChange={onChange}
          />
        </td>
      </tr>
    </MainsTable>
  );
}

/** The line whose source a unit is; a device of the rig is at the other end of its lines. */
function SourceOf({
  document: { units = [], lines },
  unit,
  name,
  onChange,
}: Pick<Props, 'document' | 'onChange'> & { unit: string; name: string }) {
  const own = units.find(({ id }) => id === unit);
  if (!own || own.device !== undefined) return null;
  return (
    <SelectCell
      label={`${name} is the source of`}
      value={own.line ?? ''}
      options={[['', 'no line'], ...lines.map(({ id, name: line }) => [id, line] as const)]}
      width={132}
      onChoose={(to) => onChange((from) => withMainsEdit(from, { do: 'source', unit, line: to || undefined }))}
    />
  );
}

const outletIn = (text: string): { outlet?: string } => (text.trim() ? { outlet: text.trim() } : {});

/** Chassis voltages are small: microvolts count. */
const quantityOf = (volts: number): string => (volts >= 1e-3 ? quantity(volts, 'V') : `${quantity(volts * 1e6, 'µV')}`);
