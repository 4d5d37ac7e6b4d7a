'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { HumDifference, MainsEdit } from '@/core/mains';
import { quantity } from '@/core/units/format';
import { ActionRow } from './ActionRow';

interface Props {
  difference: HumDifference;
  onTake: (edit: MainsEdit) => void;
}

/** The loudest hum that a hunt heard, beside what the mains side makes of it, and the figures that would explain what lies between. */
export function HuntDifference({ difference: { measured, computed, within, agrees, explained }, onTake }: Props) {
  const off = measured - computed;
  return (
    <Box component="section" aria-label="Against the model" sx={{ mt: 2.5 }}>
      <Typography variant="h3" component="h3">
        Against the model
      </Typography>
      <Typography variant="body2">
        Hum at the inlet: heard {quantity(measured, 'dBu')}, calculated {quantity(computed, 'dBu')} ± {within} dB.{' '}
        {agrees
          ? 'They agree: the mains side of this rig explains what was heard.'
          : `That is ${quantity(Math.abs(off), 'dB')} ${off > 0 ? 'more' : 'less'} than the mains side of this rig explains${explained.length ? '. One of these would explain it; look before you keep it:' : ', and no single figure would: a field, a unit nobody has listed, or another gain than the planned one.'}`}
      </Typography>
      {explained.map(({ what, edit }) => (
        <ActionRow key={what}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {what}
          </Typography>
          <Button variant="outlined" onClick={() => onTake(edit)} aria-label={`Keep as measured: ${what}`}>
            Keep as measured
          </Button>
        </ActionRow>
      ))}
    </Box>
  );
}
