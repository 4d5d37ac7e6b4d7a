'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import LinearProgress from '@mui/material/LinearProgress';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useEffect, useState } from 'react';
import type { Planning, Running } from './usePlanning';
import { useDraft } from '@/ui/shell/useDraft';
import { useShortcut } from '@/ui/shell/useShortcut';
import { digits } from '@/core/units/format';
import { runStrip as text } from './texts';

const LIMITS = [5, 10, 30, 60];

/** The button that plans, within which time and kit; while it runs, how far it is. */
export function RunStrip({ planning, ready, onWishes }: { planning: Planning; ready: boolean; onWishes: () => void }) {
  const { running, start, stop } = planning;
  const [seconds, setSeconds] = useDraft('plan seconds', 10);
  const [onlyKit, setOnlyKit] = useDraft('plan only kit', false);
  useShortcut('p', () => ready && !running && start(seconds, onlyKit), { instead: true }, [
    ready,
    running,
    start,
    seconds,
    onlyKit,
  ]);
  useShortcut('escape', () => running && stop(), {}, [running, stop]);
  return (
    <Box
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        alignItems: 'center',
        columnGap: 2,
        rowGap: 1,
        px: 2,
        py: 1.25,
        borderBottom: 1,
        borderColor: 'divider',
      }}
    >
      {running ? (
        <RunningText key={running.since} running={running} onStop={stop} />
      ) : (
        <>
          <Button
            variant="contained"
            disabled={!ready}
            onClick={() => start(seconds, onlyKit)}
            title={text.planThePatchP}
          >
            {planning.held.length ? text.planAgain : text.planThePatch}
          </Button>
          <TextField
            select
            label={text.searchForAtMost}
            value={seconds}
            onChange={(event) => setSeconds(Number(event.target.value))}
            sx={{ width: 150 }}
          >
            {LIMITS.map((limit) => (
              <MenuItem key={limit} value={limit}>
                {text.seconds(limit)}
              </MenuItem>
            ))}
          </TextField>
          <FormControlLabel
            control={<Checkbox size="small" checked={onlyKit} onChange={(_, on) => setOnlyKit(on)} />}
            label={<Typography variant="body2">{text.useOnlyMyKit}</Typography>}
          />
          <Button color="inherit" onClick={onWishes} sx={{ display: { lg: 'none' }, ml: 'auto' }}>
            {text.rules}
          </Button>
        </>
      )}
    </Box>
  );
}

function RunningText({ running, onStop }: { running: Running; onStop: () => void }) {
  const [now, setNow] = useState(running.since);
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), 200);
    return () => clearInterval(timer);
  }, []);
  const { progress, best, searching } = running;
  const spent = Math.max(0, (now - running.since) / 1000);
  const chains = progress?.doing === 'chains' ? progress : undefined;
  return (
    <Box sx={{ flex: 1, display: 'flex', alignItems: 'center', columnGap: 2, rowGap: 0.5, flexWrap: 'wrap' }}>
      <Box sx={{ flex: '1 1 260px', minWidth: 0 }} role="status">
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          {chains
            ? text.judgingEveryChainOfLine(chains.of, chains.done + 1, chains.total)
            : progress
              ? text.findingTheBestPatch(progress.doing === 'patch' ? progress.goal : '')
              : text.starting}
        </Typography>
        <LinearProgress
          variant={chains ? 'determinate' : 'indeterminate'}
          value={chains ? (100 * chains.done) / chains.total : undefined}
          aria-label={text.progressOfThePlan}
          sx={{ mt: 0.75 }}
        />
        <Typography variant="caption" color="textSecondary">
          {searching === undefined
            ? `${digits(spent, 0)} s`
            : text.searchingFor(digits(Math.max(0, (now - searching) / 1000), 0), running.seconds)}
          {best ? text.bestSoFar(shortOf(best)) : ''}
        </Typography>
      </Box>
      <Button variant="outlined" color="inherit" onClick={onStop} title={text.stopEsc}>
        {best ? text.stopAndKeepTheBest : text.stop}
      </Button>
    </Box>
  );
}

const shortOf = ({ counts, leftOut, lines }: NonNullable<Running['best']>): string =>
  [
    text.clear(counts.Clear),
    ...(counts.Watch ? [text.watch(counts.Watch)] : []),
    ...(leftOut.length ? [text.leftOut(leftOut.length)] : []),
    text.linesChanged(lines.length),
  ].join(', ');
