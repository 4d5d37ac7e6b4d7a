'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useState } from 'react';
import type { LineResult, Moments } from '@/core/check';
import { digits, quantity } from '@/core/units/format';

type Step = NonNullable<Moments['on']>;

/** What happens while this line is plugged with its feed on, and when the feed goes on and off. */
export const MomentsView = memo(function MomentsView({ result }: { result: LineResult }) {
  const { moments } = result;
  if (!moments) return <Typography variant="body2">Following the circuit over time …</Typography>;
  if (!moments.on && !moments.off && moments.plugged.length === 0 && !moments.notFollowed)
    return (
      <Typography variant="body2" color="textSecondary">
        The feed is off as drawn, so there is no thump. Try the switch on to see it.
      </Typography>
    );
  return (
    <Stack spacing={2.25}>
      {moments.notFollowed && (
        <Alert severity="warning">
          Part of this can’t be calculated for this line. Treat plugging it live as harmful: feed off, and wait, before
          you plug.
        </Alert>
      )}
      {moments.worse && moments.worse.plugged.length > 0 && <Worse {...moments.worse} />}
      {moments.plugged.map((plugged) => (
        <Box key={plugged.at + plugged.junction} component="section" aria-label={title(plugged.at)}>
          <Typography variant="h3" gutterBottom>
            {title(plugged.at)}
          </Typography>
          {plugged.amps < 1e-6 && plugged.volts < 0.01 ? (
            <Typography variant="body2">Nothing flows while both legs are equal.</Typography>
          ) : (
            <Figures
              rows={[
                ['Peak voltage', quantity(plugged.volts, 'V')],
                ['Peak current through the source', quantity(plugged.amps, 'A')],
                ['Worst position', plugged.worst === 'home' ? 'plug fully in' : plugged.worst],
                ['Lasts (above half the peak)', time(plugged.lasts)],
                ...(plugged.limit
                  ? [
                      [
                        'Rated continuous current',
                        `${quantity(plugged.limit.value, 'A')}${plugged.limit.basis === 'assumed' ? ' (assumed)' : ''}`,
                      ] as [string, string],
                    ]
                  : []),
              ]}
            />
          )}
        </Box>
      ))}
      {moments.on && <StepView key={moments.on.gain} step={moments.on} />}
      {moments.off && (
        <Box component="section" aria-label="Feed going off">
          <Typography variant="h3" gutterBottom>
            Feed going off
          </Typography>
          <Figures
            rows={[
              [
                `Discharge to ${quantity(moments.off.threshold, 'V')}, calculated`,
                moments.off.decay === undefined ? 'longer than 10 min' : time(moments.off.decay),
              ],
              ['Wait before you unplug', wait(moments.off.decay)],
            ]}
          />
        </Box>
      )}
      <Typography variant="caption" color="textSecondary">
        Calculated. Plug speed, contact resistance, the spread of the coupling capacitors and the feed&apos;s filter are
        typical or assumed. Keep monitors and headphones down: a thump can hurt ears.
      </Typography>
    </Stack>
  );
});

const title = (at: string): string =>
  ({ source: 'If you plug in with the feed on', 'TRS patch point': 'If you patch with the feed on' })[at] ??
  'If you plug in with the feed on';

/** The longer of a minute and the calculated discharge, as the careful school has it. */
const wait = (decay: number | undefined): string =>
  decay === undefined ? 'more than 10 min' : `${Math.ceil(Math.max(60, decay))} s`;

const GAINS = [-10, 0, 10, 20, 30, 40, 50, 60, 70];

/** An open question decides: the answer that hurts stands first, the harmless figures below it. */
function Worse({ answer, plugged }: NonNullable<Moments['worse']>) {
  const volts = Math.max(...plugged.map((each) => each.volts));
  const amps = Math.max(...plugged.map((each) => each.amps));
  return (
    <Box component="section" aria-label="If the answer is the other one">
      <Typography variant="body2" sx={(theme) => ({ fontWeight: 650, color: theme.vars!.palette.verdict.Stop })}>
        Centre tap not known. If it is {answer}: {quantity(volts, 'V')}, {quantity(amps, 'A')}. Don&apos;t plug with the
        feed on.
      </Typography>
      <Typography variant="caption" color="textSecondary">
        Below: what happens if there is no tap.
      </Typography>
    </Box>
  );
}

function StepView({ step }: { step: Step }) {
  const [gain, setGain] = useState(Math.round(step.gain));
  const dbfs = step.level - step.fullScale + gain;
  const gains = [...new Set([...GAINS, Math.round(step.gain)])].sort((a, b) => a - b);
  return (
    <Box component="section" aria-label="Feed coming on">
      <Typography variant="h3" gutterBottom>
        Feed coming on{step.ramp ? ` over ${time(step.ramp)}` : ''}
      </Typography>
      <Figures
        rows={[
          ['Step at the inlet', `${quantity(step.volts, 'V')} peak`],
          ['Settles to 1 % in', time(step.settles)],
        ]}
      />
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', mt: 1.75 }}>
        <TextField
          select
          label="at a gain of"
          value={gain}
          onChange={(event) => setGain(Number(event.target.value))}
          sx={{ width: 158 }}
        >
          {gains.map((value) => (
            <MenuItem key={value} value={value}>
              {quantity(value, 'dB').replace('.0', '')}
              {value === Math.round(step.gain) ? ', planned' : ''}
            </MenuItem>
          ))}
        </TextField>
        <Typography sx={{ fontWeight: 700, fontSize: '1.1rem' }} aria-label="Step at this gain">
          {quantity(dbfs, 'dBFS')}
          {dbfs > 0 && ', clips'}
        </Typography>
      </Stack>
    </Box>
  );
}

function Figures({ rows }: { rows: [string, string][] }) {
  return (
    <Box
      component="dl"
      sx={{
        m: 0,
        display: 'grid',
        gridTemplateColumns: '1fr auto',
        columnGap: 1.5,
        rowGap: 0.4,
        fontSize: '0.8125rem',
      }}
    >
      {rows.map(([label, value]) => (
        <Box key={label} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: 'text.secondary' }}>
            {label}
          </Box>
          <Box component="dd" sx={{ m: 0, fontWeight: 650, textAlign: 'right' }}>
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}

const time = (seconds: number): string =>
  seconds < 1e-3
    ? `${digits(seconds * 1e6, seconds < 1e-5 ? 1 : 0)} µs`
    : seconds < 1
      ? `${digits(seconds * 1e3, seconds < 0.01 ? 1 : 0)} ms`
      : `${digits(seconds, 1)} s`;
