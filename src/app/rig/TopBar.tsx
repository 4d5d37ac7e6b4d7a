'use client';

import DarkModeOutlinedIcon from '@mui/icons-material/DarkModeOutlined';
import LightModeOutlinedIcon from '@mui/icons-material/LightModeOutlined';
import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { useColorScheme } from '@mui/material/styles';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { memo } from 'react';
import { VERDICT_ORDER, type Verdict } from '@/core/check';
import { useScheme } from '@/ui/strip/Strip';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { Saving } from './useRig';

interface Props {
  name: string;
  revision: { number: number; savedAt: string };
  saving: Saving;
  verdicts: Verdict[];
  undo?: () => void;
  redo?: () => void;
  onSchools: () => void;
}

export const TopBar = memo(function TopBar({ name, revision, saving, verdicts, undo, redo, onSchools }: Props) {
  return (
    <Box
      component="header"
      sx={{
        gridArea: 'bar',
        display: 'flex',
        alignItems: 'center',
        flexWrap: 'wrap',
        columnGap: 2,
        rowGap: 0.5,
        px: 2,
        py: 0.75,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
      }}
    >
      <Typography component="p" sx={{ fontWeight: 750, fontSize: '1rem', letterSpacing: '-0.01em' }}>
        Inlet Check
      </Typography>
      <Typography variant="h1" sx={{ fontSize: '0.95rem', fontWeight: 500 }}>
        {name}
      </Typography>
      <Typography
        variant="caption"
        color={saving.state === 'failed' ? 'error' : 'textSecondary'}
        role="status"
        suppressHydrationWarning
      >
        {savingText(saving, revision)}
      </Typography>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, ml: { md: 'auto' } }}
        aria-label="Verdicts of this rig"
        role="group"
      >
        {VERDICT_ORDER.map((verdict) => (
          <VerdictMark key={verdict} verdict={verdict} count={verdicts.filter((other) => other === verdict).length} />
        ))}
      </Box>
      <Box sx={{ display: 'flex', alignItems: 'center', ml: { xs: 'auto', md: 0 } }}>
        <Button onClick={onSchools} color="inherit">
          Schools
        </Button>
        <Tooltip title="Undo (Ctrl Z)">
          <span>
            <IconButton aria-label="Undo" disabled={!undo} onClick={undo}>
              <UndoIcon fontSize="small" />
            </IconButton>
          </span>
        </Tooltip>
        <Tooltip title="Redo (Ctrl Shift Z)">
          <span>
            <IconButton aria-label="Redo" disabled={!redo} onClick={redo}>
              <RedoIcon fontSize="small" />
            </IconButton>
          </span>
        </Tooltip>
        <SchemeButton />
      </Box>
    </Box>
  );
});

function savingText(saving: Saving, { number, savedAt }: Props['revision']): string {
  switch (saving.state) {
    case 'saved':
      return `saved ${dayjs(savedAt).format('HH:mm')} · revision ${number}`;
    case 'saving':
      return 'saving …';
    case 'failed':
      return `not saved: ${saving.message}`;
    case 'stale':
      return 'not saved: changed in another tab';
  }
}

function SchemeButton() {
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
