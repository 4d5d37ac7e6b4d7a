'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { NoiseBudget } from '@/core/noise/budget';
import { isComparable } from '@/core/noise/surplus';
import { predictedOf, type KeptMeasurement } from '@/core/noise/kept';
import type { Measurement } from '@/core/noise/measurement';
import type { RigLine } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import type { Measured } from './useMeter';
import { keepForm as text } from './texts';

interface Props {
  rig: string;
  line: RigLine;
  measured: Measured;
  measurement: Measurement;
  budget?: NoiseBudget;
  gain?: number;
  who: string;
  onKept: (measurements: KeptMeasurement[]) => void;
}

type Kept = { id: number; measurements: KeptMeasurement[] };

/** Keeps the figures of a recording; its sound only if that is asked for. */
export function KeepForm({ rig, line, measured, measurement, budget, gain, who, onKept }: Props) {
  const [name, setName] = useState(measured.name.slice(0, 120));
  const [sound, setSound] = useState(false);
  const [state, setState] = useState<'open' | 'busy' | 'sending' | 'kept'>(measured.kept ? 'kept' : 'open');
  /** What was kept, and its sound was not. */
  const [unsent, setUnsent] = useState<Kept>();
  const [failed, setFailed] = useState('');
  const keep = async () => {
    setState('busy');
    setFailed('');
    const { body, failed: why } = await ask<Kept>(`/api/rigs/${rig}/measurements`, {
      method: 'POST',
      json: {
        line: line.id,
        who,
        origin: measured.origin,
        name: name.trim() || measured.origin,
        ...(gain !== undefined && { gain }),
        measurement,
        ...(budget && isComparable(measurement.reading) && { predicted: predictedOf(budget) }),
      },
    });
    if (!body) {
      setState('open');
      return setFailed(why ?? '');
    }
    onKept(body.measurements);
    setState('kept');
    if (sound) await keepSound(body);
  };
  const keepSound = async (as: Kept) => {
    if (!measured.audio) return;
    setUnsent(undefined);
    setState('sending');
    const { failed: why } = await ask(`/api/rigs/${rig}/measurements/${as.id}/audio`, {
      method: 'PUT',
      blob: new Blob([measured.audio], { type: 'audio/wav' }),
    });
    setState('kept');
    if (why) {
      setFailed(text.theFiguresAreKept(why));
      return setUnsent(as);
    }
    setFailed('');
    onKept(as.measurements.map((each) => (each.id === as.id ? { ...each, audio: true } : each)));
  };
  return (
    <Box
      component="form"
      aria-label={text.keepTheFigures}
      onSubmit={(event) => {
        event.preventDefault();
        void keep();
      }}
      sx={{
        display: 'flex',
        flexWrap: 'wrap',
        gap: 1.5,
        alignItems: 'center',
        mt: 2,
        pt: 1.5,
        borderTop: 1,
        borderColor: 'divider',
      }}
    >
      <TextField
        label={text.name}
        value={name}
        onChange={(event) => setName(event.target.value.slice(0, 120))}
        sx={{ width: 240 }}
      />
      {measured.audio && (
        <FormControlLabel
          control={<Checkbox size="small" checked={sound} onChange={(event) => setSound(event.target.checked)} />}
          label={text.saveTheAudioToo}
          slotProps={{ typography: { variant: 'body2' } }}
        />
      )}
      <Button type="submit" variant="contained" disabled={state !== 'open'}>
        {state === 'kept' ? text.kept : state === 'sending' ? text.sendingTheSound : text.keepTheFigures}
      </Button>
      {failed && (
        <Alert
          severity="error"
          sx={{ width: '100%' }}
          action={unsent && <Button onClick={() => void keepSound(unsent)}>{text.sendTheSoundAgain}</Button>}
        >
          {failed}
        </Alert>
      )}
    </Box>
  );
}
