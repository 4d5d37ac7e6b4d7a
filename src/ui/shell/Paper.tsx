import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { BackLink } from './BackLink';
import { PrintButton } from './PrintButton';

interface Props {
  title: string;
  /** Under the title: which rig, when. */
  note: ReactNode;
  /** Where it was opened from. */
  back: { href: string; label: string };
  children: ReactNode;
}

/** A page that is made for paper: black on white, whatever the theme, with no furniture around it. */
export function Paper({ title, note, back, children }: Props) {
  return (
    <Box
      component="main"
      id="sheet"
      tabIndex={-1}
      sx={{
        bgcolor: '#fff',
        color: '#111',
        minHeight: '100dvh',
        px: { xs: 2, sm: 5 },
        py: 3,
        fontSize: 'body1.fontSize',
        '& table': { width: '100%', borderCollapse: 'collapse', fontSize: 'body2.fontSize' },
        '& th, & td': { textAlign: 'left', verticalAlign: 'top', py: 0.4, pr: 1.5, borderTop: '1px solid #bbb' },
        '& thead th': { borderTop: 0, fontWeight: 650 },
        '& h2': { fontSize: 'lead.fontSize', mt: 3, mb: 0.5, breakAfter: 'avoid' },
        '& tr, & li': { breakInside: 'avoid' },
        '@media print': { p: 0, '& .screen-only': { display: 'none' } },
      }}
    >
      <Box sx={{ maxWidth: 900, mx: 'auto' }}>
        <Box sx={{ display: 'flex', gap: 2, mb: 2, '@media print': { display: 'none' } }}>
          <PrintButton />
          <BackLink {...back} />
        </Box>
        <Typography variant="title" component="h1">
          {title}
        </Typography>
        <Box sx={{ mb: 1 }}>{note}</Box>
        {children}
      </Box>
    </Box>
  );
}
