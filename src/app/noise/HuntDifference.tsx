'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { HumDifference, MainsEdit } from '@/core/mains';
import { quantity } from '@/core/units/format';
import { worded } from '@/core/units/conventions';
import { ActionRow } from './ActionRow';
import { huntDifference as text } from './texts';

interface Props {
  difference: HumDifference;
  onTake: (edit: MainsEdit) => void;
}

/** The loudest hum that a hunt heard, beside what the mains side makes of it, and the figures that would explain what lies between. */
export function HuntDifference({ difference: { measured, computed, within, agrees, explained }, onTake }: Props) {
  const off = measured - computed;
  return (
    <Box component="section" aria-label={text.againstTheModel} sx={{ mt: 2.5 }}>
      <Typography variant="h3" component="h3">
        {text.againstTheModel}
      </Typography>
      <Typography variant="body2">
        {text.humAtTheInletHeard}
        {quantity(measured, 'dBu')}
        {text.calculated}
        {quantity(computed, 'dBu')} ± {within}
        {text.db} {agrees ? text.theyAgreeTheMainsSide : text.thatIsThanTheMains(off, explained.length)}
      </Typography>
      {explained.map(({ what, edit }) => (
        <ActionRow key={what}>
          <Typography variant="body2" sx={{ flex: 1 }}>
            {worded(what)}
          </Typography>
          <Button variant="outlined" onClick={() => onTake(edit)} aria-label={text.keepAsMeasuredOf(worded(what))}>
            {text.keepAsMeasured}
          </Button>
        </ActionRow>
      ))}
    </Box>
  );
}
