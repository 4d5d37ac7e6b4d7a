'use client';

import { isCable, kindAt, LINKS, partAt, reader, type Line, type Part, type PartRef, inletKey } from '@/core/gear';
import Box from '@mui/material/Box';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { partOf, type KitItem } from '@/core/kit';
import { endsInLink, freeInlets, inletName, type InletRef, type RigDocument } from '@/core/rig';
import { worded } from '@/core/units/conventions';
import { chooseMenus as text } from './texts';

interface MenuAt {
  anchor?: HTMLElement;
  open: boolean;
  onClose: () => void;
}

/** Links of the kit and the catalogue, to put one in between. */
export function InsertMenu({
  anchor,
  open,
  onClose,
  kit,
  onInsert,
}: MenuAt & { kit: readonly KitItem[]; onInsert: (part: Part) => void }) {
  const own = kit.filter((item) => item.role === 'link' && item.register?.retired === undefined);
  return (
    <Menu
      open={open}
      anchorEl={anchor}
      onClose={onClose}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      transformOrigin={{ vertical: 'top', horizontal: 'center' }}
      slotProps={{ paper: { sx: { maxHeight: 430 } } }}
    >
      {own.length > 0 && (
        <ListSubheader component="div" role="none" sx={{ lineHeight: 2.4 }}>
          {text.fromYourKit}
        </ListSubheader>
      )}
      {own.map((item) => (
        <MenuItem key={item.id} onClick={() => item.role === 'link' && onInsert(partOf(item))}>
          <Typography variant="body2">
            {item.name}
            <Box component="span" sx={{ color: 'text.secondary' }}>{` · ${item.count}`}</Box>
          </Typography>
        </MenuItem>
      ))}
      <ListSubheader component="div" role="none" sx={{ lineHeight: 2.4 }}>
        {text.fromTheCatalogue}
      </ListSubheader>
      {LINKS.map(({ kind, label, summary }) => (
        <MenuItem key={kind} onClick={() => onInsert({ kind })} sx={{ maxWidth: 460, whiteSpace: 'normal' }}>
          <Box>
            <Typography variant="body2" sx={{ fontWeight: 650 }}>
              {label}
            </Typography>
            <Typography variant="caption" color="textSecondary">
              {worded(summary)}
            </Typography>
          </Box>
        </MenuItem>
      ))}
    </Menu>
  );
}

/** A link put in at a place; a plain cable gets the connector of what it is plugged onto. */
export function fitting(line: Line, at: number, part: Part): Part {
  if (!isCable(part) || part.choices?.connector) return part;
  const before: PartRef = at === 0 ? 'source' : at - 1;
  const known = kindAt(before, partAt(line, before).kind);
  const read = reader(known, partAt(line, before));
  const connector =
    known.role === 'source' ? known.connector(read) : known.role === 'link' ? known.ends(read).output : 'xlr3';
  return connector === 'xlr3' ? part : { ...part, choices: { ...part.choices, connector } };
}

/** Every inlet of the rig: a free one is moved to, on a taken one two lines change places. */
export function MoveMenu({
  anchor,
  open,
  onClose,
  document,
  onMove,
}: MenuAt & { document: RigDocument; onMove: (to: InletRef) => void }) {
  const free = useMemo(() => freeInlets(document), [document]);
  const taken = useMemo(
    () =>
      document.lines.flatMap((line) => {
        if (endsInLink(line)) return [];
        const device = document.devices.find(({ id }) => id === line.inlet.device)!;
        const inlet = device.inlets.find(({ id }) => id === line.inlet.inlet)!;
        return [{ to: line.inlet, name: inletName(device, inlet), line: line.name }];
      }),
    [document],
  );
  return (
    <Menu open={open} anchorEl={anchor} onClose={onClose} slotProps={{ paper: { sx: { maxHeight: 430 } } }}>
      <ListSubheader component="div" role="none" sx={{ lineHeight: 2.4 }}>
        {text.moveToAFreeInlet}
      </ListSubheader>
      {free.length === 0 && <MenuItem disabled>{text.everyInletIsTaken}</MenuItem>}
      {free.map(({ to, inlet }) => (
        <MenuItem key={inletKey(to)} onClick={() => onMove(to)}>
          {inlet.name}
          {inlet.choices?.feed && inlet.choices.feed !== 'off' ? text.feedOn : ''}
        </MenuItem>
      ))}
      <ListSubheader component="div" role="none" sx={{ lineHeight: 2.4 }}>
        {text.swapWith}
      </ListSubheader>
      {taken.map(({ to, name, line }) => (
        <MenuItem key={inletKey(to)} onClick={() => onMove(to)}>
          {line}
          <Box component="span" sx={{ color: 'text.secondary', ml: 1 }}>
            {name}
          </Box>
        </MenuItem>
      ))}
    </Menu>
  );
}
