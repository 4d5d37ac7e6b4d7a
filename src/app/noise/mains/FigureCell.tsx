'use client';

import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { Figure } from '@/core/gear';
import type { Range } from '@/core/rig/deviceFigures';
import { figureCell as texts } from './texts';

interface Props {
  label: string;
  /** Written above it, where no heading of a table says what it is. */
  title?: string;
  range: Range;
  value?: Figure;
  /** What holds where nothing is typed. */
  usual: string;
  onSet: (to: Figure | undefined) => void;
}

/** A figure in a table: taken over by Enter or on leaving it, back to what was there by Escape. */
export function FigureCell({ label, title, range: { min, max, unit }, value, usual, onSet }: Props) {
  const before = value ? String(value.value) : '';
  // What is typed and not taken over yet; otherwise what stands there.
  const [typed, setTyped] = useState<string>();
  const text = typed ?? before;
  const number = Number(text.trim().replace(',', '.'));
  const bad = text.trim() !== '' && !(number >= min && number <= max);
  const commit = () => {
    if (bad) return;
    setTyped(undefined);
    if (text.trim() === before) return;
    onSet(text.trim() === '' ? undefined : { value: number, unit, basis: 'measured' });
  };
  return (
    <TextField
      label={title}
      value={text}
      placeholder={usual}
      error={bad}
      helperText={bad ? texts.range(min, max, unit) : undefined}
      onChange={({ target }) => setTyped(target.value)}
      onBlur={commit}
      onKeyDown={({ key }) => {
        if (key === 'Enter') commit();
        if (key === 'Escape') setTyped(undefined);
      }}
      slotProps={{
        htmlInput: { 'aria-label': label, inputMode: 'decimal' },
        inputLabel: { shrink: true },
      }}
      sx={{ width: title ? 140 : 84 }}
    />
  );
}
