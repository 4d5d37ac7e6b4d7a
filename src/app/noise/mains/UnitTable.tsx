'use client';

import Autocomplete from '@mui/material/Autocomplete';
import TextField from '@mui/material/TextField';
import { memo } from 'react';
import { withMainsEdit, type MainsReport, type MainsUnit } from '@/core/mains';
import { PLUGS, type MainsPlug, type RigDocument, type Unit } from '@/core/rig';
import { MOST_UNITS, UNIT_FIGURES } from '@/core/rig/deviceFigures';
import type { Amps, Volts } from '@/core/units';
import { quantity } from '@/core/units/format';
import { AddUnits } from './AddUnits';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { RemoveButton } from './RemoveButton';
import { SelectCell } from './SelectCell';
import { unitTable as texts } from './texts';

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
      title={texts.units}
      headings={[
        texts.unit,
        texts.plug,
        texts.outletOrStrip,
        texts.sourceOf,
        texts.currentA,
        texts.filterNf,
        texts.leakage,
        texts.chassis,
        '',
      ]}
    >
      {system.units.map((unit, n) => (
        <UnitRow
          key={unit.id}
          unit={unit}
          own={statedOf(unit.id)}
          outlets={outlets}
          lines={document.lines}
          leakage={readings.leakage[n].amps}
          chassis={readings.chassis[n].volts}
          onChange={onChange}
        />
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

interface RowProps {
  unit: MainsUnit;
  /** As the rig has it; what is stated there holds before anything is calculated anew. */
  own?: Unit;
  outlets: readonly string[];
  lines: RigDocument['lines'];
  leakage: Amps;
  chassis: Volts;
  onChange: Props['onChange'];
}

/** One unit. It is drawn again only where something of it has changed: tables may be long. */
const UnitRow = memo(function UnitRow({ unit, own, outlets, lines, leakage, chassis, onChange }: RowProps) {
  const { id, name, amps, leaks } = unit;
  const plug = own?.plug ?? unit.plug;
  const outlet = own ? own.outlet : unit.outlet;
  return (
    <tr>
      <th scope="row">{name}</th>
      <td>
        <SelectCell
          label={texts.plugOf(name)}
          value={plug}
          options={Object.entries(PLUGS)}
          width={158}
          onChoose={(to) => onChange((from) => withMainsEdit(from, { do: 'plug', unit: id, plug: to as MainsPlug }))}
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
              placeholder={texts.wall}
              onBlur={({ target }) =>
                target.value.trim() !== (outlet ?? '') &&
                onChange((from) => withMainsEdit(from, { do: 'outlet', unit: id, ...outletIn(target.value) }))
              }
              slotProps={{
                ...params.slotProps,
                htmlInput: { ...params.slotProps.htmlInput, 'aria-label': texts.outletOf(name), maxLength: 80 },
              }}
            />
          )}
          sx={{ width: 140 }}
        />
      </td>
      <td>
        <SourceOf own={own} lines={lines} onChange={onChange} />
      </td>
      {(['current', 'leakage'] as const).map((figure) => (
        <td key={figure}>
          {plug === 'cells' ? (
            '–'
          ) : (
            <FigureCell
              label={`${UNIT_FIGURES[figure].label}: ${name}`}
              range={UNIT_FIGURES[figure]}
              value={own?.[figure]}
              usual={String(figure === 'current' ? amps : Number(((leaks[0]?.farads ?? 0) * 1e9).toPrecision(3)))}
              onSet={(to) => onChange((from) => withMainsEdit(from, { do: 'figure', unit: id, figure, to }))}
            />
          )}
        </td>
      ))}
      <td>
        {leakage > 0 && <div>{quantity(leakage, 'A')}</div>}
        {quantityOf(chassis)}
      </td>
      <td>
        {own && own.device === undefined && (
          <RemoveButton
            label={texts.remove(name)}
            onRemove={() => onChange((from) => withMainsEdit(from, { do: 'remove', unit: id }))}
          />
        )}
      </td>
    </tr>
  );
}, isSameRow);

function isSameRow({ unit, outlets, ...before }: RowProps, { unit: now, outlets: known, ...after }: RowProps): boolean {
  const same = (Object.keys({ ...before, ...after }) as (keyof typeof before)[]).every(
    (field) => before[field] === after[field],
  );
  return same && JSON.stringify([unit, outlets]) === JSON.stringify([now, known]);
}

/** The line whose source a unit is; a device of the rig is at the other end of its lines. */
function SourceOf({ own, lines, onChange }: Pick<RowProps, 'own' | 'lines' | 'onChange'>) {
  if (!own || own.device !== undefined) return null;
  const { id: unit, name } = own;
  return (
    <SelectCell
      label={texts.isTheSource(name)}
      value={own.line ?? ''}
      options={[['', texts.noLine], ...lines.map(({ id, name: line }) => [id, line] as const)]}
      width={132}
      onChoose={(to) => onChange((from) => withMainsEdit(from, { do: 'source', unit, line: to || undefined }))}
    />
  );
}

const outletIn = (text: string): { outlet?: string } => (text.trim() ? { outlet: text.trim() } : {});

/** Chassis voltages are small: microvolts count. */
const quantityOf = (volts: number): string => (volts >= 1e-3 ? quantity(volts, 'V') : `${quantity(volts * 1e6, 'µV')}`);
