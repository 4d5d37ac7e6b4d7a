'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { RigDocument } from '@/core/rig';
import { feedLabel } from '@/core/standards/feeds';
import type { SheetRig, SheetState, Way } from '@/core/runsheet';
import { useAnswer, useWorker } from '@/ui/rig/useWorker';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { startSwitchWorker } from '@/workers/switchWorker';
import { waysView as text } from './texts';

interface Props {
  document: RigDocument;
  rig: SheetRig;
  state: SheetState;
  line: string;
  busy: boolean;
  onBeside: (line: string, way: Way) => void;
  /** On its own inlet. */
  onHere: () => void;
}

const SHOWN = 4;

/** The ways to change one line over, the one that disturbs least first. */
export function WaysView({ document, rig, state, line, busy, onBeside, onHere }: Props) {
  const worker = useWorker(startSwitchWorker);
  const question = useMemo(() => ({ ask: 'ways', document, rig, state, line }) as const, [document, rig, state, line]);
  const { answer, failed, busy: looking } = useAnswer(worker, question, 'ways');
  const nameOf = (id: string) => rig.lines.find((each) => each.id === id)?.name ?? id;
  if (failed) return <Typography color="error">{failed}</Typography>;
  const ways = looking ? undefined : answer?.ways;
  const shown = ways?.filter((way, n) => n < SHOWN || !way.to);
  return (
    <Box component="section" aria-label={text.waysToChangeItOver} sx={{ mt: 1.5 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {!ways
          ? text.findingTheChangeThatAffects
          : ways.length > 1
            ? text.fewestLinesAffectedFirst
            : text.noFreeInletWouldAffect}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown?.map((way, n) => (
          <Box
            key={n}
            component="li"
            sx={{
              borderTop: 1,
              borderColor: 'divider',
              py: 0.75,
              display: 'flex',
              gap: 1.5,
              alignItems: 'center',
              flexWrap: 'wrap',
            }}
          >
            <Box sx={{ flex: '1 1 260px' }}>
              <Typography variant="body2">
                <strong>{way.to ? text.besideIt(way.name) : text.onItsOwnInlet(way.name)}</strong>
                {way.to && way.place && ` (${way.place})`}
                {way.group !== undefined && text.feed(feedLabel(way.feed))}
              </Typography>
              <Typography variant="body2" color="textSecondary">
                {way.disturbed.length
                  ? text.affects(way.disturbed.length, way.disturbed.map(nameOf).join(', '))
                  : text.affectsNobodyElse}
                {way.to && text.theOldSourceStaysPlugged}
              </Typography>
            </Box>
            <VerdictMark verdict={way.verdict} />
            <Button
              disabled={busy}
              onClick={() => (way.to ? onBeside(line, way) : onHere())}
              variant={n === 0 ? 'contained' : 'outlined'}
              sx={{ minHeight: 48 }}
            >
              {text.startThisChangeOver}
            </Button>
          </Box>
        ))}
      </Box>
    </Box>
  );
}
