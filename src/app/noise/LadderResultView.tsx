'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Added, LadderResult } from '@/core/noise/ladder';
import { digits, quantity } from '@/core/units/format';
import { ShareChart, type Share } from './ShareChart';

/** Who adds what, by the differences between rungs. */
export function LadderResultView({ result }: { result: LadderResult }) {
  return (
    <Box component="section" aria-label="Who adds what" sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {result.text}
      </Typography>
      {result.doubts.map((doubt) => (
        <Alert key={doubt} severity="warning" sx={{ mb: 1 }}>
          {doubt}
        </Alert>
      ))}
      <Typography variant="h3" component="h3">
        A-weighted
      </Typography>
      <ShareChart label="Who adds what, A-weighted" shares={result.adds.map(shareOf)} />
      <Typography variant="h3" component="h3" sx={{ mt: 1.5 }}>
        Unweighted
      </Typography>
      <ShareChart label="Who adds what, unweighted" shares={result.plain.map(shareOf)} />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
        Powers are subtracted; ± is one standard deviation, from the spread within and between readings. What differs by
        less than two of them is not measurable.
      </Typography>
    </Box>
  );
}

const shareOf = ({ what, dbfs, from, to, share }: Added): Share => ({
  name: what.replace(/^./, (letter) => letter.toUpperCase()),
  share,
  figure:
    dbfs === undefined || from === undefined
      ? `below ${quantity(to, 'dBFS')}`
      : `${quantity(dbfs, 'dBFS')} ± ${digits((to - from) / 2, 2)}`,
});
