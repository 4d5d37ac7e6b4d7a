'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Proposal } from '@/core/plan';
import type { RigDocument } from '@/core/rig';
import { CompareTable } from './CompareTable';
import { goalText } from './goalWords';
import { ProposalView } from './ProposalView';
import { ProposalTabs } from './ProposalTabs';
import { RunStrip } from './RunStrip';
import type { Planning } from './usePlanning';
import { patchView as texts } from './texts';

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
          {texts.thePlanCould(failed)}
        </Alert>
      )}
      {held.length > 0 && (
        <ProposalTabs planning={planning} comparing={comparing} onCompare={() => setComparing((now) => !now)} />
      )}
      {comparing && held.length > 1 && <CompareTable held={held} />}
      {shown && !planning.running && (
        <ProposalView
          key={shown.id}
          document={document}
          held={shown}
          planning={planning}
          onAccept={onAccept}
          onChange={onChange}
        />
      )}
      {planning.running?.best && <SoFar best={planning.running.best} />}
      {!shown && !planning.running?.best && <FirstSteps lines={document.lines.length} />}
    </>
  );
}

/** What the search has reached, and what it has proven of each goal. */
function SoFar({ best }: { best: Proposal }) {
  return (
    <Box component="section" aria-label={texts.reachedSoFar} sx={{ px: 2, pt: 1.75 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {texts.reachedInOrder}
      </Typography>
      <Box
        component="ol"
        sx={{ listStyle: 'none', m: 0, p: 0, maxWidth: 560, borderBottom: 1, borderColor: 'divider' }}
      >
        {best.reached.map((goal) => {
          const text = goalText(goal);
          return (
            text && (
              <Box
                component="li"
                key={goal.name}
                sx={{ display: 'flex', gap: 2, py: 0.5, borderTop: 1, borderColor: 'divider' }}
              >
                <Typography variant="body2" sx={{ flex: 1 }}>
                  {text}
                </Typography>
                {goal.value <= goal.bound && (
                  <Typography variant="body2" color="textSecondary">
                    {texts.proven}
                  </Typography>
                )}
              </Box>
            )
          );
        })}
      </Box>
    </Box>
  );
}

/** What to do first. */
function FirstSteps({ lines }: { lines: number }) {
  return (
    <Box sx={{ p: { xs: 2, md: 4 }, maxWidth: 620 }}>
      <Typography variant="h1" component="h2" gutterBottom>
        {lines ? texts.noPlanYet : texts.nothingToPlanYet}
      </Typography>
      <Typography variant="body1">{lines ? texts.planThePatchTries : texts.addDevicesAndLines}</Typography>
      {!lines && (
        <Button variant="contained" href="/rig" sx={{ mt: 2 }}>
          {texts.goToTheRig}
        </Button>
      )}
    </Box>
  );
}
