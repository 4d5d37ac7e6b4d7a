'use client';

import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface Props {
  label: string;
  value: string;
  options: readonly (readonly [value: string, name: string])[];
  width?: number;
  onChoose: (value: string) => void;
}

/** One of several, by name. */
export function Choice({ label, value, options, width = 210, onChoose }: Props) {
  return (
    <TextField
      select
      label={label}
      value={value}
      onChange={(event) => onChoose(event.target.value)}
      sx={{ minWidth: width }}
    >
      {options.map(([key, name]) => (
        <MenuItem key={key} value={key}>
          {name}
        </MenuItem>
      ))}
    </TextField>
  );
}
