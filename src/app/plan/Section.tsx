import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';

interface Props {
  title: string;
  /** Its rows come in an order that matters. */
  ordered?: boolean;
  children: ReactNode;
}

/** A titled list of hairlined rows. */
export function Section({ title, ordered, children }: Props) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Box
        component={ordered ? 'ol' : 'ul'}
        sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}
      >
        {children}
      </Box>
    </Box>
  );
}
