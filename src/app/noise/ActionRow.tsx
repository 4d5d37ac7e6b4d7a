import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

/** Something that can be done, and at its right what is pressed or filled in for it. */
export const ActionRow = ({ component = 'div', children }: { component?: 'div' | 'li'; children: ReactNode }) => (
  <Box
    component={component}
    sx={{ display: 'flex', alignItems: 'center', gap: 1, borderTop: 1, borderColor: 'divider', py: 0.75, mt: 0.75 }}
  >
    {children}
  </Box>
);
