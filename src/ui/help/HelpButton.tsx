'use client';

import HelpOutlineIcon from '@mui/icons-material/HelpOutlineOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useShortcut } from '../shell/useShortcut';

const HelpDialog = dynamic(() => import('./HelpDialog').then((file) => file.HelpDialog), { ssr: false });

/** Keys and glossary; listens for ? where it is in the bar. */
export function HelpButton({ listens }: { listens: boolean }) {
  const [open, setOpen] = useState(false);
  useShortcut('shift+slash', () => listens && setOpen(true), { instead: true });
  return (
    <>
      <Tooltip title="Keys and glossary (?)">
        <IconButton aria-label="Keys and glossary" onClick={() => setOpen(true)}>
          <HelpOutlineIcon fontSize="small" />
        </IconButton>
      </Tooltip>
      {open && <HelpDialog onClose={() => setOpen(false)} />}
    </>
  );
}
