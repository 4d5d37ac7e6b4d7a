'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { memo } from 'react';
import type { RigLine } from '@/core/rig';
import { lineColumn as text } from './texts';

interface Props {
  lines: readonly RigLine[];
  chosen: string;
  onChoose: (line: string) => void;
}

/** Among many, the one that is chosen is where it can be seen. */
const intoView = (button: HTMLElement | null): void => button?.scrollIntoView({ block: 'nearest' });

/** Which line: a column, or a field where the screen is narrow. */
export const LineColumn = memo(function LineColumn({ lines, chosen, onChoose }: Props) {
  const wide = useMediaQuery(useTheme().breakpoints.up('md'));
  if (!wide)
    return (
      <Box sx={{ p: 2, pb: 0 }}>
        <TextField
          select
          fullWidth
          label={text.line}
          value={chosen}
          onChange={(event) => onChoose(event.target.value)}
          slotProps={{ htmlInput: { 'aria-label': text.line } }}
        >
          {lines.map(({ id, name }) => (
            <MenuItem key={id} value={id} sx={{ minHeight: 44 }}>
              {name}
            </MenuItem>
          ))}
        </TextField>
      </Box>
    );
  return (
    <Box
      component="nav"
      aria-label={text.lines}
      sx={{ borderRight: 1, borderColor: 'divider', overflowY: 'auto', minHeight: 0, py: 0.5 }}
    >
      {lines.map(({ id, name }) => (
        <ButtonBase
          key={id}
          ref={id === chosen ? intoView : undefined}
          onClick={() => onChoose(id)}
          aria-current={id === chosen ? 'true' : undefined}
          sx={{
            width: '100%',
            justifyContent: 'flex-start',
            textAlign: 'left',
            px: 1.5,
            py: 0.75,
            borderLeft: 3,
            borderColor: id === chosen ? 'primary.main' : 'transparent',
            '&:focus-visible': { outlineOffset: -2 },
          }}
        >
          <Typography variant="body2" component="span" sx={{ fontWeight: id === chosen ? 650 : 400 }}>
            {name}
          </Typography>
        </ButtonBase>
      ))}
    </Box>
  );
});
