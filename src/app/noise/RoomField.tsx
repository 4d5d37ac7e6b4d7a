'use client';

import Button from '@mui/material/Button';
import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Room } from '@/core/noise/budget';
import type { RigDocument, RigLine } from '@/core/rig';
import { OCTAVES } from '@/core/rig/deviceFigures';
import type { Location } from '@/core/rig/arrangement';
import { FormDialog } from '@/ui/shell/FormDialog';
import { roomField as texts } from './texts';

interface Props {
  document: RigDocument;
  line: RigLine;
  room: Room;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** How loud it is where a line's source stands; belongs to the place, not to the line. */
export function RoomField({ document, line, room, onChange }: Props) {
  const [editing, setEditing] = useState(false);
  const place = document.locations?.find(({ id }) => id === line.location);
  const said = 'level' in room ? `${room.level} dB(A)` : texts.octaves(room.bands.length);
  return (
    <Box>
      <Button variant="outlined" disabled={!place} onClick={() => setEditing(true)} sx={{ height: 40 }}>
        {texts.room(said)}
      </Button>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ pl: 0.5, mt: 0.4 }}>
        {place ? (place.room || place.roomBands ? place.name : texts.assumed(place.name)) : texts.assumedSetItsPosition}
      </Typography>
      {editing && place && (
        <RoomDialog
          place={place}
          onClose={() => setEditing(false)}
          onSave={(to) => {
            setEditing(false);
            onChange((from) => ({
              ...from,
              locations: from.locations?.map((each) => (each.id === place.id ? to : each)),
            }));
          }}
        />
      )}
    </Box>
  );
}

const amount = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'));

function RoomDialog(props: { place: Location; onClose: () => void; onSave: (to: Location) => void }) {
  const { place, onClose, onSave } = props;
  const [level, setLevel] = useState(place.room ? String(place.room.value) : '');
  const [bands, setBands] = useState<Record<number, string>>(
    Object.fromEntries((place.roomBands ?? []).map((band) => [band.hz, String(band.level)])),
  );
  const filled = OCTAVES.filter((hz) => (bands[hz] ?? '').trim() !== '');
  const good =
    (level.trim() === '' || (amount(level) >= 0 && amount(level) <= 120)) &&
    filled.every((hz) => amount(bands[hz]) >= -20 && amount(bands[hz]) <= 140);
  const save = () => {
    const { room: _room, roomBands: _bands, ...rest } = place;
    onSave({
      ...rest,
      ...(level.trim() !== '' && { room: { value: amount(level), unit: 'dB SPL', basis: 'measured' } }),
      ...(filled.length > 0 && { roomBands: filled.map((hz) => ({ hz, level: amount(bands[hz]) })) }),
    });
  };
  return (
    <FormDialog
      title={texts.roomNoise(place.name)}
      width="sm"
      submit={texts.save}
      blocked={!good}
      onSubmit={save}
      onClose={onClose}
    >
      <Typography variant="body2" sx={{ mb: 1.5 }}>
        {texts.fromASoundLevelMeter}
      </Typography>
      <TextField
        autoFocus
        label={texts.levelDb}
        value={level}
        onChange={(event) => setLevel(event.target.value)}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        sx={{ width: 160, mb: 2 }}
      />
      <Typography variant="h3" component="h3" sx={{ mb: 1 }}>
        {texts.octavesDb}
      </Typography>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fill, minmax(88px, 1fr))', gap: 1 }}>
        {OCTAVES.map((hz) => (
          <TextField
            key={hz}
            label={hz >= 1000 ? texts.kHz(hz / 1000) : `${hz} Hz`}
            value={bands[hz] ?? ''}
            onChange={(event) => setBands({ ...bands, [hz]: event.target.value })}
            slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          />
        ))}
      </Box>
      {!good && (
        <Typography variant="caption" color="error" role="alert">
          {texts.levelsAreNumbers0}
        </Typography>
      )}
    </FormDialog>
  );
}
