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

/** What a line is called, taken hold of and marked by: it stays as it is while its verdict changes. */
export const RowName = memo(function RowName(props: NameProps) {
  const { id, name, selected, marked, picking, actions, wants, grip, attributes, listeners } = props;
  return (
    <Box sx={{ gridArea: 'name', display: 'flex', alignItems: 'center', minWidth: 0, pl: 0.5 }}>
      <Box sx={{ display: 'flex', flexDirection: { xs: 'row', md: 'column' }, alignItems: 'center' }}>
        <IconButton
          ref={grip}
          className="grip"
          size="small"
          {...attributes}
          {...listeners}
          aria-label={text.moveByKeys(name)}
          sx={{ p: 0.25, opacity: selected ? 1 : 0.25, cursor: 'grab', touchAction: 'none' }}
        >
          <DragIndicatorIcon sx={{ fontSize: 17 }} />
        </IconButton>
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
          }}
        />
      </Box>
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
          flex: 1,
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
