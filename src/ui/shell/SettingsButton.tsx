'use client';

import SettingsIcon from '@mui/icons-material/SettingsOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import dynamic from 'next/dynamic';
import { useState } from 'react';

const SettingsDialog = dynamic(() => import('./SettingsDialog').then((file) => file.SettingsDialog), { ssr: false });

/** How figures and words are written. */
export function SettingsButton() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Tooltip title="Settings">
        <IconButton aria-label="Settings" onClick={() => setOpen(true)}>
          <SettingsIcon fontSize="small" />
        </IconButton>
      </Tooltip>
      {open && <SettingsDialog onClose={() => setOpen(false)} />}
    </>
  );
}
