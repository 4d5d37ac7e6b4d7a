'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import type { LineResult, ProbeTip } from '@/core/check';
import type { Probe } from './useRigCheck';
import { digits } from '@/core/units/format';
import { useSame } from '@/ui/shell/useSame';
import { probePanel as texts } from './texts';

interface Props {
  result: LineResult;
  probe: Probe;
  reading?: { volts?: number; failed?: string };
  onChange: (probe: Probe) => void;
}

/** A meter of 10 MΩ whose tips go on any two contacts of the line. */
export const ProbePanel = memo(function ProbePanel({ result, probe, reading, onChange }: Props) {
  const { junctions } = result.readings;
  const place = (at: string, n: number) =>
    n === 0 ? texts.atTheSource : at === 'inlet' ? texts.atTheInlet : texts.afterLink(n);
  // The same contacts while voltages change: the tips stay as they are.
  const spots = useSame(
    junctions.flatMap(({ at, contacts }, junction) =>
      contacts.map(({ contact }) => ({ tip: { junction, contact }, label: `${contact}, ${place(at, junction)}` })),
    ),
  );
  return (
    <Box
      component="section"
      aria-label={texts.probe}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center' }}
    >
      <Tips spots={spots} probe={probe} onChange={onChange} />
      <Typography
        component="output"
        aria-label={texts.meterReads}
        sx={{ fontSize: 'title.fontSize', fontWeight: 700, minWidth: 110, textAlign: 'right', ml: 'auto' }}
      >
        {reading?.failed !== undefined ? texts.floating : reading?.volts === undefined ? '…' : meterText(reading.volts)}
      </Typography>
    </Box>
  );
});

interface TipsProps extends Pick<Props, 'probe' | 'onChange'> {
  spots: { tip: ProbeTip; label: string }[];
}

const Tips = memo(function Tips({ spots, probe, onChange }: TipsProps) {
  const tip = (name: 'red' | 'black', label: string) => (
    <TextField
      select
      label={label}
      value={keyOf(probe[name])}
      sx={{ minWidth: 150, flex: 1 }}
      onChange={({ target }) =>
        onChange({ ...probe, [name]: spots.find((spot) => keyOf(spot.tip) === target.value)!.tip })
      }
    >
      {spots.map(({ tip: at, label: text }) => (
        <MenuItem key={keyOf(at)} value={keyOf(at)}>
          {text}
        </MenuItem>
      ))}
    </TextField>
  );
  return (
    <>
      {tip('red', texts.probeRedTip)}
      {tip('black', texts.blackTip)}
    </>
  );
});

/** As a meter on its 60 V range shows it. */
const meterText = (volts: number) => `${digits(Math.abs(volts) < 0.005 ? 0 : volts, 2)} V`;

const keyOf = ({ junction, contact }: ProbeTip) => `${junction}.${contact}`;
