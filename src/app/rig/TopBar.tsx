'use client';

import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { memo, type ReactNode, type RefObject } from 'react';
import { VERDICT_ORDER, type Verdict } from '@/core/check';
import { SchemeButton } from '@/ui/shell/SchemeButton';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { Saving } from './useRig';

interface Props {
  menu: ReactNode;
  revision: { number: number; savedAt: string };
  saving: Saving;
  /** How many lines have each verdict. */
  counts: Record<Verdict, number>;
  shown: ReadonlySet<Verdict>;
  onShow: (verdict: Verdict) => void;
  search: string;
  searchRef: RefObject<HTMLInputElement | null>;
  onSearch: (text: string) => void;
  undo?: () => void;
  redo?: () => void;
  onSchools: () => void;
}

/** The rig's name and state, its verdicts as filters, and what works on all of it. */
export const TopBar = memo(function TopBar(props: Props) {
  const { menu, revision, saving, counts, shown, onShow, search, searchRef, onSearch, undo, redo, onSchools } = props;
  return (
    <Box
      component="header"
      sx={{
        gridArea: 'bar',
        display: 'flex',
        alignItems: 'center',
        flexWrap: 'wrap',
        columnGap: 1.5,
        rowGap: 0.25,
        px: 2,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
        minHeight: 46,
      }}
    >
      <Typography component="p" sx={{ fontWeight: 750, fontSize: '1rem', letterSpacing: '-0.01em' }}>
        Inlet Check
      </Typography>
      {menu}
      <Typography
        variant="caption"
        color={saving.state === 'failed' ? 'error' : 'textSecondary'}
        role="status"
        suppressHydrationWarning
        sx={{ flexShrink: 1, minWidth: 0 }}
      >
        {savingText(saving, revision)}
      </Typography>
      <Box
        sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 0.25, ml: { md: 'auto' } }}
        aria-label="Show lines by verdict"
        role="group"
      >
        {VERDICT_ORDER.map((verdict) => (
          <Tooltip key={verdict} describeChild title={`Show only ${verdict}`}>
            <ButtonBase
              aria-pressed={shown.has(verdict)}
              onClick={() => onShow(verdict)}
              sx={{
                px: 1,
                py: 0.5,
                borderBottom: 2,
                borderColor: shown.has(verdict) ? 'primary.main' : 'transparent',
                opacity: shown.size && !shown.has(verdict) ? 0.65 : 1,
                '&:hover': { bgcolor: 'action.hover' },
                '&:focus-visible': { outline: 2, outlineStyle: 'solid', outlineColor: 'primary.main' },
              }}
            >
              <VerdictMark verdict={verdict} count={counts[verdict]} />
            </ButtonBase>
          </Tooltip>
        ))}
      </Box>
      <InputBase
        inputRef={searchRef}
        value={search}
        onChange={(event) => onSearch(event.target.value)}
        onKeyDown={(event) => {
          if (event.key !== 'Escape') return;
          onSearch('');
          event.currentTarget.blur();
        }}
        placeholder="Find  /"
        inputProps={{ 'aria-label': 'Find a line' }}
        sx={{ width: 96, fontSize: '0.8125rem', px: 1, borderBottom: 1, borderColor: 'divider' }}
      />
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
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
    case 'newer':
      return `saved ${dayjs(savedAt).format('HH:mm')} · revision ${number}`;
    case 'saving':
      return 'saving …';
    case 'failed':
      return `not saved: ${saving.message}`;
    case 'stale':
      return 'not saved: changed in another tab';
  }
}
