'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import InputAdornment from '@mui/material/InputAdornment';
import { useState } from 'react';
import { BASES, BASIS_LABELS, type Basis, type Figure, type FigureSpec } from '@/core/gear';
import { worded } from '@/core/units/conventions';
import { figureField as texts } from './texts';

interface Props {
  spec: FigureSpec;
  figure: Figure | undefined;
  onChange: (figure: Figure | undefined) => void;
}

/** One figure with its unit and where it comes from. Empty means the catalogue's figure. */
export function FigureField({ spec, figure, onChange }: Props) {
  const [draft, setDraft] = useState<string>();
  const text = draft ?? (figure ? String(figure.value) : '');
  const error = text.trim() === '' ? undefined : fault(text, spec);
  const basis: Basis = figure?.basis ?? spec.typical?.basis ?? 'measured';

  const commit = () => {
    if (draft === undefined || error) return;
    setDraft(undefined);
    if (draft.trim() === '') onChange(undefined);
    else
      onChange({
        value: parse(draft),
        unit: spec.unit,
        // A length is what somebody measures or reads off the cable; no data sheet says it.
        basis: figure?.basis ?? (spec.unit === 'm' ? 'measured' : 'maker'),
        ...(figure?.where && { where: figure.where }),
      });
  };
  return (
    <Box>
      <Typography variant="caption" component="p" sx={{ fontWeight: 600, mb: 0.5 }}>
        {worded(spec.label)}
      </Typography>
      <Stack direction="row" spacing={1} sx={{ alignItems: 'flex-start' }}>
        <TextField
          value={text}
          placeholder={spec.typical ? String(spec.typical.value) : texts.open}
          onChange={(event) => setDraft(event.target.value)}
          onBlur={commit}
          onKeyDown={(event) => {
            if (event.key === 'Enter') {
              // It is this figure that is done, not the form around it.
              event.preventDefault();
              commit();
            }
            if (event.key === 'Escape') setDraft(undefined);
          }}
          error={Boolean(error)}
          slotProps={{
            htmlInput: { inputMode: 'decimal', 'aria-label': spec.label },
            input: { endAdornment: <InputAdornment position="end">{spec.unit}</InputAdornment> },
          }}
          sx={{ flex: 1, minWidth: 100 }}
        />
        <TextField
          select
          value={basis}
          disabled={!figure && !spec.typical}
          onChange={(event) => {
            const value = figure?.value ?? spec.typical?.value;
            if (value !== undefined) onChange({ value, unit: spec.unit, basis: event.target.value as Basis });
          }}
          sx={{ width: 164 }}
          slotProps={{ htmlInput: { 'aria-label': texts.whereItComes(spec.label) } }}
        >
          {BASES.map((value) => (
            <MenuItem key={value} value={value}>
              {BASIS_LABELS[value]}
            </MenuItem>
          ))}
        </TextField>
      </Stack>
      {(error || spec.help || figure?.where) && (
        <Typography variant="caption" component="p" color={error ? 'error' : 'textSecondary'} sx={{ mt: 0.25 }}>
          {error ?? [figure?.where, spec.help].filter(Boolean).join(' · ')}
        </Typography>
      )}
    </Box>
  );
}

const parse = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'));

function fault(text: string, { min, max, unit }: FigureSpec): string | undefined {
  const value = parse(text);
  if (!Number.isFinite(value)) return texts.typeANumber(unit);
  return value < min || value > max ? texts.fromTo(min, max, unit) : undefined;
}
