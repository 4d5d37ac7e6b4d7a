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
import { momentsView as text } from './texts';

type Step = NonNullable<Moments['on']>;

/** What happens while this line is plugged with its feed on, and when the feed goes on and off. */
export const MomentsView = memo(function MomentsView({ result }: { result: LineResult }) {
  const { moments } = result;
  if (!moments) return <Typography variant="body2">{text.followingTheCircuitOverTime}</Typography>;
  if (!moments.on && !moments.off && moments.plugged.length === 0 && !moments.notFollowed)
    return (
      <Typography variant="body2" color="textSecondary">
        {text.theFeedIsOff}
      </Typography>
    );
  return (
    <Stack spacing={2.25}>
      {moments.notFollowed && <Alert severity="warning">{text.partOfThisCant}</Alert>}
      {moments.worse && moments.worse.plugged.length > 0 && <Worse {...moments.worse} />}
      {moments.plugged.map((plugged) => (
        <Box key={plugged.at + plugged.junction} component="section" aria-label={title(plugged.at)}>
          <Typography variant="h3" gutterBottom>
            {title(plugged.at)}
          </Typography>
          {plugged.amps < 1e-6 && plugged.volts < 0.01 ? (
            <Typography variant="body2">{text.nothingFlowsWhileBothLegs}</Typography>
          ) : (
            <Figures
              rows={[
                [text.peakVoltage, quantity(plugged.volts, 'V')],
                [text.peakCurrentThroughTheSource, quantity(plugged.amps, 'A')],
                [text.worstPosition, plugged.worst === 'home' ? text.plugFully : plugged.worst],
                [text.lastsAboveHalfThePeak, time(plugged.lasts)],
                ...(plugged.limit
                  ? [
                      [
                        text.ratedContinuousCurrent,
                        text.limitOf(quantity(plugged.limit.value, 'A'), plugged.limit.basis),
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
        <Box component="section" aria-label={text.feedGoingOff}>
          <Typography variant="h3" gutterBottom>
            {text.feedGoingOff}
          </Typography>
          <Figures
            rows={[
              [
                text.dischargeToCalculated(quantity(moments.off.threshold, 'V')),
                moments.off.decay === undefined ? text.longerThan10Min : time(moments.off.decay),
              ],
              [text.waitBeforeYouUnplug, wait(moments.off.decay)],
            ]}
          />
        </Box>
      )}
      <Typography variant="caption" color="textSecondary">
        {text.calculatedPlugSpeedContactResistance}
      </Typography>
    </Stack>
  );
});

const title = (at: string): string =>
  ({ source: text.ifYouPlug, 'TRS patch point': text.ifYouPatch })[at] ?? text.ifYouPlug;

/** The longer of a minute and the calculated discharge, as the careful school has it. */
const wait = (decay: number | undefined): string =>
  decay === undefined ? text.moreThan10Min : `${Math.ceil(Math.max(60, decay))} s`;

const GAINS = [-10, 0, 10, 20, 30, 40, 50, 60, 70];

/** An open question decides: the answer that hurts stands first, the harmless figures below it. */
function Worse({ answer, plugged }: NonNullable<Moments['worse']>) {
  const volts = Math.max(...plugged.map((each) => each.volts));
  const amps = Math.max(...plugged.map((each) => each.amps));
  return (
    <Box component="section" aria-label={text.ifTheAnswer}>
      <Typography variant="body2" sx={(theme) => ({ fontWeight: 650, color: theme.vars!.palette.verdict.Stop })}>
        {text.centreTapNotKnown(answer, quantity(volts, 'V'), quantity(amps, 'A'))}
      </Typography>
      <Typography variant="caption" color="textSecondary">
        {text.belowWhatHappensIfThere}
      </Typography>
    </Box>
  );
}

function StepView({ step }: { step: Step }) {
  const [gain, setGain] = useState(Math.round(step.gain));
  const dbfs = step.level - step.fullScale + gain;
  const gains = [...new Set([...GAINS, Math.round(step.gain)])].sort((a, b) => a - b);
  return (
    <Box component="section" aria-label={text.feedComing}>
      <Typography variant="h3" gutterBottom>
        {text.feedComing}
        {step.ramp ? text.over(time(step.ramp)) : ''}
      </Typography>
      <Figures
        rows={[
          [text.stepAtTheInlet, text.peak(quantity(step.volts, 'V'))],
          [text.settlesTo1, time(step.settles)],
        ]}
      />
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', mt: 1.75 }}>
        <TextField
          select
          label={text.atAGain}
          value={gain}
          onChange={(event) => setGain(Number(event.target.value))}
          sx={{ width: 158 }}
        >
          {gains.map((value) => (
            <MenuItem key={value} value={value}>
              {quantity(value, 'dB').replace('.0', '')}
              {value === Math.round(step.gain) ? text.planned : ''}
            </MenuItem>
          ))}
        </TextField>
        <Typography sx={{ fontWeight: 700, fontSize: 'large.fontSize' }} aria-label={text.stepAtThisGain}>
          {quantity(dbfs, 'dBFS')}
          {dbfs > 0 && text.clips}
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
        fontSize: 'body2.fontSize',
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
