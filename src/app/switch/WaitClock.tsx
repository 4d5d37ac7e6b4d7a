'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import type { WaitReason } from '@/core/runsheet';
import { chime } from './chime';
import { clockText, secondsText } from './durations';
import { waitClock as text } from './texts';

/** Reasons that are shown at once, those that last longest. */
const SHOWN = 3;

interface Props {
  /** Seconds that are left, and that there were. */
  left: number;
  whole: number;
  reasons: readonly WaitReason[];
  sound: boolean;
}

/** The clock of a wait, large, and where its time comes from. */
export function WaitClock({ left, whole, reasons, sound }: Props) {
  const over = left <= 0;
  const ran = useRef(false);
  const [all, setAll] = useState(false);
  const more = reasons.length - SHOWN;
  useEffect(() => {
    if (!over) ran.current = true;
    else if (ran.current) {
      ran.current = false;
      if (sound) chime();
    }
  }, [over, sound]);
  return (
    <Box>
      <Typography
        variant="clock"
        component="p"
        role="timer"
        aria-label={over ? text.theWaitIsOver : text.left(clockText(left))}
        sx={(theme) => ({
          color: over ? theme.vars!.palette.verdict.Clear : 'text.primary',
        })}
      >
        {over ? text.over : clockText(left)}
      </Typography>
      <LinearProgress
        variant="determinate"
        value={over ? 100 : 100 * (1 - left / Math.max(whole, left, 0.1))}
        aria-label={text.partOfTheWait}
        sx={{ my: 1.5, height: 6, borderRadius: 1 }}
      />
      <Box
        component="table"
        aria-label={text.whatTheWait}
        sx={{
          width: '100%',
          borderCollapse: 'collapse',
          fontSize: 'body2.fontSize',
          '& th, & td': { textAlign: 'right', py: 0.4, pl: 1, fontWeight: 400, verticalAlign: 'baseline' },
          '& th:first-of-type': { textAlign: 'left', pl: 0 },
          '& thead th': { color: 'text.secondary', fontSize: 'caption.fontSize' },
          '& tbody tr': { borderTop: 1, borderColor: 'divider' },
        }}
      >
        <thead>
          <tr>
            <th scope="col">{text.until}</th>
            <th scope="col">{text.calculated}</th>
            <th scope="col">{text.rule}</th>
          </tr>
        </thead>
        <tbody>
          {(all ? reasons : reasons.slice(0, SHOWN)).map(({ of, name, until, wait }) => (
            <tr key={of}>
              <th scope="row">
                {name} {until === 'settled' ? text.hasSettled : text.isDischarged}
              </th>
              <Figure seconds={wait.computed} counts={wait.counts === 'computed'} />
              <Figure seconds={wait.school} counts={wait.counts === 'school'} />
            </tr>
          ))}
        </tbody>
      </Box>
      {more > 0 && (
        <Button onClick={() => setAll(!all)} aria-expanded={all}>
          {all ? text.onlyTheLongest : text.andMore(more)}
        </Button>
      )}
    </Box>
  );
}

/** One of two figures; the one that is used is marked by a word as well as by weight. */
function Figure({ seconds, counts }: { seconds?: number; counts: boolean }) {
  if (seconds === undefined) return <td>–</td>;
  return (
    <Box component="td" sx={counts ? { fontWeight: '700 !important' } : { color: 'text.secondary' }}>
      {secondsText(seconds)}
      {counts && text.using}
    </Box>
  );
}
