'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import type { SxProps } from '@mui/material/styles';
import { SCHOOLS, type SchoolName } from '@/core/schools';
import { worded } from '@/core/units/conventions';

interface Props {
  name: SchoolName;
  value: string;
  onChange: (value: string) => void;
  sx?: SxProps;
}

/** One of the points on which engineers differ, with what the rig has chosen. */
export function SchoolField({ name, value, onChange, sx }: Props) {
  const { question, why, options } = SCHOOLS[name];
  return (
    <TextField
      select
      fullWidth
      label={worded(question)}
      helperText={worded(why)}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      sx={sx}
    >
      {options.map((option) => (
        <MenuItem key={option.value} value={option.value}>
          {worded(option.label)}
        </MenuItem>
      ))}
    </TextField>
  );
}
