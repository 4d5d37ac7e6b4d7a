'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Collapse from '@mui/material/Collapse';
import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { inletKind, type Figure } from '@/core/gear';
import type { Device } from '@/core/rig';
import { FigureGrid } from '../figures/FigureGrid';
import { commonFigures, type SetFigures } from './deviceForm';
import { inletFigures as text } from './texts';

interface Props {
  device: Device;
  /** Kinds of the inlets as the form has them, in order. */
  kinds: readonly string[];
  set: SetFigures;
  onSet: (kind: string, name: string, figure: Figure | undefined) => void;
}

/** The figures of all inlets of a kind, said once; an inlet that differs keeps its own where nothing is set here. */
export function InletFigures({ device, kinds, set, onSet }: Props) {
  const [open, setOpen] = useState<string>();
  return [...new Set(kinds)].map((value) => {
    const kind = inletKind(value);
    const common = commonFigures(device, value);
    const count = kinds.filter((each) => each === value).length;
    if (Object.keys(kind.figures).length === 0) return null;
    return (
      <Box key={value} component="section" aria-label={text.figuresOfAll(kind.label)} sx={{ mt: 1 }}>
        <Button
          color="inherit"
          aria-expanded={open === value}
          onClick={() => setOpen(open === value ? undefined : value)}
          endIcon={<ExpandMoreIcon sx={{ transform: open === value ? 'rotate(180deg)' : 'none' }} />}
        >
          {text.figuresHeading(count, kind.label)}
        </Button>
        <Collapse in={open === value} unmountOnExit>
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1 }}>
            {text.whatIsTypedHere}
          </Typography>
          <FigureGrid
            specs={kind.figures}
            figures={{ ...common, ...set[value] }}
            onChange={(name, figure) => onSet(value, name, figure)}
          />
        </Collapse>
      </Box>
    );
  });
}
