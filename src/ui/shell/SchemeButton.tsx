'use client';

import DarkModeOutlinedIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlinedIcon from '@mui/icons-material/LightModeOutlined';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { useScheme } from '../strip/Strip';
import { schemeButton as text } from './texts';

/** Bright for daylight, dark for backstage. */
export function SchemeButton() {
  const scheme = useScheme();
  const { setMode } = useColorScheme();
  const to = scheme === 'dark' ? 'light' : 'dark';
  return (
    <Tooltip title={to === 'dark' ? text.darkForBackstage : text.brightForDaylight}>
      <IconButton aria-label={text.switchToTheTheme(to)} onClick={() => setMode(to)} suppressHydrationWarning>
        {to === 'dark' ? <DarkModeOutlinedIcon fontSize="small" /> : <LightModeOutlinedIcon fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}
