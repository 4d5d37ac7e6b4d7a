'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { mainsTable as text } from './texts';

/** A table with a heading and rows of cells. */
export function MainsTable({
  title,
  headings,
  children,
}: {
  title: string;
  headings: readonly string[];
  children: ReactNode;
}) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 3 }}>
      <Typography variant="h3" component="h3" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label={text.table(title)}>
        <Box
          component="table"
          sx={{
            borderCollapse: 'collapse',
            width: '100%',
            fontSize: 'body2.fontSize',
            '& th, & td': {
              textAlign: 'left',
              py: 0.5,
              pr: 1,
              borderTop: 1,
              borderColor: 'divider',
              verticalAlign: 'middle',
            },
            '& td': { whiteSpace: 'nowrap' },
            '& tbody th': { minWidth: 96 },
            '& thead th': { color: 'text.secondary', fontWeight: 500, borderTop: 0, whiteSpace: 'nowrap' },
          }}
        >
          <thead>
            <tr>
              {headings.map((heading) => (
                <th key={heading} scope="col">
                  {heading}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>{children}</tbody>
        </Box>
      </Box>
    </Box>
  );
}
