'use client';

import KeyboardArrowDownIcon from '@mui/icons-material/KeyboardArrowDown';
import KeyboardArrowUpIcon from '@mui/icons-material/KeyboardArrowUp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { useState } from 'react';
import { afterSteps, stepWords, type Session, type SheetRig } from '@/core/switching/sheet';
import { secondsText } from './durations';

interface Props {
  rig: SheetRig;
  session: Session;
  /** What the clock on the wall is ahead of the sheets', in seconds. */
  wall: number;
  onMove: (from: number, to: number) => void;
  onBack: (to: number) => void;
}

const SHOWN = 8;

/** What comes then, small and by place, and what has been done. */
export function StepList({ rig, session, wall, onMove, onBack }: Props) {
  const [all, setAll] = useState(false);
  const [past, setPast] = useState(false);
  const { steps, done } = session;
  const later = steps.slice(1, all ? undefined : 1 + SHOWN);
  const states = afterSteps(rig, session.state, steps);
  return (
    <Box sx={{ px: { xs: 2, md: 4 }, pb: 4, maxWidth: 760 }}>
      {later.length > 0 && (
        <Box component="section" aria-label="Steps that follow">
          <Typography variant="h2" sx={{ mt: 1, mb: 0.5 }}>
            Then
          </Typography>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {later.map((step, n) => {
              const at = n + 1;
              const place = step.place !== undefined && step.place !== placeBefore(steps, at) ? step.place : undefined;
              const { title } = stepWords(rig, states[at], step);
              return (
                <Box key={at} component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
                  {place && (
                    <Typography variant="caption" sx={{ display: 'block', fontWeight: 650, pt: 0.75 }}>
                      {place}
                    </Typography>
                  )}
                  <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 34 }}>
                    <Typography variant="body2" sx={{ flex: 1 }}>
                      {title}
                      {step.action.do === 'wait' &&
                        `, about ${secondsText(step.action.seconds)}: ${step.reasons?.map(({ name }) => name).join(', ')}`}
                    </Typography>
                    <IconButton size="small" aria-label={`Earlier: ${title}`} onClick={() => onMove(at, at - 1)}>
                      <KeyboardArrowUpIcon fontSize="small" />
                    </IconButton>
                    <IconButton
                      size="small"
                      aria-label={`Later: ${title}`}
                      disabled={at === steps.length - 1}
                      onClick={() => onMove(at, at + 1)}
                    >
                      <KeyboardArrowDownIcon fontSize="small" />
                    </IconButton>
                  </Box>
                </Box>
              );
            })}
          </Box>
          {steps.length > 1 + SHOWN && (
            <Button onClick={() => setAll(!all)} aria-expanded={all}>
              {all ? 'Show fewer' : `Show all ${steps.length - 1}`}
            </Button>
          )}
        </Box>
      )}
      {done.length > 0 && (
        <Box component="section" aria-label="Steps done" sx={{ mt: 2 }}>
          <Button onClick={() => setPast(!past)} aria-expanded={past}>
            {past ? 'Hide what is done' : `Done so far: ${done.length}`}
          </Button>
          {past && (
            <Box component="ol" reversed sx={{ listStyle: 'none', m: 0, p: 0 }}>
              {done
                .map((step, n) => ({ step, n }))
                .toReversed()
                .map(({ step, n }) => (
                  <Box
                    key={n}
                    component="li"
                    sx={{
                      display: 'flex',
                      gap: 1.5,
                      alignItems: 'center',
                      borderTop: 1,
                      borderColor: 'divider',
                      minHeight: 36,
                    }}
                  >
                    <Typography variant="body2" color="textSecondary">
                      {dayjs.unix(step.at + wall).format('HH:mm:ss')}
                    </Typography>
                    <Typography variant="body2" sx={{ flex: 1 }}>
                      {stepWords(rig, undefined, step).title}
                    </Typography>
                    <Button onClick={() => onBack(n)}>Back to it</Button>
                  </Box>
                ))}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
}

const placeBefore = (steps: Session['steps'], at: number): string | undefined =>
  steps.slice(0, at).findLast(({ place }) => place !== undefined)?.place;
