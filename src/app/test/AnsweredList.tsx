'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { Diagnosed } from '@/core/testing';
import { answeredList as texts } from './texts';

/** What was answered so far; each can be taken back. */
export function AnsweredList({ seen, onUndo }: { seen: Diagnosed['seen']; onUndo: (n: number) => void }) {
  if (seen.length === 0) return null;
  return (
    <>
      <Typography variant="h3" component="h3" sx={{ mt: 2 }}>
        {texts.answered}
      </Typography>
      <Box component="ul" aria-label={texts.answered} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {seen.map(({ look, text }, n) => (
          <Box
            component="li"
            key={`${look.instrument} ${look.at} ${n}`}
            sx={{
              display: 'flex',
              alignItems: 'center',
              gap: 1,
              borderBottom: 1,
              borderColor: 'divider',
              minHeight: 44,
            }}
          >
            <Typography variant="body2" sx={{ flex: 1, minWidth: 0 }}>
              {look.ask}
            </Typography>
            <Typography variant="body2" sx={{ fontWeight: 650, textAlign: 'right' }}>
              {text}
            </Typography>
            <Button onClick={() => onUndo(n)} aria-label={texts.undoOf(look.ask)} sx={{ minHeight: 44 }}>
              {texts.undo}
            </Button>
          </Box>
        ))}
      </Box>
    </>
  );
}
