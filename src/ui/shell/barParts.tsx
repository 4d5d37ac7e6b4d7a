'use client';

import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import MoreVertIcon from '@mui/icons-material/MoreVert';
import Box from '@mui/material/Box';
import Popover from '@mui/material/Popover';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { HelpButton } from '../help/HelpButton';
import { ProductName } from './PlaceBar';
import { SchemeButton } from './SchemeButton';
import { SettingsButton } from './SettingsButton';
import { useState, type ReactNode, type RefObject } from 'react';
import { barParts as texts } from './texts';
import { useBackCloses } from './useBackCloses';

/** What the bars of all places have in common. */

/** On what leads elsewhere, so that what a bar has besides does not lie over it. */
export const LEADS_ELSEWHERE = { 'data-leads-elsewhere': true };
const leadsElsewhere = (target: EventTarget) =>
  target instanceof Element && target.closest('[data-leads-elsewhere]') !== null;

/** What a bar has besides: in it where there is room, behind one button on a phone, whose bar is one row. */
export function BarMore({ children }: { children: ReactNode }) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  useBackCloses(anchor !== null, close);
  return (
    <>
      <Box sx={{ display: { xs: 'none', md: 'flex' }, alignItems: 'center', flexWrap: 'wrap', gap: 0.5, ml: 'auto' }}>
        {children}
        <HelpButton listens />
        <SettingsButton />
        <SchemeButton />
      </Box>
      <Box sx={{ display: { md: 'none' }, ml: 'auto' }}>
        <IconButton
          aria-label={texts.more}
          aria-haspopup="dialog"
          onClick={({ currentTarget }) => setAnchor(currentTarget)}
        >
          <MoreVertIcon />
        </IconButton>
      </Box>
      <Popover
        open={Boolean(anchor)}
        anchorEl={anchor}
        onClose={close}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'right' }}
        transformOrigin={{ vertical: 'top', horizontal: 'right' }}
        slotProps={{ paper: { 'aria-label': texts.more, role: 'dialog' } }}
      >
        <Box
          onClick={({ target }) => leadsElsewhere(target) && close()}
          sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.5, p: 1, maxWidth: 320 }}
        >
          {children}
          <HelpButton listens={false} />
          <SettingsButton />
          <SchemeButton />
        </Box>
      </Popover>
    </>
  );
}

/** Where one is: the product and the rig that stays open from place to place. */
export function BarHeading({ rig }: { rig: string }) {
  return (
    <>
      <ProductName />
      <Typography variant="h1" noWrap sx={{ fontSize: 'h2.fontSize', fontWeight: 550, minWidth: 0 }}>
        {rig}
      </Typography>
    </>
  );
}

interface SearchProps {
  label: string;
  value: string;
  inputRef: RefObject<HTMLInputElement | null>;
  onChange: (text: string) => void;
  /** The key that puts the cursor there. */
  shortcut?: string;
}

export function SearchField({ label, value, inputRef, onChange, shortcut = '/' }: SearchProps) {
  return (
    <InputBase
      inputRef={inputRef}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      onKeyDown={(event) => {
        if (event.key !== 'Escape') return;
        onChange('');
        event.currentTarget.querySelector('input')?.blur();
      }}
      placeholder={texts.find(shortcut)}
      inputProps={{ 'aria-label': label }}
      sx={{ width: 104, fontSize: 'body2.fontSize', px: 1, borderBottom: 1, borderColor: 'divider' }}
    />
  );
}

export function UndoRedo({ undo, redo }: { undo?: () => void; redo?: () => void }) {
  return (
    <>
      <Tooltip title={texts.undoCtrlZ}>
        <span>
          <IconButton aria-label={texts.undo} disabled={!undo} onClick={undo}>
            <UndoIcon fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
      <Tooltip title={texts.redoCtrlShiftZ}>
        <span>
          <IconButton aria-label={texts.redo} disabled={!redo} onClick={redo}>
            <RedoIcon fontSize="small" />
          </IconButton>
        </span>
      </Tooltip>
    </>
  );
}
