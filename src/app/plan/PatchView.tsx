'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { RigDocument } from '@/core/rig';
import { CompareTable } from './CompareTable';
import { ProposalView } from './ProposalView';
import { ProposalTabs } from './ProposalTabs';
import { RunStrip } from './RunStrip';
import type { Planning } from './usePlanning';

interface Props {
  document: RigDocument;
  planning: Planning;
  onAccept: (count: number) => void;
  onWishes: () => void;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** The present patch and the proposed one, as changes with their reasons. */
export function PatchView({ document, planning, onAccept, onWishes, onChange }: Props) {
  const { held, shown, failed } = planning;
  const [comparing, setComparing] = useState(false);
  return (
    <>
      <RunStrip planning={planning} ready={document.lines.length > 0} onWishes={onWishes} />
      {failed && (
        <Alert severity="error" sx={{ borderRadius: 0 }}>
          The plan could not be made: {failed}
        </Alert>
      )}
      {held.length > 0 && (
        <ProposalTabs planning={planning} comparing={comparing} onCompare={() => setComparing((now) => !now)} />
      )}
      {comparing && held.length > 1 && <CompareTable held={held} />}
      {shown && (
        <ProposalView
          key={shown.id}
          document={document}
          held={shown}
          planning={planning}
          onAccept={onAccept}
          onChange={onChange}
        />
      )}
      {!shown && !planning.running && <FirstSteps lines={document.lines.length} />}
    </>
  );
}

/** What to do first. */
function FirstSteps({ lines }: { lines: number }) {
  return (
    <Box sx={{ p: { xs: 2, md: 4 }, maxWidth: 620 }}>
      <Typography variant="h1" component="h2" gutterBottom>
        {lines ? 'No plan yet' : 'Nothing to plan yet'}
      </Typography>
      <Typography variant="body1">
        {lines
          ? 'Press “Plan the patch”. Every chain the kit allows is judged by the same check as the rig; then the best patch is computed: no line at Stop or Silent, as few to watch as possible, feeds off where nobody needs them, and as few changes against the present patch as that allows. Nothing is changed until you accept it.'
          : 'Add devices and lines in the Rig place first; then come back.'}
      </Typography>
      {!lines && (
        <Button variant="contained" href="/rig" sx={{ mt: 2 }}>
          Go to the rig
        </Button>
      )}
    </Box>
  );
}
