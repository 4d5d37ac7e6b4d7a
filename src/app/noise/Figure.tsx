import Box from '@mui/material/Box';
import type { ReactNode } from 'react';

interface Props {
  label: string;
  value: string;
  note?: ReactNode;
  /** How it stands to what it is held against. */
  mark?: 'good' | 'bad';
}

const MARKS = { good: ['verdict.Clear', '●'], bad: ['verdict.Watch', '▲'] } as const;

/** One figure that matters, large. */
export function Figure({ label, value, note, mark }: Props) {
  return (
    <Box sx={{ minWidth: 118 }}>
      <Box component="dt" sx={{ fontSize: 'caption.fontSize', color: 'text.secondary' }}>
        {label}
      </Box>
      <Box
        component="dd"
        sx={{ m: 0, fontSize: 'h1.fontSize', fontWeight: 650, letterSpacing: '-0.01em', whiteSpace: 'nowrap' }}
      >
        {mark && (
          <Box
            component="span"
            aria-hidden
            sx={{ color: MARKS[mark][0], fontSize: 'caption.fontSize', mr: 0.75, verticalAlign: 'middle' }}
          >
            {MARKS[mark][1]}
          </Box>
        )}
        {value}
      </Box>
      {note && (
        <Box component="dd" sx={{ m: 0, fontSize: 'caption.fontSize', color: 'text.secondary' }}>
          {note}
        </Box>
      )}
    </Box>
  );
}

/** Figures beside each other. */
export function Figures({ label, children }: { label: string; children: ReactNode }) {
  return (
    <Box component="dl" aria-label={label} sx={{ m: 0, display: 'flex', flexWrap: 'wrap', columnGap: 4, rowGap: 1.5 }}>
      {children}
    </Box>
  );
}
