'use client';

import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import { useState, type SyntheticEvent } from 'react';
import { withMainsEdit, type MainsReport } from '@/core/mains';
import { OUTLET_SETTINGS, type RigDocument } from '@/core/rig';
import { UNIT_FIGURES } from '@/core/rig/deviceFigures';
import { worded } from '@/core/units/conventions';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { SelectCell } from './SelectCell';
import { unitDetails as text } from './texts';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

const MEASURED = ['chassis', 'touch'] as const;
const GROUNDS = {
  direct: text.theChassis,
  resistor: text.overAResistor,
  lifted: text.lifted,
} as const;

/** What most jobs never need: measured chassis and touch currents, how audio grounds are joined, blockers; isolators and protectors of outlets. */
export function UnitDetails(props: Props) {
  const [open, setOpen] = useState(false);
  return (
    <Box
      component="details"
      sx={{ mt: 3 }}
      onToggle={({ currentTarget }: SyntheticEvent<HTMLElement>) => setOpen((currentTarget as HTMLDetailsElement).open)}
    >
      <Box component="summary" sx={{ cursor: 'pointer', color: 'primary.main', fontWeight: 600, minHeight: 24 }}>
        {text.moreAboutUnitsAndOutlets}
      </Box>
      {open && <Tables {...props} />}
    </Box>
  );
}

function Tables({ document, report: { system }, onChange }: Props) {
  return (
    <>
      <MainsTable
        title={text.moreAboutUnits}
        headings={[
          text.unit,
          text.chassisToEarthV,
          text.touchCurrentMa,
          worded(text.audioGround),
          text.earthCurrentBlocker,
        ]}
      >
        {system.units.map(({ id, name, audioGround, plug }) => {
          const own = document.units?.find((unit) => unit.id === id);
          return (
            <tr key={id}>
              <th scope="row">{name}</th>
              {MEASURED.map((figure) => (
                <td key={figure}>
                  <FigureCell
                    label={`${UNIT_FIGURES[figure].label}: ${name}`}
                    range={UNIT_FIGURES[figure]}
                    value={own?.[figure]}
                    usual={text.notRead}
                    onSet={(to) => onChange((from) => withMainsEdit(from, { do: 'figure', unit: id, figure, to }))}
                  />
                </td>
              ))}
              <td>
                <SelectCell
                  label={worded(text.audioGroundOf(name))}
                  value={audioGround ?? 'direct'}
                  options={Object.entries(GROUNDS)}
                  width={150}
                  onChoose={(to) =>
                    onChange((from) =>
                      withMainsEdit(from, {
                        do: 'audio ground',
                        unit: id,
                        ...(to !== 'direct' && { to: to as 'resistor' | 'lifted' }),
                      }),
                    )
                  }
                />
              </td>
              <td>
                {plug === 'three-pin' && (
                  <Checkbox
                    checked={own?.blocks ?? false}
                    slotProps={{ input: { 'aria-label': text.earthCurrentBlockerOf(name) } }}
                    onChange={({ target }) =>
                      onChange((from) => withMainsEdit(from, { do: 'block', unit: id, to: target.checked }))
                    }
                  />
                )}
              </td>
            </tr>
          );
        })}
      </MainsTable>
      <MainsTable title={text.moreAboutOutlets} headings={[text.outlet, ...Object.values(OUTLET_SETTINGS)]}>
        {system.outlets.map(({ name }) => {
          const own = document.mains?.outlets?.find((each) => each.name === name);
          return (
            <tr key={name}>
              <th scope="row">{name}</th>
              {(Object.keys(OUTLET_SETTINGS) as (keyof typeof OUTLET_SETTINGS)[]).map((setting) => (
                <td key={setting}>
                  <Checkbox
                    checked={own?.[setting] ?? false}
                    slotProps={{ input: { 'aria-label': `${OUTLET_SETTINGS[setting]}: ${name}` } }}
                    onChange={({ target }) =>
                      onChange((from) =>
                        withMainsEdit(from, { do: 'outlet setting', outlet: name, setting, to: target.checked }),
                      )
                    }
                  />
                </td>
              ))}
            </tr>
          );
        })}
      </MainsTable>
    </>
  );
}
