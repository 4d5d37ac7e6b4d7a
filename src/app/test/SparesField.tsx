'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { sparesFor } from '@/core/testing';
import { sparesField as texts } from './texts';

/** How many spares to take, by what failed so far. @param counted failures that are in the log */
export function SparesField({ counted }: { counted: number }) {
  const [failures, setFailures] = useState(String(counted));
  const [days, setDays] = useState('60');
  const [job, setJob] = useState('3');
  const [failed, over, long] = [failures, days, job].map((text) =>
    /^\d{1,5}$/.test(text.trim()) ? Number(text) : NaN,
  );
  const known = failed >= 0 && over > 0 && long >= 0;
  const field = (label: string, value: string, set: (to: string) => void) => (
    <TextField
      label={label}
      value={value}
      onChange={(event) => set(event.target.value.slice(0, 5))}
      sx={{ width: 112 }}
      slotProps={{ htmlInput: { inputMode: 'numeric' } }}
    />
  );
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        {texts.sparesToTake}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {field(texts.cablesFailed, failures, setFailures)}
        {field(texts.inDays, days, setDays)}
        {field(texts.jobDays, job, setJob)}
      </Box>
      <Typography role="status" sx={{ mt: 1 }}>
        {known ? (
          <>
            <strong>{sparesFor(failed, over, long)}</strong>
            {texts.lastTheJobWith95}
          </>
        ) : (
          texts.wholeNumbersAndAtLeast
        )}
      </Typography>
    </Box>
  );
}
