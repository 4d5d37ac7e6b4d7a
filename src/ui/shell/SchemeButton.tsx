'use client';

import DarkModeOutlinedIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlinedIcon from '@mui/icons-material/LightModeOutlined';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { useScheme } from '../strip/Strip';

/** Bright for daylight, dark for backstage. */
export function SchemeButton() {
  const scheme = useScheme();
  const { setMode } = useColorScheme();
  const to = scheme === 'dark' ? 'light' : 'dark';
  return (
    <Tooltip title={to === 'dark' ? 'Dark, for backstage' : 'Bright, for daylight'}>
      <IconButton aria-label={`Switch to the ${to} theme`} onClick={() => setMode(to)} suppressHydrationWarning>
        {to === 'dark' ? <DarkModeOutlinedIcon fontSize="small" /> : <LightModeOutlinedIcon fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}
