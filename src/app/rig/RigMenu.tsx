'use client';

import ExpandMoreIcon from '@mui/icons-material/ExpandMore';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { memo, useState } from 'react';
import type { ManyActions } from './ManyPanel';
import { rigMenu as text } from './texts';

export interface RigEntry {
  id: string;
  name: string;
}

interface Props {
  name: string;
  here: string;
  rigs: readonly RigEntry[];
  /** Its list came in columns of its own, and goes out in them. */
  ownColumns: boolean;
  many: Pick<ManyActions, 'copied' | 'paste'>;
  actions: {
    rename: () => void;
    newLine: () => void;
    newDevice: () => void;
    monitors: () => void;
    pickLines: () => void;
    importFile: () => void;
    exportRig: () => void;
    exportInputList: (as?: 'usual columns') => void;
    exportPatchList: () => void;
    history: () => void;
    newRig: () => void;
    removeRig: () => void;
    removedRigs: () => void;
  };
}

/** The rig's name opens what can be done with it as a whole. */
export const RigMenu = memo(function RigMenu({ name, here, rigs, ownColumns, many, actions }: Props) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const close = () => setAnchor(null);
  const item = (label: string, run: () => void, hint?: string) => (
    <MenuItem
      onClick={() => {
        close();
        run();
      }}
      sx={{ minWidth: 250 }}
    >
      {label}
      {hint && (
        <Box
          component="kbd"
          sx={{ ml: 'auto', pl: 2, color: 'text.secondary', fontFamily: 'inherit', fontSize: 'caption.fontSize' }}
        >
          {hint}
        </Box>
      )}
    </MenuItem>
  );
  return (
    <>
      <Button
        onClick={(event) => setAnchor(event.currentTarget)}
        endIcon={<ExpandMoreIcon />}
        color="inherit"
        aria-haspopup="menu"
        aria-label={text.rig(name)}
        sx={{ fontSize: 'h2.fontSize', fontWeight: 550, maxWidth: 260 }}
      >
        <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', whiteSpace: 'nowrap' }}>
          {name}
        </Box>
      </Button>
      <Menu open={Boolean(anchor)} anchorEl={anchor} onClose={close}>
        {item(text.newLine, actions.newLine, 'N')}
        {item(text.newDevice, actions.newDevice)}
        {item(text.monitorsAndHeadphones, actions.monitors)}
        {item(text.nameAndNote, actions.rename)}
        {item(text.markSeveralLines, actions.pickLines, 'X')}
        {many.copied > 0 && item(text.paste(many.copied), many.paste, text.ctrlV)}
        <Divider />
        {item(text.importAnInputList, actions.importFile, 'I')}
        {item(text.exportThisRigJson, actions.exportRig)}
        {item(text.exportTheInputListCsv, () => actions.exportInputList())}
        {ownColumns && item(text.exportTheInputList, () => actions.exportInputList('usual columns'))}
        {item(text.exportThePatchListCsv, actions.exportPatchList)}
        <MenuItem component="a" href={`/rig/print?rig=${here}`}>
          {text.printInputListPositionsPull}
        </MenuItem>
        {item(text.history, actions.history, 'H')}
        <Divider />
        <ListSubheader component="div" role="none" sx={{ lineHeight: 2.2 }}>
          {text.rigs}
        </ListSubheader>
        {rigs.map(({ id, name: other }) => (
          <MenuItem key={id} component="a" href={`/rig?rig=${id}`} selected={id === here}>
            {id === here ? name : other}
          </MenuItem>
        ))}
        <MenuItem component="a" href={`/casebook?rig=${here}`}>
          {text.casebookSituationsAndVerdicts}
        </MenuItem>
        {item(text.newRig, actions.newRig)}
        {item(text.removeThisRig, actions.removeRig)}
        {item(text.removedRigs, actions.removedRigs)}
      </Menu>
    </>
  );
});
