'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import { memo } from 'react';
import { columns, JOINT } from '@/ui/strip/geometry';
import type { RowActions } from './row';
import { linkLabels as text } from './texts';

interface LabelsProps {
  /** Of the strip, and how many links it shows. */
  width: number;
  count: number;
  id: string;
  links: string;
  selected: boolean;
  actions: RowActions;
}

/** The names above the rails: press one to see and change that link, + to put one in between. They stay while voltages change. */
export const LinkLabels = memo(function LinkLabels({ width: room, count, id, links, selected, actions }: LabelsProps) {
  const grid = columns(room, count);
  const names = links ? links.split('\n') : [];
  return (
    // On a phone those of the selected line have the height of a thumb.
    <Box sx={{ position: 'relative', width: room, height: { xs: selected ? 44 : 18, md: 18 } }}>
      {names.map((name, n) => {
        const { x, width } = grid.link(n);
        return (
          <ButtonBase
            key={n}
            onClick={(event) => {
              event.stopPropagation();
              actions.select(id, n);
            }}
            tabIndex={selected ? 0 : -1}
            title={text.details(name)}
            sx={{
              position: 'absolute',
              left: x + (selected ? 8 : 0),
              width: width - (selected ? 16 : 0),
              // On a phone it reaches down over the rails, where nothing else is pressed unless the line is selected.
              top: { xs: 0, md: 'auto' },
              bottom: { md: 0 },
              height: { xs: 44, md: 18 },
              display: { xs: 'flex', md: 'block' },
              alignItems: selected ? 'center' : 'flex-start',
              fontFamily: 'inherit',
              fontSize: 'caption.fontSize',
              color: 'text.secondary',
              whiteSpace: 'nowrap',
              overflow: 'hidden',
              textOverflow: 'ellipsis',
              '&:hover': { color: 'primary.main', textDecoration: 'underline' },
              '&:focus-visible': { outlineOffset: -2 },
            }}
          >
            {name}
          </ButtonBase>
        );
      })}
      {selected &&
        Array.from({ length: names.length + 1 }, (_, n) => (
          <IconButton
            key={`+${n}`}
            size="small"
            aria-label={text.addALink(n, names.length)}
            onClick={(event) => {
              event.stopPropagation();
              actions.insert(id, n, event.currentTarget);
            }}
            sx={{
              position: 'absolute',
              left: grid.junction(n) + JOINT / 2 - 9,
              bottom: 0,
              // For a thumb, about the same middle.
              width: { xs: 44, md: 18 },
              height: { xs: 44, md: 18 },
              ml: { xs: '-13px', md: 0 },
              p: 0,
            }}
          >
            <AddIcon sx={{ fontSize: 14 }} />
          </IconButton>
        ))}
    </Box>
  );
});
