'use client';

import Box from '@mui/material/Box';
import { scaleLinear } from 'd3';
import { digits } from '@/core/units/format';

export interface Share {
  name: string;
  /** From 0 to 1. */
  share: number;
  figure: string;
}

/** Who makes how much of a whole, as power: one bar each, the figure beside it. */
export function ShareChart({ label, shares }: { label: string; shares: readonly Share[] }) {
  const width = scaleLinear([0, 1], [0, 100]);
  const most = Math.max(...shares.map(({ share }) => share));
  return (
    <Box
      component="table"
      aria-label={label}
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        fontSize: 'body2.fontSize',
        '& td, & th': { py: 0.4, fontWeight: 400 },
      }}
    >
      <tbody>
        {shares.map(({ name, share, figure }, n) => {
          const bar = (
            <Box
              aria-hidden
              sx={{
                height: { xs: 6, md: 11 },
                width: `${Math.max(width(share), share > 0 ? 0.4 : 0)}%`,
                bgcolor: share === most ? 'primary.main' : 'text.secondary',
                opacity: share === most ? 1 : 0.55,
              }}
            />
          );
          return (
            <tr key={`${name} ${n}`}>
              <Box component="th" scope="row" sx={{ textAlign: 'left', width: { md: '34%' }, pr: 1 }}>
                {name}
                <Box sx={{ display: { md: 'none' } }}>{bar}</Box>
              </Box>
              <Box component="td" sx={{ px: 1, display: { xs: 'none', md: 'table-cell' } }}>
                {bar}
              </Box>
              <Box component="td" sx={{ textAlign: 'right', width: 64, fontWeight: share === most ? 700 : 400 }}>
                {percent(share)}
              </Box>
              <Box
                component="td"
                sx={{ textAlign: 'right', width: 118, pl: 1, color: 'text.secondary', whiteSpace: 'nowrap' }}
              >
                {figure}
              </Box>
            </tr>
          );
        })}
      </tbody>
    </Box>
  );
}

const percent = (share: number): string =>
  share >= 0.1 ? `${Math.round(100 * share)} %` : share >= 0.001 ? `${digits(100 * share, 1)} %` : '< 0.1 %';
