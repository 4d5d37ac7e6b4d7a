'use client';

import DragIndicatorIcon from '@mui/icons-material/DragIndicator';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import ButtonBase from '@mui/material/ButtonBase';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { DraggableAttributes, DraggableSyntheticListeners } from '@dnd-kit/core';
import { memo } from 'react';
import type { RowProps } from './row';
import { rowName as text } from './texts';

interface NameProps extends Pick<RowProps, 'id' | 'name' | 'selected' | 'marked' | 'picking' | 'actions'> {
  wants: string;
  grip: (element: HTMLElement | null) => void;
  attributes: DraggableAttributes;
  listeners: DraggableSyntheticListeners;
}

/** What a line is called, taken hold of and marked by; all but what it wants stays as it is while the feed changes. */
export const RowName = memo(function RowName(props: NameProps) {
  const { id, name, selected, marked, picking, actions, wants, grip, attributes, listeners } = props;
  return (
    <Box
      sx={{
        gridArea: 'name',
        display: 'grid',
        // Grip and mark beside each other on a phone, one above the other where there is a mouse.
        gridTemplateColumns: { xs: 'auto auto minmax(0, 1fr)', md: 'auto minmax(0, 1fr)' },
        gridTemplateRows: { md: '1fr 1fr' },
        alignItems: 'center',
        minWidth: 0,
        pl: 0.5,
      }}
    >
      <Grip {...{ name, selected, grip, attributes, listeners }} />
      <Mark {...{ id, name, marked, picking, actions }} />
      <ButtonBase
        onClick={(event) =>
          event.ctrlKey || event.metaKey || event.shiftKey ? actions.mark(id, event.shiftKey) : actions.select(id)
        }
        data-name
        aria-pressed={selected}
        sx={{
          display: 'block',
          textAlign: 'left',
          minWidth: 0,
          gridColumn: { xs: 3, md: 2 },
          gridRow: { xs: 1, md: '1 / span 2' },
          py: 1,
          pr: 1,
          alignSelf: 'stretch',
          '&:focus-visible': { outlineOffset: -2 },
        }}
      >
        <Typography variant="body2" component="span" sx={{ fontWeight: 650, display: 'block', lineHeight: 1.25 }}>
          {name}
        </Typography>
        <Typography
          variant="caption"
          color="textSecondary"
          component="span"
          sx={{ display: 'block', lineHeight: 1.25, whiteSpace: 'normal' }}
        >
          {wants}
        </Typography>
      </ButtonBase>
    </Box>
  );
});

/** What a line is taken hold of by. */
const Grip = memo(function Grip(props: Pick<NameProps, 'name' | 'selected' | 'grip' | 'attributes' | 'listeners'>) {
  const { name, selected, grip, attributes, listeners } = props;
  return (
    <IconButton
      ref={grip}
      className="grip"
      size="small"
      {...attributes}
      {...listeners}
      aria-label={text.moveByKeys(name)}
      sx={{
        p: 0.25,
        opacity: selected ? 1 : 0.25,
        cursor: 'grab',
        touchAction: 'none',
        alignSelf: { md: 'end' },
        justifySelf: 'center',
      }}
    >
      <DragIndicatorIcon sx={{ fontSize: 17 }} />
    </IconButton>
  );
});

/** Marks a line. */
const Mark = memo(function Mark(props: Pick<NameProps, 'id' | 'name' | 'marked' | 'picking' | 'actions'>) {
  const { id, name, marked, picking, actions } = props;
  return (
    <Checkbox
      className="grip"
      size="small"
      checked={marked}
      slotProps={{ input: { 'aria-label': text.mark(name) } }}
      onClick={(event) => actions.mark(id, event.shiftKey)}
      sx={{
        p: 0.25,
        opacity: picking ? 1 : 0.25,
        display: { xs: picking ? 'inline-flex' : 'none', md: 'inline-flex' },
        minWidth: { xs: 44, md: 0 },
        minHeight: { xs: 44, md: 0 },
        alignSelf: { md: 'start' },
        justifySelf: 'center',
      }}
    />
  );
});
