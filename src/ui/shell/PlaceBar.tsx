'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { placeBar as text } from './texts';

/** The bar of a place; the rail below it stands where it is, whatever is in the bar. */
export const PlaceBar = ({ children }: { children: ReactNode }) => (
  <Box
    component="header"
    sx={{
      gridArea: 'bar',
      display: 'flex',
      alignItems: 'center',
      flexWrap: { md: 'wrap' },
      columnGap: { xs: 0.5, md: 1.5 },
      rowGap: 0.25,
      px: { xs: 1, md: 2 },
      py: 0.5,
      borderBottom: 1,
      borderColor: 'divider',
      bgcolor: 'background.paper',
      minHeight: { xs: 53, md: 46 },
    }}
  >
    {children}
  </Box>
);

export function ProductName() {
  return (
    <Typography
      component="p"
      sx={{
        display: { xs: 'none', md: 'block' },
        fontWeight: 750,
        fontSize: 'lead.fontSize',
        letterSpacing: '-0.01em',
      }}
    >
      {text.inletCheck}
    </Typography>
  );
}
