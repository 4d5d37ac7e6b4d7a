'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { measuredEdit, withMainsEdit, WAYS, type LineHum, type MainsReport } from '@/core/mains';
import type { RigDocument } from '@/core/rig';
import { GROUND_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { FigureCell } from './FigureCell';
import { MainsTable } from './MainsTable';
import { heardTable as text } from './texts';

const HOW = { unbalanced: text.unbalanced, balanced: text.balanced, transformer: text.overATransformer } as const;
const FIGURES: readonly [keyof typeof GROUND_FIGURES, heading: string, usual: string][] = [
  ['shells', text.shellsMv, text.notRead],
  ['contact', text.contact, text.clean],
  ['pinOne', text.pin1, text.usual],
  ['rejection', text.rejectionDb, '54'],
];

interface Props {
  document: RigDocument;
  report: MainsReport;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

/** What each line that joins two units hears, loudest first, and what was measured of it. */
export function HeardTable({ document, report: { readings, system }, onChange }: Props) {
  const nameOf = (id: string) => system.units.find((unit) => unit.id === id)?.name ?? id;
  if (readings.lines.length === 0)
    return (
      <Typography variant="body2" sx={{ mt: 3 }}>
        {text.noLineConnectsTwo}
      </Typography>
    );
  const statedOf = (id: string) => document.mains?.lines?.find(({ line }) => line === id);
  return (
    <>
      <MainsTable
        title={text.whatEachLineHears}
        headings={[text.line, text.humAtTheInlet, text.asRecorded, text.mostOf]}
      >
        {readings.lines.map(({ line, name, how, reads, toDbfs, within, whine, shares: [most] }) => (
          <tr key={line}>
            <th scope="row">
              {name}
              <Typography variant="caption" color="textSecondary" component="div">
                {HOW[how]}
              </Typography>
            </th>
            <td>
              {reads['as-set'] <= SILENT ? text.nothing : text.levelWithin(quantity(reads['as-set'], 'dBu'), within)}
            </td>
            <td>
              {recorded(reads, toDbfs) ?? '–'}
              {whine && whine.reads['as-set'] > INAUDIBLE && <div>{text.whine(recorded(whine.reads, toDbfs))}</div>}
            </td>
            <Box component="td" sx={{ '&&': { whiteSpace: 'normal' } }}>
              {most ? `${nameOf(most.unit)}: ${WAYS[most.way]}, ${Math.round(100 * most.share)} %` : '–'}
            </Box>
          </tr>
        ))}
      </MainsTable>
      <MainsTable title={text.measuredAtLines} headings={[text.line, ...FIGURES.map(([, heading]) => heading)]}>
        {readings.lines.map(({ line, name, open }) => (
          <tr key={line}>
            <th scope="row">{name}</th>
            {FIGURES.map(([figure, , usual]) => (
              <td key={figure}>
                <FigureCell
                  label={`${GROUND_FIGURES[figure].label}: ${name}`}
                  range={GROUND_FIGURES[figure]}
                  value={statedOf(line)?.[figure]}
                  usual={usual}
                  onSet={(to) => onChange((from) => withMainsEdit(from, measuredEdit(line, figure, to, open)))}
                />
              </td>
            ))}
          </tr>
        ))}
      </MainsTable>
    </>
  );
}

/** What lies below is told as nothing; what lies below that is not told of whines, in dBu. */
const [SILENT, INAUDIBLE] = [-190, -150];

/** A level as it is recorded, unweighted and A-weighted; undefined where nothing arrives. */
const recorded = (reads: LineHum['reads'], toDbfs: number | undefined): string | undefined =>
  toDbfs === undefined || reads['as-set'] <= SILENT
    ? undefined
    : `${quantity(reads['as-set'] + toDbfs, 'dBFS')} · ${quantity(reads['a-weighted'] + toDbfs, 'dBFS')}(A)`;
