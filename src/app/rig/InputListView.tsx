'use client';

import Autocomplete from '@mui/material/Autocomplete';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import MenuItem from '@mui/material/MenuItem';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KitItem } from '@/core/kit';
import type { RigDocument } from '@/core/rig';
import {
  NEW_DEVICE,
  ROLE_NAMES,
  ROLES,
  type InputList,
  type InputRow,
  type Role,
  type Said,
} from '@/core/tables/inputList';
import { candidatesOf } from '@/core/typed';
import { inputListView as text } from './texts';

interface Props {
  document: RigDocument;
  kit: readonly KitItem[];
  list: InputList;
  said: Said;
  onSaid: (said: Said) => void;
}

const NOT_USED = text.notUsed;

/** What an input list would become: its columns, the device, and each row; all of it can be said otherwise. */
export function InputListView({ document, kit, list, said, onSaid }: Props) {
  const { columns, rows } = list;
  const count = (becomes: InputRow['becomes']) => rows.filter((row) => row.becomes === becomes).length;
  const sources = useMemo(
    () => [...new Set(candidatesOf('source', kit, document).map(({ label }) => label))],
    [kit, document],
  );
  const width = rows[0]?.cells.length ?? 0;
  const setRole = (column: number, to: Role | undefined) =>
    onSaid({ ...said, roles: Array.from({ length: width }, (_, n) => (n === column ? to : columns.roles[n])) });
  const open = count('open');
  return (
    <Box>
      <Typography variant="body1">
        <strong>{text.line(list.ids.length)}</strong>
        {count('there') > 0 && text.countInTheRigAlready(count('there'))}
        {count('spare') > 0 && text.spare(count('spare'))}
        {open > 0 && (
          <Box component="span" sx={{ color: 'error.main' }}>
            {text.yourAnswer(open)}
          </Box>
        )}
        {text.nothingIsChangedYetWhat}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mt: 1.5 }}>
        <TextField
          select
          label={text.channelNumbersAreInlets}
          value={document.devices.some(({ id }) => id === list.device) ? list.device : NEW_DEVICE}
          onChange={({ target }) => onSaid({ ...said, device: target.value })}
          sx={{ minWidth: 220 }}
        >
          {document.devices.map(({ id, name }) => (
            <MenuItem key={id} value={id}>
              {name}
            </MenuItem>
          ))}
          <MenuItem value={NEW_DEVICE}>{text.aNewDeviceAsLarge}</MenuItem>
        </TextField>
        <FormControlLabel
          control={
            <Checkbox
              checked={said.setFeeds !== false}
              onChange={(_, setFeeds) => onSaid({ ...said, setFeeds })}
              size="small"
            />
          }
          label={text.setSwitchesInTheDrawing}
        />
      </Box>
      <Box
        component="fieldset"
        sx={{ border: 0, p: 0, m: 0, mt: 1.5, display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-end' }}
      >
        <Typography component="legend" variant="h3" sx={{ mb: 0.75 }}>
          {text.columns}
        </Typography>
        {Array.from({ length: width }, (_, n) => (
          <TextField
            key={n}
            select
            label={columns.headings[n] || text.column(n + 1)}
            value={columns.roles[n] ?? NOT_USED}
            onChange={({ target }) => setRole(n, target.value === NOT_USED ? undefined : (target.value as Role))}
            sx={{ minWidth: 120 }}
          >
            {ROLE_NAMES.map((role) => (
              <MenuItem key={role} value={role}>
                {ROLES[role].label}
              </MenuItem>
            ))}
            <MenuItem value={NOT_USED}>{text.keptInTheNote}</MenuItem>
          </TextField>
        ))}
      </Box>
      <Box sx={{ overflowX: 'auto', mt: 1.5 }} tabIndex={0} role="region" aria-label={text.preview}>
        <Table size="small" aria-label={text.whatEachRowBecomes}>
          <TableHead>
            <TableRow>
              <TableCell>{text.row}</TableCell>
              <TableCell>{text.name}</TableCell>
              <TableCell>{text.becomes}</TableCell>
              <TableCell>{text.check}</TableCell>
            </TableRow>
          </TableHead>
          <TableBody>
            {rows.map((row) => (
              <Row
                key={row.row}
                row={row}
                sources={sources}
                chosen={said.sources?.[row.row]}
                onSource={(to) => onSaid({ ...said, sources: { ...said.sources, [row.row]: to } })}
              />
            ))}
          </TableBody>
        </Table>
      </Box>
      {list.lost.length > 0 && (
        <Typography color="error" sx={{ mt: 1 }}>
          {text.theRigsNoteIsFull(list.lost.join(' · '))}
        </Typography>
      )}
      {list.left.length > 0 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
          {text.keptInTheRigsNote(list.left.join(' · '))}
        </Typography>
      )}
    </Box>
  );
}

/** What a row is where it becomes no line. */
const OTHERWISE: Record<Exclude<InputRow['becomes'], 'lines' | 'open'>, string> = {
  there: text.inTheRigAlready,
  spare: text.spareKeptFree,
  heading: text.headingOfTheRowsBelow,
};

/** How sure it is, in words; of what is sure nothing is said. */
const CERTAINTY: Record<InputRow['certainty'], string> = {
  sure: '',
  likely: text.likely,
  guess: text.guessedFromTheName,
};

interface RowProps {
  row: InputRow;
  sources: string[];
  chosen?: string;
  onSource: (to: string) => void;
}

function Row({
  row: { row, name, becomes, understood, certainty, others, remarks, problem },
  sources,
  chosen,
  onSource,
}: RowProps) {
  const unsure = becomes === 'open' || (becomes === 'lines' && certainty !== 'sure') || chosen !== undefined;
  const [changing, setChanging] = useState(false);
  return (
    <TableRow>
      <TableCell>{row}</TableCell>
      <TableCell sx={{ fontWeight: 650 }}>{name}</TableCell>
      <TableCell>
        {becomes === 'lines' ? understood.join(' → ') : becomes === 'open' ? '' : OTHERWISE[becomes]}
        {becomes === 'lines' && CERTAINTY[certainty] && (
          <Typography component="span" variant="caption" color="textSecondary">
            {' '}
            ({CERTAINTY[certainty]})
          </Typography>
        )}
        {problem && (
          <Typography variant="body2" color="error">
            {problem}
          </Typography>
        )}
        {becomes === 'lines' && !unsure && !changing && (
          <Button size="small" color="inherit" onClick={() => setChanging(true)} aria-label={text.changeOf(name)}>
            {text.change}
          </Button>
        )}
        {(unsure || changing) && (
          <Autocomplete
            freeSolo
            options={[...others, ...sources.filter((label) => !others.includes(label))]}
            value={chosen ?? ''}
            onChange={(_, to) => to && onSource(to)}
            sx={{ maxWidth: 300, mt: 0.75 }}
            renderInput={(params) => (
              <TextField {...params} label={becomes === 'open' ? text.whatIs(name) : text.insteadFor(name)} />
            )}
          />
        )}
      </TableCell>
      <TableCell>
        {remarks.map((remark) => (
          <Typography key={remark} variant="body2">
            {remark}
          </Typography>
        ))}
      </TableCell>
    </TableRow>
  );
}
