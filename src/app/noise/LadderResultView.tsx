'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Added, LadderResult } from '@/core/noise/ladder';
import { digits, quantity } from '@/core/units/format';
import { ShareChart, type Share } from './ShareChart';
import { ladderResultView as texts } from './texts';

/** Who adds what, by the differences between rungs. */
export function LadderResultView({ result }: { result: LadderResult }) {
  return (
    <Box component="section" aria-label={texts.whoAddsWhat} sx={{ mt: 2.5 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {result.text}
      </Typography>
      {result.doubts.map((doubt) => (
        <Alert key={doubt} severity="warning" sx={{ mb: 1 }}>
          {doubt}
        </Alert>
      ))}
      <Typography variant="h3" component="h3">
        {texts.aWeighted}
      </Typography>
      <ShareChart label={texts.whoAddsWhatAWeighted} shares={result.adds.map(shareOf)} />
      <Typography variant="h3" component="h3" sx={{ mt: 1.5 }}>
        {texts.unweighted}
      </Typography>
      <ShareChart label={texts.whoAddsWhatUnweighted} shares={result.plain.map(shareOf)} />
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 1 }}>
        {texts.powersAreSubtractedIsOne}
      </Typography>
    </Box>
  );
}

const shareOf = ({ what, dbfs, from, to, share }: Added): Share => ({
  name: what.replace(/^./, (letter) => letter.toUpperCase()),
  share,
  figure:
    dbfs === undefined || from === undefined
      ? texts.below(to)
      : `${quantity(dbfs, 'dBFS')} ± ${digits((to - from) / 2, 2)}`,
});
