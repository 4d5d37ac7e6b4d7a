'use client';

import Typography from '@mui/material/Typography';
import type { ReactNode, Ref } from 'react';

/** What is asked or to be done now, large enough to be read from the floor; it can take the focus. */
export function LargeHeading({ ref, children }: { ref?: Ref<HTMLHeadingElement>; children: ReactNode }) {
  return (
    <Typography
      ref={ref}
      tabIndex={-1}
      variant="step"
      component="h2"
      sx={{
        my: 0.5,
        textWrap: 'balance',
        scrollMarginTop: 64,
      }}
    >
      {children}
    </Typography>
  );
}
