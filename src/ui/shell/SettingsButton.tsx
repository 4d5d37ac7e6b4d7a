'use client';

import SettingsIcon from '@mui/icons-material/SettingsOutlined';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import { useState } from 'react';
import { Late } from './Late';
import { settingsButton as text } from './texts';

const load = () => import('./SettingsDialog').then((file) => file.SettingsDialog);

/** How figures and words are written. */
export function SettingsButton() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Tooltip title={text.settings}>
        <IconButton aria-label={text.settings} onClick={() => setOpen(true)}>
          <SettingsIcon fontSize="small" />
        </IconButton>
      </Tooltip>
      {open && <Late load={load} props={{ onClose: () => setOpen(false) }} />}
    </>
  );
}
