'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { usePathname, useSearchParams } from 'next/navigation';
import { Suspense, type ReactNode } from 'react';
import { PlaceBar, ProductName } from './PlaceBar';
import { PlaceRail } from './PlaceRail';

interface Props {
  title: string;
  children: ReactNode;
}

/** A page that has something to say instead of what was asked for; the places stay where they are. */
export function MessagePlace({ title, children }: Props) {
  return (
    <Box
      sx={{
        minHeight: '100dvh',
        display: 'grid',
        gridTemplateAreas: { xs: '"bar" "sheet" "rail"', md: '"bar bar" "rail sheet"' },
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '68px minmax(0, 1fr)' },
        gridTemplateRows: { xs: 'auto 1fr auto', md: 'auto minmax(0, 1fr)' },
      }}
    >
      <PlaceBar>
        <ProductName />
      </PlaceBar>
      <Suspense>
        <Rail />
      </Suspense>
      <Box component="main" id="sheet" tabIndex={-1} sx={{ gridArea: 'sheet', p: 4, maxWidth: 640 }}>
        <Typography variant="h1" gutterBottom>
          {title}
        </Typography>
        {children}
      </Box>
    </Box>
  );
}

/** The rail with the rig that is open, if the address says which. */
function Rail() {
  const rig = useSearchParams().get('rig') ?? undefined;
  return <PlaceRail here={usePathname()} rig={rig} />;
}
