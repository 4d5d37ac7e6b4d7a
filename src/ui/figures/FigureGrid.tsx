'use client';

import Box from '@mui/material/Box';
import type { Figure, FigureSpec } from '@/core/gear';
import { FigureField } from './FigureField';

interface Props {
  specs: Readonly<Record<string, FigureSpec>>;
  figures: Readonly<Record<string, Figure | undefined>>;
  onChange: (name: string, figure: Figure | undefined) => void;
}

/** All figures of a kind, side by side where there is room. */
export function FigureGrid({ specs, figures, onChange }: Props) {
  return (
    <Box
      sx={{
        display: 'grid',
        columnGap: 3,
        rowGap: 1.75,
        gridTemplateColumns: 'repeat(auto-fill, minmax(min(100%, 300px), 1fr))',
      }}
    >
      {Object.entries(specs).map(([name, spec]) => (
        <FigureField key={name} spec={spec} figure={figures[name]} onChange={(figure) => onChange(name, figure)} />
      ))}
    </Box>
  );
}
