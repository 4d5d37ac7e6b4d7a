'use client';

import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import { INSTRUMENTS } from '@/core/testing';
import { atHand as text } from './texts';

/** Eyes, ears and hands everybody has. */
const TOOLS = INSTRUMENTS.filter(({ hand }) => hand !== 'bare');

/** The names of what is at hand, tools that were left out not among them. */
export const atHandWithout = (missing: readonly string[]): string[] | undefined =>
  missing.length ? INSTRUMENTS.map(({ name }) => name).filter((name) => !missing.includes(name)) : undefined;

/** Which tools are at hand: nothing else is asked for. */
export function AtHand({ missing, onMissing }: { missing: string[]; onMissing: (to: string[]) => void }) {
  return (
    <Box component="details" sx={{ mt: 2 }}>
      <Box component="summary" sx={{ cursor: 'pointer', color: 'primary.main', fontWeight: 600, minHeight: 44, py: 1 }}>
        {text.iOnlyHave(missing.length, TOOLS.length)}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2 }}>
        {TOOLS.map(({ name, label }) => (
          <FormControlLabel
            key={name}
            sx={{ minHeight: 44 }}
            control={
              <Checkbox
                checked={!missing.includes(name)}
                onChange={(_, on) => onMissing(on ? missing.filter((each) => each !== name) : [...missing, name])}
              />
            }
            label={label}
          />
        ))}
      </Box>
    </Box>
  );
}
