'use client';

import RedoIcon from '@mui/icons-material/Redo';
import UndoIcon from '@mui/icons-material/Undo';
import IconButton from '@mui/material/IconButton';
import InputBase from '@mui/material/InputBase';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import type { RefObject } from 'react';

/** What the bars of all places have in common. */

export function ProductName() {
  return (
    <Typography component="p" sx={{ fontWeight: 750, fontSize: '1rem', letterSpacing: '-0.01em' }}>
      Inlet Check
    </Typography>
  );
}

/** Where one is: the product and the rig that stays open from place to place. */
export function BarHeading({ rig }: { rig: string }) {
  return (
    <>
      <ProductName />
      <Typography variant="h1" sx={{ fontSize: '0.95rem', fontWeight: 550 }}>
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
      placeholder={`Find  ${shortcut}`}
      inputProps={{ 'aria-label': label }}
      sx={{ width: 104, fontSize: '0.8125rem', px: 1, borderBottom: 1, borderColor: 'divider' }}
    />
  );
}

export function UndoRedo({ undo, redo }: { undo?: () => void; redo?: () => void }) {
  return (
    <>
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
    </>
  );
}
