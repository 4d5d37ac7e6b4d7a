'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { withMainsEdit, type MainsRemedy, type MainsReport } from '@/core/mains';
import type { RigDocument } from '@/core/rig';
import { quantity } from '@/core/units/format';
import { TermText } from '@/ui/help/TermText';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { VERDICTS } from './verdicts';

interface Props {
  report: MainsReport | undefined;
  failed?: string;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** What is wrong with the mains side, worst first, and what each remedy would change. */
export function MainsPanel({ report, failed, onChange, onTold }: Props) {
  return (
    <Box sx={{ px: 2, py: 1.75 }}>
      <Typography variant="h1" component="h2" sx={{ fontSize: '1.05rem' }}>
        Findings and remedies
      </Typography>
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          The mains side could not be calculated. {failed}
        </Alert>
      )}
      {!report && !failed && <Typography sx={{ mt: 1 }}>Calculating …</Typography>}
      {report?.findings.map((finding, n) => (
        <Box
          key={`${finding.code} ${n}`}
          component="article"
          aria-label={finding.what}
          sx={{ mt: 1.5, pt: 1.5, borderTop: 1, borderColor: 'divider' }}
        >
          <VerdictMark verdict={VERDICTS[finding.severity]} />
          <Typography variant="h3" component="h3">
            {finding.what}
          </Typography>
          <Typography variant="body2">
            <TermText>{finding.why}</TermText>
          </Typography>
          {finding.remedies.map((remedy) => (
            <Remedy
              key={remedy.what}
              remedy={remedy}
              onDo={
                remedy.edit &&
                (() => {
                  onChange((from) => withMainsEdit(from, remedy.edit!));
                  onTold('Done on the rig. Undo takes it back.');
                })
              }
            />
          ))}
        </Box>
      ))}
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
        Protective earth is never lifted, for no hum. Sockets, boards and fixed wiring: a licensed electrician, under
        local code. Whine above 2 kHz from chargers and displays is beyond this model: move them to a strip of their
        own.
      </Typography>
    </Box>
  );
}

function Remedy({ remedy: { what, before, after }, onDo }: { remedy: MainsRemedy; onDo?: () => void }) {
  const change = before !== undefined && after !== undefined ? after - before : undefined;
  return (
    <Box
      sx={{ display: 'flex', alignItems: 'center', gap: 1, borderTop: 1, borderColor: 'divider', py: 0.75, mt: 0.75 }}
    >
      <Typography variant="body2" sx={{ flex: 1 }}>
        {what}
      </Typography>
      {change !== undefined && (
        <Typography variant="body2" sx={{ fontWeight: 700, whiteSpace: 'nowrap' }}>
          {after! <= -190 ? 'silent' : quantity(change, 'dB')}
        </Typography>
      )}
      {onDo && (
        <Button variant="outlined" onClick={onDo} aria-label={`Do it on the rig: ${what}`}>
          Do it
        </Button>
      )}
    </Box>
  );
}
