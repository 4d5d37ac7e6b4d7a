'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { calibrated, usualSupply, withMainsEdit, type MainsReport } from '@/core/mains';
import { SUPPLIES, type Mains, type RigDocument, type SupplyName } from '@/core/rig';
import { FIFTH } from '@/core/rig/deviceFigures';
import { worded } from '@/core/units/conventions';
import { Choice } from '@/ui/shell/Choice';
import { Late } from '@/ui/shell/Late';
import { ConnectionTable } from './ConnectionTable';
import { BesideTable } from './BesideTable';
import { EarthTree } from './EarthTree';
import { FigureCell } from './FigureCell';
import { FindingMark } from './FindingMark';
import { HeardTable } from './HeardTable';
import { OutletTable } from './OutletTable';
import { UnitDetails } from './UnitDetails';
import { UnitTable } from './UnitTable';
import { mainsView as text } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  report: MainsReport | undefined;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
}

const loadImport = () => import('./MainsImport').then((file) => file.MainsImport);

/** Without what nobody says any more. */
const stated = (mains: Mains): Mains =>
  Object.fromEntries(Object.entries(mains).filter(([, value]) => value !== undefined));

/** The mains side of the job: drawn, and as tables that do everything too. */
export function MainsView({ rig, document, report, onChange }: Props) {
  const { mains = {} } = document;
  const [reading, setReading] = useState(false);
  const set = (more: Partial<Mains>) => onChange((from) => ({ ...from, mains: stated({ ...from.mains, ...more }) }));
  return (
    <Box sx={{ px: 2, pt: 2, pb: 5, height: { md: '100%' }, overflowY: { md: 'auto' } }}>
      {report && (
        <Box sx={{ display: { lg: 'none' }, mb: 1.5 }}>
          <FindingMark finding={report.findings[0]} />
          <Typography sx={{ fontWeight: 650 }}>{report.findings[0].what}</Typography>
        </Box>
      )}
      <Typography variant="h2">{worded(text.earthTreeAndGroundLoops)}</Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {text.earthConductorsFromTheLeft}
      </Typography>
      {report && (
        <EarthTree
          report={report}
          onPlug={(unit, outlet) =>
            onChange((from) => withMainsEdit(from, { do: 'outlet', unit, ...(outlet !== undefined && { outlet }) }))
          }
        />
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, my: 2 }}>
        <Choice
          label={text.supply}
          value={mains.supply ?? usualSupply()}
          onChoose={(supply) => set({ supply: supply as SupplyName })}
          options={Object.entries(SUPPLIES).map(([value, { label }]) => [value, label] as const)}
        />
        <Choice
          label={text.neutralAndEarth}
          value={mains.neutral ?? 'unknown'}
          onChoose={(to) => set({ neutral: to === 'unknown' ? undefined : (to as 'bonded' | 'free') })}
          options={[
            ['unknown', text.unknownAssumedBonded],
            ['bonded', text.bondedAtTheSupply],
            ['free', text.notBondedInverterGenerator],
          ]}
          width={260}
        />
        <Choice
          label={text.conductorsOfTheSupply}
          value={mains.balanced ? 'balanced' : 'usual'}
          onChoose={(to) => set({ balanced: to === 'balanced' ? true : undefined })}
          options={[
            ['usual', text.liveAndNeutral],
            ['balanced', text.balancedTransformer],
          ]}
          width={200}
        />
        <FigureCell
          title={`${FIFTH.label} (${FIFTH.unit})`}
          label={text.ofTheVoltage(FIFTH.label)}
          range={FIFTH}
          value={mains.fifth}
          usual="3"
          onSet={(fifth) => set({ fifth })}
        />
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        <Button component="a" href={`/api/rigs/${rig}/mains-table`} download variant="outlined">
          {text.exportAsCsv}
        </Button>
        <Button variant="outlined" onClick={() => setReading(true)}>
          {text.importATable}
        </Button>
      </Box>
      {reading && (
        <Late
          load={loadImport}
          props={{
            document: report ? calibrated(document, report.readings) : document,
            onClose: () => setReading(false),
            onReplace: (to) => onChange(() => to),
          }}
        />
      )}
      {report && <UnitTable document={document} report={report} onChange={onChange} />}
      {report && <OutletTable document={document} report={report} onChange={onChange} />}
      {report && <ConnectionTable document={document} report={report} onChange={onChange} />}
      {report && <HeardTable document={document} report={report} onChange={onChange} />}
      {report && <BesideTable document={document} report={report} onChange={onChange} />}
      {report && <UnitDetails document={document} report={report} onChange={onChange} />}
    </Box>
  );
}
