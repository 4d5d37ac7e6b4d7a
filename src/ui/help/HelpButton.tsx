'use client';

import HelpOutlineIcon from '@mui/icons-material/HelpOutlineOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import { Late } from '../shell/Late';
import { useShortcut } from '../shell/useShortcut';
import { helpButton as text } from './texts';

const load = () => import('./HelpDialog').then((file) => file.HelpDialog);

/** Keys and glossary; listens for ? where it is in the bar. */
export function HelpButton({ listens }: { listens: boolean }) {
  const [open, setOpen] = useState(false);
  useShortcut('shift+slash', () => listens && setOpen(true), { instead: true });
  return (
    <>
      <Tooltip title={text.keysAndGlossaryHint}>
        <IconButton aria-label={text.keysAndGlossary} onClick={() => setOpen(true)}>
          <HelpOutlineIcon fontSize="small" />
        </IconButton>
      </Tooltip>
      {open && <Late load={load} props={{ onClose: () => setOpen(false) }} />}
    </>
  );
}
