'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '@/ui/shell/ask';
import { Choice } from '@/ui/shell/Choice';
import { whyNot } from '@/ui/shell/queries';
import { digits } from '@/core/units/format';
import { keepingField as text } from './texts';

interface Keeping {
  days: number | 'all';
  choices: (number | 'all')[];
  bytes: { database: number; sounds: number };
}

const PATH = '/api/keeping';
const WORDS: Record<string, string> = { 7: text.forAWeek, 30: text.for30Days, 365: text.forAYear, all: text.forEver };

const inWords = (bytes: number): string =>
  bytes < 1e5
    ? `${Math.ceil(bytes / 1000)} kB`
    : bytes < 1e9
      ? `${digits(bytes / 1e6, 1)} MB`
      : `${digits(bytes / 1e9, 2)} GB`;

/** How long every revision is kept, of all rigs, and how large the file has become. */
export function KeepingField() {
  const queries = useQueryClient();
  const asked = useQuery<Keeping>({ queryKey: [PATH] });
  const [refused, setRefused] = useState('');
  const keeping = asked.data;
  const failed = refused || whyNot(asked);
  // The list above it tells already that nobody answers.
  if (!keeping) return <Typography variant="caption">{asked.error?.message}</Typography>;
  const set = async (to: string) => {
    const days = keeping.choices.find((each) => String(each) === to)!;
    const { body, failed: why } = await ask<Keeping>(PATH, { method: 'PUT', json: { days } });
    if (body) queries.setQueryData([PATH], body);
    setRefused(why ?? '');
  };
  const { days, choices, bytes } = keeping;
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 1.5, mr: 'auto' }}>
      <Choice
        label={text.keepEveryRevision}
        value={String(days)}
        width={170}
        onChoose={(to) => void set(to)}
        options={choices.map((each) => [String(each), WORDS[each]] as const)}
      />
      <Typography variant="caption" color="textSecondary" sx={{ maxWidth: 300 }}>
        {days === 'all' ? text.allRigs : text.allRigsAfter}
        {text.theDatabase} {inWords(bytes.database)}
        {bytes.sounds > 0 && text.keptSound(inWords(bytes.sounds))}.
      </Typography>
      {failed && <Typography color="error">{failed}</Typography>}
    </Box>
  );
}
