'use client';

import AddIcon from '@mui/icons-material/Add';
import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import IconButton from '@mui/material/IconButton';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { freeId, runLength, type Location, type RigDocument, type Run } from '@/core/rig';
import { Dialog } from '@/ui/shell/Dialog';
import { placesDialog as texts } from './texts';

interface Props {
  document: RigDocument;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
  onClose: () => void;
}

const NOWHERE = '';

/** Where sources and devices stand, and how much cable lies between. */
export function PlacesDialog({ document, onChange, onClose }: Props) {
  const { locations = [], devices, lines } = document;
  const [fresh, setFresh] = useState('');
  const add = () => {
    const name = fresh.trim();
    if (!name) return;
    onChange((from) => ({
      ...from,
      locations: [...(from.locations ?? []), { id: freeId(from.locations ?? [], name), name }],
    }));
    setFresh('');
  };
  const pairs = locations.flatMap((a, n) => locations.slice(n + 1).map((b): [Location, Location] => [a, b]));
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md">
      <DialogTitle>{texts.positionsAndCableRuns}</DialogTitle>
      <DialogContent>
        <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
          {texts.aRunIsTheCable}
        </Typography>
        <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' } }}>
          <Box component="section" aria-label={texts.places}>
            <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
              {texts.places}
            </Typography>
            {locations.map(({ id, name }) => (
              <Box key={id} sx={{ display: 'flex', alignItems: 'center', mb: 1.5 }}>
                <TextField
                  fullWidth
                  label={texts.place}
                  defaultValue={name}
                  onBlur={(event) => onChange((from) => renamed(from, id, event.target.value))}
                />
                <IconButton
                  aria-label={texts.remove(name)}
                  onClick={() => onChange((from) => withoutLocation(from, id))}
                >
                  <CloseIcon sx={{ fontSize: 16 }} />
                </IconButton>
              </Box>
            ))}
            <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
              <TextField
                label={texts.newPlace}
                value={fresh}
                onChange={(event) => setFresh(event.target.value)}
                onKeyDown={(event) => event.key === 'Enter' && add()}
                slotProps={{ htmlInput: { maxLength: 80 } }}
              />
              <Button startIcon={<AddIcon />} disabled={!fresh.trim()} onClick={add}>
                {texts.add}
              </Button>
            </Box>
          </Box>
          <Box component="section" aria-label={texts.runs}>
            <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
              {texts.runsInMetres}
            </Typography>
            {pairs.length === 0 && (
              <Typography variant="body2" color="textSecondary">
                {texts.addTwoPlacesFirst}
              </Typography>
            )}
            {pairs.map(([a, b]) => (
              <RunField
                key={`${a.id} ${b.id}`}
                label={`${a.name} – ${b.name}`}
                metres={runLength(document, a.id, b.id)}
                onChange={(metres) => onChange((from) => withRun(from, a.id, b.id, metres))}
              />
            ))}
          </Box>
        </Box>
        {locations.length > 0 && (
          <Box sx={{ display: 'grid', gap: 3, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, mt: 3 }}>
            <Standing
              title={texts.whereDevicesStand}
              entries={devices}
              locations={locations}
              onChange={(id, location) =>
                onChange((from) => ({
                  ...from,
                  devices: from.devices.map((each) => (each.id === id ? at(each, location) : each)),
                }))
              }
            />
            <Standing
              title={texts.whereSourcesStand}
              entries={lines.filter(({ source }) => !('from' in source))}
              locations={locations}
              onChange={(id, location) =>
                onChange((from) => ({
                  ...from,
                  lines: from.lines.map((each) => (each.id === id ? at(each, location) : each)),
                }))
              }
            />
          </Box>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>{texts.done}</Button>
      </DialogActions>
    </Dialog>
  );
}

function at<T extends { location?: string }>(entry: T, location: string): T {
  const { location: _before, ...rest } = entry;
  return (location === NOWHERE ? rest : { ...rest, location }) as T;
}

function Standing({
  title,
  entries,
  locations,
  onChange,
}: {
  title: string;
  entries: readonly { id: string; name: string; location?: string }[];
  locations: readonly Location[];
  onChange: (id: string, location: string) => void;
}) {
  return (
    <Box component="section" aria-label={title}>
      <Typography variant="h3" component="h3" sx={{ mb: 1.5 }}>
        {title}
      </Typography>
      {entries.map(({ id, name, location }) => (
        <TextField
          key={id}
          select
          fullWidth
          label={name}
          value={location ?? NOWHERE}
          onChange={(event) => onChange(id, event.target.value)}
          slotProps={{ inputLabel: { shrink: true }, select: { displayEmpty: true } }}
          sx={{ mb: 1.5 }}
        >
          <MenuItem value={NOWHERE}>{texts.notStated}</MenuItem>
          {locations.map((place) => (
            <MenuItem key={place.id} value={place.id}>
              {place.name}
            </MenuItem>
          ))}
        </TextField>
      ))}
    </Box>
  );
}

interface RunFieldProps {
  label: string;
  metres?: number;
  onChange: (metres: number | undefined) => void;
}

function RunField({ label, metres, onChange }: RunFieldProps) {
  const [text, setText] = useState(metres === undefined ? '' : String(metres));
  const value = Number(text.trim().replace(',', '.'));
  const wrong = text.trim() !== '' && !(value >= 0 && value <= 500);
  return (
    <TextField
      label={label}
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={() => !wrong && onChange(text.trim() === '' ? undefined : value)}
      error={wrong}
      helperText={wrong ? texts.aLengthFrom0 : undefined}
      fullWidth
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      sx={{ mb: 1.5 }}
    />
  );
}

function renamed(document: RigDocument, id: string, text: string): RigDocument {
  const name = text.trim().slice(0, 80);
  const known = document.locations?.find((each) => each.id === id);
  if (!name || !known || known.name === name) return document;
  return { ...document, locations: document.locations!.map((each) => (each.id === id ? { ...each, name } : each)) };
}

function withRun(document: RigDocument, a: string, b: string, metres: number | undefined): RigDocument {
  if (runLength(document, a, b) === metres) return document;
  const rest = (document.runs ?? []).filter(({ between }) => !(between.includes(a) && between.includes(b)));
  const run: Run[] =
    metres === undefined ? [] : [{ between: [a, b], length: { value: metres, unit: 'm', basis: 'measured' } }];
  return { ...document, runs: [...rest, ...run] };
}

/** A location goes with its runs; whoever stood there stands nowhere. */
function withoutLocation(document: RigDocument, id: string): RigDocument {
  const away = <T extends { location?: string }>(entry: T): T => (entry.location === id ? at(entry, NOWHERE) : entry);
  return {
    ...document,
    locations: document.locations?.filter((each) => each.id !== id),
    runs: document.runs?.filter(({ between }) => !between.includes(id)),
    devices: document.devices.map(away),
    lines: document.lines.map(away),
    ...(document.monitors && {
      monitors: document.monitors.map(({ location, ...each }) =>
        location === id ? each : { ...each, ...(location && { location }) },
      ),
    }),
  };
}
