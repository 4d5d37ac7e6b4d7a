import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

interface Props {
  label: string;
  value: string;
  options: readonly (readonly [value: string, label: string])[];
  width: number;
  onChoose: (to: string) => void;
}

/** A choice in a table: its label is read aloud, its column is its heading. */
export function SelectCell({ label, value, options, width, onChoose }: Props) {
  return (
    <TextField
      select
      value={value}
      slotProps={{ htmlInput: { 'aria-label': label }, select: { displayEmpty: true } }}
      onChange={({ target }) => onChoose(target.value)}
      sx={{ width }}
    >
      {options.map(([each, words]) => (
        <MenuItem key={each} value={each}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
