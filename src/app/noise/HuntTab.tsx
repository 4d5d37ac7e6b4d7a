'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { WAYS } from '@/core/noise/hunt';
import type { RigDocument, RigLine } from '@/core/rig';
import type { SavedHunt } from '@/store/noise';
import { LocalTime } from '@/ui/shell/LocalTime';
import type { NoiseWorker } from '@/workers/noiseWorker';
import { HuntBoard } from './HuntBoard';
import { HuntSetup } from './HuntSetup';
import type { SineReads } from './scales';
import { huntTab as text } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  line: RigLine;
  sine: SineReads;
  who: string;
  worker: () => NoiseWorker;
  hunts: SavedHunt[];
  onHunts: (hunts: SavedHunt[]) => void;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** Hunts of this rig: one that is followed, or the beginning of another. */
export function HuntTab({ rig, document, line, sine, who, worker, hunts, onHunts, onChange, onTold }: Props) {
  const [open, setOpen] = useState<number | 'new' | undefined>(hunts[0]?.id);
  const hunt = hunts.find(({ id }) => id === open);
  const nameOf = (id: string) => document.lines.find((each) => each.id === id)?.name ?? id;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 1 }}>
        {hunt ? text.titleOf(nameOf(hunt.hunt.line)) : text.newTitleOf(line.name)}
      </Typography>
      {hunt ? (
        <HuntBoard
          key={hunt.id}
          rig={rig}
          document={document}
          saved={hunt}
          sine={sine}
          who={who}
          worker={worker}
          onChange={onChange}
          onTold={onTold}
          onHunt={(to) => onHunts(hunts.map((each) => (each.id === to.id ? to : each)))}
        />
      ) : (
        <HuntSetup
          key={line.id}
          rig={rig}
          document={document}
          line={line}
          who={who}
          onBegun={(begun) => {
            onHunts([begun, ...hunts]);
            setOpen(begun.id);
          }}
        />
      )}
      {hunts.length > 0 && (
        <Box sx={{ mt: 3 }}>
          <Typography variant="h3" component="h3">
            {text.huntsOfThisRig}
          </Typography>
          <Box component="ul" aria-label={text.huntsOfThisRig} sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {hunts.map(({ id, begun, hunt: each }) => (
              <Box component="li" key={id} sx={{ borderTop: 1, borderColor: 'divider' }}>
                <Button
                  onClick={() => setOpen(id)}
                  sx={{ justifyContent: 'flex-start', textAlign: 'left', display: 'block' }}
                  aria-current={id === open ? 'true' : undefined}
                >
                  {text.measured(nameOf(each.line), WAYS[each.way].toLowerCase(), each.steps.length)}
                  <LocalTime at={begun} />
                </Button>
              </Box>
            ))}
          </Box>
          {hunt && (
            <Button variant="outlined" onClick={() => setOpen('new')} sx={{ mt: 1 }}>
              {text.beginAnotherHunt}
            </Button>
          )}
        </Box>
      )}
      {hunts.length === 0 && (
        <Alert severity="info" icon={false} sx={{ mt: 2 }}>
          {text.aHuntMeasuresOneLine}
        </Alert>
      )}
    </>
  );
}
