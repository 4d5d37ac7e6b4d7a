'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import type { SupplyOption } from '@/core/plan';
import { startsAtLink, type RigDocument } from '@/core/rig';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { PlanWorker } from '@/workers/planWorker';
import { DirectCurrentView } from './DirectCurrentView';
import { useAnswer } from '@/ui/rig/useWorker';
import { suppliesView as text } from './texts';

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  worker: () => PlanWorker;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** Which supply a line takes, and what hangs on direct-current supplies. */
export function SuppliesView({ document, kit, worker, onChange }: Props) {
  const lines = document.lines.filter((line) => !startsAtLink(line));
  const [wanted, setWanted] = useState<string>();
  const line = lines.find(({ id }) => id === wanted) ?? lines[0];
  const { answer, failed, busy } = useSupplies(worker, document, kit, line?.id);
  const options = busy ? undefined : answer?.options;
  const suitable = options?.filter((option) => option.suitable) ?? [];
  const others = options?.filter((option) => !option.suitable) ?? [];
  return (
    <Box sx={{ px: 2, py: 1.75, display: 'grid', gap: 3 }}>
      <Box component="section" aria-label={text.supplyForALine}>
        <Typography variant="panel" component="h2" sx={{ mb: 1.25 }}>
          {text.phantomSuppliesConvertersAndBoosters}
        </Typography>
        {line ? (
          <TextField
            select
            label={text.forTheLine}
            value={line.id}
            onChange={(event) => setWanted(event.target.value)}
            sx={{ minWidth: 240 }}
          >
            {lines.map(({ id, name }) => (
              <MenuItem key={id} value={id}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        ) : (
          <Typography variant="body2" color="textSecondary">
            {text.addALine}
          </Typography>
        )}
        {failed && (
          <Typography variant="body2" color="error">
            {failed}
          </Typography>
        )}
        {line && answer && !busy && !options && (
          <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
            {text.thisLineEndsInAnother}
          </Typography>
        )}
        {options && (
          <>
            <OptionList title={suitable.length ? text.wouldDo : text.noneOfThemWouldDo} options={suitable} />
            {others.length > 0 && <OptionList title={text.doesntWork} options={others} />}
            <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
              {text.eachIsPutInto}
            </Typography>
          </>
        )}
      </Box>
      <DirectCurrentView document={document} worker={worker} onChange={onChange} />
    </Box>
  );
}

function useSupplies(
  worker: () => PlanWorker,
  document: RigDocument,
  kit: readonly KitItem[],
  line: string | undefined,
) {
  const question = useMemo(
    () => (line ? ({ ask: 'supplies', document, kit, line } as const) : undefined),
    [document, kit, line],
  );
  return useAnswer(worker, question, 'supplies');
}

function OptionList({ title, options }: { title: string; options: readonly SupplyOption[] }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 1.5 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Box
        component="ul"
        sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: options.length ? 1 : 0, borderColor: 'divider' }}
      >
        {options.map(({ label, runsOn, owned, verdict, reason }) => (
          <Box
            component="li"
            key={`${label} ${runsOn}`}
            sx={{
              display: 'grid',
              gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '72px minmax(0, 1.1fr) minmax(0, 2.4fr)' },
              columnGap: 1.5,
              py: 0.75,
              borderTop: 1,
              borderColor: 'divider',
            }}
          >
            <span>{verdict ? <VerdictMark verdict={verdict} /> : null}</span>
            <Typography variant="body2" component="span">
              <strong>{label}</strong>
              <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
                {text.on(runsOn, owned)}
              </Typography>
            </Typography>
            <Typography variant="body2" color="textSecondary">
              {reason}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
