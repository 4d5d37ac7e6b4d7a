'use client';

import DarkModeOutlinedIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlinedIcon from '@mui/icons-material/LightModeOutlined';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import { useSyncExternalStore } from 'react';
import { schemeButton as text } from './texts';

/** Bright for daylight, dark for backstage. */
export function SchemeButton() {
  const { colorScheme, setMode } = useColorScheme();
  // The server cannot know it; the button follows as soon as what it has drawn is alive.
  const known = useSyncExternalStore(unchanging, inBrowser, onServer);
  const to = known && colorScheme === 'dark' ? 'light' : 'dark';
  return (
    <Tooltip title={to === 'dark' ? text.darkForBackstage : text.brightForDaylight}>
      <IconButton aria-label={text.switchToTheTheme(to)} onClick={() => setMode(to)}>
        {to === 'dark' ? <DarkModeOutlinedIcon fontSize="small" /> : <LightModeOutlinedIcon fontSize="small" />}
      </IconButton>
    </Tooltip>
  );
}

const unchanging = () => () => undefined;
const inBrowser = () => true;
const onServer = () => false;
