'use client';

import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';

/** A frame that a file can be dropped on. */
export function DropZone({ onFile, children }: { onFile: (file: File | undefined) => void; children: ReactNode }) {
  const [over, setOver] = useState(false);
  return (
    <Box
      onDragOver={(event) => {
        event.preventDefault();
        setOver(true);
      }}
      onDragLeave={() => setOver(false)}
      onDrop={(event) => {
        event.preventDefault();
        setOver(false);
        onFile(event.dataTransfer.files[0]);
      }}
      sx={{
        border: 1,
        borderStyle: 'dashed',
        borderColor: over ? 'primary.main' : 'divider',
        bgcolor: over ? 'action.hover' : undefined,
        p: 1.5,
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        flexWrap: 'wrap',
      }}
    >
      {children}
    </Box>
  );
}
