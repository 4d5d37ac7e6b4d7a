'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useState } from 'react';
import type { MainsReport } from '@/core/mains';
import { MOST_GROUNDS, type Beside, type RigDocument } from '@/core/rig';
import { BESIDE_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { Choice } from '@/ui/shell/Choice';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { RemoveButton } from './RemoveButton';
import { besideTable as text } from './texts';

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

const FIGURES: readonly [keyof typeof BESIDE_FIGURES, usual: string][] = [
  ['distance', ''],
  ['length', ''],
  ['angle', '0'],
];
/** As most cables are put beside a lead. */
const BEGUN = {
  distance: { value: 0.1, unit: 'm', basis: 'assumed' },
  length: { value: 1, unit: 'm', basis: 'assumed' },
} as const;

/** Lines beside a mains lead, or beside the transformer or motor of a unit: how far, how long, at what angle. */
export function BesideTable({ document, report: { system, readings }, onChange }: Props) {
  const beside = document.mains?.beside ?? [];
  const [line, setLine] = useState('');
  const [unit, setUnit] = useState('');
  const [what, setWhat] = useState<'lead' | 'coil'>('lead');
  const set = (change: (list: readonly Beside[]) => Beside[]) =>
    onChange((from) => ({ ...from, mains: { ...from.mains, beside: change(from.mains?.beside ?? []) } }));
  const lineName = (id: string) => document.lines.find((each) => each.id === id)?.name ?? id;
  const unitName = (id: string) => system.units.find((each) => each.id === id)?.name ?? id;
  // What the document does not list as a unit cannot be named by it yet.
  const units = (document.units ?? []).map(({ id, name }) => [id, name] as const);
  return (
    <MainsTable
      title={text.linesBesideMainsLeads}
      headings={[text.line, text.besideWhat, ...FIGURES.map(([figure]) => fieldName(figure)), text.field, '']}
    >
      {beside.map((each, at) => {
        const field = readings.fields.find((own) => own.line === each.line && own.unit === each.unit);
        const name = text.beside(lineName(each.line), unitName(each.unit));
        return (
          <tr key={`${each.line} ${each.unit} ${at}`}>
            <th scope="row">{lineName(each.line)}</th>
            <td>
              {each.coil ? text.coilOf : text.leadOf}
              {unitName(each.unit)}
            </td>
            {FIGURES.map(([figure, usual]) => (
              <td key={figure}>
                <FigureCell
                  label={`${BESIDE_FIGURES[figure].label}: ${name}`}
                  range={BESIDE_FIGURES[figure]}
                  value={each[figure]}
                  usual={usual}
                  onSet={(to) =>
                    (to || figure === 'angle') && set((list) => list.with(at, withFigure(each, figure, to)))
                  }
                />
              </td>
            ))}
            <td>{field ? `${Number((field.tesla * 1e6).toPrecision(2))} µT` : '–'}</td>
            <td>
              <RemoveButton label={text.remove(name)} onRemove={() => set((list) => list.toSpliced(at, 1))} />
            </td>
          </tr>
        );
      })}
      <tr>
        <td colSpan={7}>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, py: 0.5 }}>
            <Choice
              label={text.line}
              value={line}
              onChoose={setLine}
              options={document.lines.map(({ id, name }) => [id, name] as const)}
            />
            <Choice
              label={text.runsBeside}
              value={what}
              onChoose={(to) => setWhat(to as 'lead' | 'coil')}
              options={[
                ['lead', text.theMainsLead],
                ['coil', text.theTransformerOrMotor],
              ]}
            />
            <Choice label={text.ofUnit} value={unit} onChoose={setUnit} options={units} />
            <Button
              variant="outlined"
              disabled={!line || !unit || beside.length >= MOST_GROUNDS}
              onClick={() => {
                set((list) => [...list, { line, unit, ...BEGUN, ...(what === 'coil' && { coil: true as const }) }]);
                setLine('');
              }}
            >
              {text.add}
            </Button>
          </Box>
        </td>
      </tr>
    </MainsTable>
  );
}

const fieldName = (figure: keyof typeof BESIDE_FIGURES): string =>
  `${figure === 'length' ? text.length : BESIDE_FIGURES[figure].label} (${quantity(0, BESIDE_FIGURES[figure].unit).replace(/^0\s*/, '')})`;

function withFigure(beside: Beside, figure: keyof typeof BESIDE_FIGURES, to: Beside['angle']): Beside {
  const { angle, ...rest } = beside;
  if (figure === 'angle') return { ...rest, ...(to && { angle: to }) };
  return { ...rest, ...(angle && { angle }), [figure]: to };
}
