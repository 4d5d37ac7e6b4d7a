'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { RankedChain } from '@/core/plan';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { chainRow as text } from './texts';

/** One chain: its links, why it stands where it does, how it carries the signal. */
export function ChainRow({ chain, onUse, note }: { chain: RankedChain; onUse?: () => void; note?: string }) {
  const { rank, links, source, verdict, quality, usesUp, reason, present } = chain;
  return (
    <Box
      component="li"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '28px minmax(0, 1fr)', sm: '28px 72px minmax(0, 1fr) auto' },
        columnGap: 1.5,
        rowGap: 0.25,
        py: 0.9,
        borderTop: 1,
        borderColor: 'divider',
        alignItems: 'start',
      }}
    >
      <Typography variant="body2" color="textSecondary">
        {rank ?? '–'}
      </Typography>
      <VerdictMark verdict={verdict} />
      <Box sx={{ gridColumn: { xs: 2, sm: 'auto' } }}>
        <Typography variant="body2" sx={{ fontWeight: 650 }}>
          {[
            ...(source ? [text.source(source)] : []),
            ...links.map(({ label, set }) => (set ? `${label} (${set})` : label)),
          ].join(' → ') || text.pluggedStraight}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {reason}
        </Typography>
        {rank !== undefined && (
          <Typography variant="caption" color="textSecondary">
            {[
              ...(quality.aboveNoise !== undefined
                ? [text.aboveNoise(quality.aboveNoise), text.gain(quality.gainNeeded!)]
                : []),
              quality.balanced ? text.balanced : text.unbalanced,
              ...(quality.lowCut ? [text.from(quality.lowCut)] : []),
              ...(quality.highCut ? [text.upTo(quality.highCut)] : []),
              ...(usesUp.length ? [text.usesYourLast(usesUp.join(', '))] : []),
            ].join(' · ')}
          </Typography>
        )}
      </Box>
      <Box sx={{ gridColumn: { xs: 2, sm: 'auto' }, textAlign: { sm: 'right' } }}>
        {present && (
          <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
            {text.asItIsNow}
          </Typography>
        )}
        {onUse && rank !== undefined && (
          <Button onClick={onUse} sx={{ whiteSpace: 'nowrap' }}>
            {text.useIt}
          </Button>
        )}
        {onUse && note && (
          <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
            {note}
          </Typography>
        )}
      </Box>
    </Box>
  );
}
