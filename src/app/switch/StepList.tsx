'use client';

import KeyboardArrowDownIcon from '@mui/icons-material/KeyboardArrowDown';
import KeyboardArrowUpIcon from '@mui/icons-material/KeyboardArrowUp';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { memo, useMemo, useState } from 'react';
import { afterSteps, stepWords, type Session, type SheetRig } from '@/core/runsheet';
import { secondsText } from './durations';
import { clockPattern } from '@/core/units/conventions';
import { stepList as text } from './texts';

interface Props {
  rig: SheetRig;
  session: Session;
  /** The place where one stands: only its steps are shown. Empty for somebody who goes everywhere. */
  here: string;
  /** What the clock on the wall is ahead of the sheets', in seconds. */
  wall: number;
  onMove: (from: number, to: number) => void;
  onBack: (to: number) => void;
}

const SHOWN = 8;

/** What comes then, small and by place, and what has been done. */
export const StepList = memo(function StepList({ rig, session, here, wall, onMove, onBack }: Props) {
  const [all, setAll] = useState(false);
  const [past, setPast] = useState(false);
  const { steps, done } = session;
  const own = steps.map((step, at) => ({ step, at })).filter(({ step }) => !here || step.place === here);
  const later = own.slice(1, all ? undefined : 1 + SHOWN);
  const last = later.at(-1)?.at ?? 0;
  const states = useMemo(() => afterSteps(rig, session.state, steps.slice(0, last)), [rig, session.state, steps, last]);
  return (
    <Box sx={{ px: { xs: 2, md: 4 }, pb: 4, maxWidth: 760 }}>
      {later.length > 0 && (
        <Box component="section" aria-label={text.stepsThatFollow}>
          <Typography variant="h2" sx={{ mt: 1, mb: 0.5 }}>
            {here ? text.thenAt(here) : text.then}
          </Typography>
          <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {later.map(({ step, at }, n) => {
              // Past one's own steps, whatever others do in between.
              const [earlier, after] = [own[n].at, own[n + 2]?.at];
              const walk = !here && step.place !== undefined && step.place !== placeBefore(steps, at);
              const place = walk ? step.place : undefined;
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
                        text.about(secondsText(step.action.seconds), step.reasons?.map(({ name }) => name).join(', '))}
                    </Typography>
                    <IconButton size="small" aria-label={text.earlier(title)} onClick={() => onMove(at, earlier)}>
                      <KeyboardArrowUpIcon fontSize="small" />
                    </IconButton>
                    <IconButton
                      size="small"
                      aria-label={text.later(title)}
                      disabled={after === undefined}
                      onClick={() => onMove(at, after)}
                    >
                      <KeyboardArrowDownIcon fontSize="small" />
                    </IconButton>
                  </Box>
                </Box>
              );
            })}
          </Box>
          {own.length > 1 + SHOWN && (
            <Button onClick={() => setAll(!all)} aria-expanded={all}>
              {all ? text.showFewer : text.showAll(own.length - 1)}
            </Button>
          )}
        </Box>
      )}
      {done.length > 0 && (
        <Box component="section" aria-label={text.stepsDone} sx={{ mt: 2 }}>
          <Button onClick={() => setPast(!past)} aria-expanded={past}>
            {past ? text.hideWhatIsDone : text.doneSoFar(done.length)}
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
                      {dayjs.unix(step.at + wall).format(clockPattern('with seconds'))}
                    </Typography>
                    <Typography variant="body2" sx={{ flex: 1 }}>
                      {stepWords(rig, undefined, step).title}
                    </Typography>
                    <Button onClick={() => onBack(n)}>{text.backTo}</Button>
                  </Box>
                ))}
            </Box>
          )}
        </Box>
      )}
    </Box>
  );
});

const placeBefore = (steps: Session['steps'], at: number): string | undefined =>
  steps.slice(0, at).findLast(({ place }) => place !== undefined)?.place;
