'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Question } from '@/core/testing';
import { numbersForm as text } from './texts';

interface Props {
  /** What is read, and in what; nothing where no numbers are shown. */
  numbers?: Question['numbers'];
  /** What is typed and not taken yet, by label. */
  typed?: Record<string, string>;
  onTyped: (to: Record<string, string>) => void;
  onNumbers: (seen: Record<string, number>) => void;
}

/** What a meter reads, as numbers; nothing for what shows none. */
export function NumbersForm({ numbers: read, typed = {}, onTyped, onNumbers }: Props) {
  const [wrong, setWrong] = useState('');
  if (!read) return null;
  const { unit, labels } = read;
  const send = () => {
    const numbers = labels.map((label) => Number((typed[label] ?? '').trim().replace(',', '.').replace('−', '-')));
    const missing = labels.find((label, n) => !(typed[label] ?? '').trim() || !Number.isFinite(numbers[n]));
    setWrong(missing === undefined ? '' : missing);
    if (missing === undefined) onNumbers(Object.fromEntries(labels.map((label, n) => [label, numbers[n]])));
  };
  return (
    <Box
      component="form"
      aria-label={text.typeTheReadings}
      onSubmit={(event) => {
        event.preventDefault();
        send();
      }}
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start', mb: 1 }}
    >
      <Typography variant="body2" sx={{ width: '100%' }}>
        {text.orTypeWhatItReads}
      </Typography>
      {labels.map((label) => (
        <TextField
          key={label}
          label={`${nameOf(label)}, ${unit}`}
          value={typed[label] ?? ''}
          error={wrong === label}
          helperText={wrong === label ? text.aNumberSuchAs47 : undefined}
          onChange={(event) => onTyped({ ...typed, [label]: event.target.value.slice(0, 12) })}
          sx={{ width: 128 }}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
      ))}
      <Button type="submit" variant="outlined" sx={{ minHeight: { xs: 44, md: 40 } }}>
        {text.takeThese}
      </Button>
    </Box>
  );
}

/** A reading as people call it: `Pin 2`, `Pins 2-1`, `T-S`. */
const nameOf = (label: string): string =>
  /^\d/.test(label) ? `${label.includes('-') ? text.pins : text.pin} ${label}` : label;
