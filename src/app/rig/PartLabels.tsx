'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import { kindAt, partAt, type Line, type PartRef } from '@/core/gear';
import { JOINT, type Columns } from '@/ui/strip/geometry';

interface Props {
  line: Line;
  grid: Columns;
  selected: PartRef;
  onSelect: (part: PartRef) => void;
  onInsert: (at: number, button: HTMLElement) => void;
}

/** The names above the drawing: press one to see and change the part, + to put a link in between. */
export function PartLabels({ line, grid, selected, onSelect, onInsert }: Props) {
  const label = (ref: PartRef, left: number, width: number, align: 'left' | 'center' | 'right') => {
    const part = partAt(line, ref);
    const kind = kindAt(ref, part.kind);
    const on = ref === selected;
    return (
      <ButtonBase
        key={String(ref)}
        onClick={() => onSelect(ref)}
        aria-pressed={on}
        title={`${part.name ?? kind.label}: details below`}
        sx={{
          position: 'absolute',
          left,
          width,
          bottom: 0,
          minHeight: 32,
          px: 0.5,
          py: 0.25,
          display: 'block',
          textAlign: align,
          lineHeight: 1.25,
          fontSize: '0.75rem',
          fontWeight: on ? 700 : 500,
          color: on ? 'primary.main' : 'text.primary',
          borderBottom: 2,
          borderColor: on ? 'primary.main' : 'transparent',
          overflow: 'hidden',
          overflowWrap: 'anywhere',
          '&:hover': { borderColor: 'text.secondary' },
          '&:focus-visible': { outline: 2, outlineStyle: 'solid', outlineOffset: -2, outlineColor: 'primary.main' },
        }}
      >
        {part.name || kind.label}
      </ButtonBase>
    );
  };
  return (
    <>
      {label('source', 0, grid.source - 4, 'left')}
      {line.links.map((_, n) => label(n, grid.link(n).x + 2, grid.link(n).width - 4, 'center'))}
      {label('inlet', grid.width - grid.inlet + 4, grid.inlet - 4, 'right')}
      {Array.from({ length: line.links.length + 1 }, (_, n) => (
        <Box key={n} sx={{ position: 'absolute', left: grid.junction(n) + JOINT / 2 - 12, bottom: 2 }}>
          <IconButton
            size="small"
            aria-label={`Insert a link ${n === 0 ? 'behind the source' : n === line.links.length ? 'before the inlet' : `behind link ${n}`}`}
            onClick={(event) => onInsert(n, event.currentTarget)}
            sx={{ p: 0.25, width: 24, height: 24 }}
          >
            <AddIcon sx={{ fontSize: 15 }} />
          </IconButton>
        </Box>
      ))}
    </>
  );
}
