'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { usualSupply, type MainsReport } from '@/core/mains';
import { SUPPLIES, type Mains, type RigDocument, type SupplyName } from '@/core/rig';
import { quantity } from '@/core/units/format';
import { Choice } from '@/ui/shell/Choice';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { ConnectionTable } from './ConnectionTable';
import { EarthTree } from './EarthTree';
import { VERDICTS } from './verdicts';
import { MainsTable } from './MainsTable';
import { OutletTable } from './OutletTable';
import { UnitTable } from './UnitTable';

interface Props {
  document: RigDocument;
  report: MainsReport | undefined;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

const HOW = { unbalanced: 'unbalanced', balanced: 'balanced', transformer: 'over a transformer' } as const;

/** The mains side of the job: drawn, and as tables that do everything too. */
export function MainsView({ document, report, onChange }: Props) {
  const { mains = {} } = document;
  const set = (more: Partial<Mains>) => onChange((from) => ({ ...from, mains: { ...from.mains, ...more } }));
  return (
    <Box sx={{ px: 2, pt: 2, pb: 5, height: { md: '100%' }, overflowY: { md: 'auto' } }}>
      {report && (
        <Box sx={{ display: { lg: 'none' }, mb: 1.5 }}>
          <VerdictMark verdict={VERDICTS[report.findings[0].severity]} />
          <Typography sx={{ fontWeight: 650 }}>{report.findings[0].what}</Typography>
        </Box>
      )}
      <Typography variant="h2">Earth tree and ground loops</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        Earth conductors from the left; shields and other connections at the right, dashed. Loop 1, drawn heavy, is the
        one the worst line hears.
      </Typography>
      {report && <EarthTree report={report} />}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 2 }}>
        <Choice
          label="Supply"
          value={mains.supply ?? usualSupply()}
          onChoose={(supply) => set({ supply: supply as SupplyName })}
          options={Object.entries(SUPPLIES).map(([value, { label }]) => [value, label] as const)}
        />
        <Choice
          label="Neutral and earth"
          value={mains.neutral ?? 'unknown'}
          onChoose={(to) => set({ neutral: to === 'unknown' ? undefined : (to as 'bonded' | 'free') })}
          options={[
            ['unknown', 'unknown (assumed bonded)'],
            ['bonded', 'bonded at the supply'],
            ['free', 'not bonded (inverter, generator)'],
          ]}
          width={260}
        />
      </Box>
      {report && <UnitTable document={document} report={report} onChange={onChange} />}
      {report && <OutletTable document={document} report={report} onChange={onChange} />}
      {report && <ConnectionTable document={document} report={report} onChange={onChange} />}
      {report && <HeardTable report={report} />}
    </Box>
  );
}

/** What each line that joins two units hears, loudest first. */
function HeardTable({ report: { readings, system } }: { report: MainsReport }) {
  const nameOf = (id: string) => system.units.find((unit) => unit.id === id)?.name ?? id;
  if (readings.lines.length === 0)
    return (
      <Typography variant="body2" sx={{ mt: 3 }}>
        No line connects two of these units, so none hears hum this way. Choose under “Source of” which line a unit
        feeds.
      </Typography>
    );
  return (
    <MainsTable
      title="What each line hears"
      headings={['Line', 'Heard', 'At the inlet', 'As recorded', 'Within', 'Most of it from']}
    >
      {readings.lines.map(({ line, name, how, aWeighted, dbfsA, within, shares: [most] }) => (
        <tr key={line}>
          <th scope="row">{name}</th>
          <td>{HOW[how]}</td>
          <td>{aWeighted <= -190 ? 'nothing' : `${quantity(aWeighted, 'dBu')}(A)`}</td>
          <td>{dbfsA === undefined || aWeighted <= -190 ? '–' : `${quantity(dbfsA, 'dBFS')}(A)`}</td>
          <td>± {within} dB</td>
          <td>
            {most
              ? `${nameOf(most.unit)}, ${most.way === 'leakage' ? 'leakage' : 'load current'} ${Math.round(100 * most.share)} %`
              : '–'}
          </td>
        </tr>
      ))}
    </MainsTable>
  );
}
