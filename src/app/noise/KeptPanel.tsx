'use client';

import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import DownloadOutlinedIcon from '@mui/icons-material/DownloadOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { FLOOR_METERS, schoolLabel, type FloorMeter } from '@/core/schools/schools';
import { floorAs, ORIGINS, type KeptLadder, type KeptMeasurement, type WholeMeasurement } from '@/core/noise/kept';
import { ladderResult } from '@/core/noise/ladder';
import type { RigLine } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { Choice } from '@/ui/shell/Choice';
import { LocalTime } from '@/ui/shell/LocalTime';
import { rms, SINE_READS, type SineReads } from './scales';
import { TrendChart } from './TrendChart';
import { keptPanel as texts } from './texts';

interface Props {
  rig: string;
  line?: RigLine;
  measurements: KeptMeasurement[];
  ladders: KeptLadder[];
  /** As typed. */
  target: string;
  limit: number;
  floorMeter: FloorMeter;
  onFloorMeter: (to: FloorMeter) => void;
  onTarget: (to: string) => void;
  sine: SineReads;
  onSine: (to: string) => void;
  who: string;
  onWho: (to: string) => void;
  onMeasurements: (to: KeptMeasurement[]) => void;
  /** One could not be removed: somebody else may have done that. */
  onRefused: () => void;
  /** Why older ones are not here; empty where they are. */
  missing: string;
}

/** So many of a line are listed at first: a year has hundreds of them. */
const NEWEST = 20;

/** The target that floors are held against, and what was kept of a line: over time, one by one. */
export function KeptPanel(props: Props) {
  const { rig, line, measurements, ladders, target, limit, floorMeter, onFloorMeter, onTarget } = props;
  const { sine, onSine, who, onWho, onMeasurements, onRefused, missing } = props;
  const [gone, setGone] = useState<WholeMeasurement>();
  const [failed, setFailed] = useState('');
  const [all, setAll] = useState(false);
  const shown = measurements.toReversed().slice(0, all ? undefined : NEWEST);
  const typed = Number(target.replace(',', '.').replace('−', '-'));
  const valid = target.trim() !== '' && Number.isFinite(typed) && typed < 0 && typed > -160;
  const remove = async (measurement: KeptMeasurement) => {
    const { body, failed: why } = await ask<{ removed: WholeMeasurement; measurements: KeptMeasurement[] }>(
      `/api/rigs/${rig}/measurements/${measurement.id}`,
      { method: 'DELETE' },
    );
    setFailed(why ?? '');
    if (!body) return onRefused();
    onMeasurements(body.measurements);
    setGone(body.removed);
  };
  const putBack = async ({ id: _id, audio: _audio, ...kept }: WholeMeasurement) => {
    const { body, failed: why } = await ask<{ measurements: KeptMeasurement[] }>(`/api/rigs/${rig}/measurements`, {
      method: 'POST',
      json: kept,
    });
    setFailed(why ?? '');
    if (!body) return;
    onMeasurements(body.measurements);
    setGone(undefined);
  };
  return (
    <Box sx={{ p: 2 }}>
      <Box sx={{ display: 'grid', gap: 1.5, pr: { xs: 4, lg: 0 } }}>
        <TextField
          label={texts.acceptableFloorDbfsRms}
          value={target}
          error={!valid}
          helperText={valid ? texts.atTheGain : texts.dbfsBelow0EG}
          onChange={(event) => onTarget(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        />
        <Choice
          label={texts.readTheFloor}
          value={floorMeter}
          options={FLOOR_METERS.map((meter) => [meter, schoolLabel('floorMeter', meter)])}
          onChoose={(to) => onFloorMeter(to as FloorMeter)}
        />
        <Choice label={texts.fullScaleSineReads} value={sine} options={Object.entries(SINE_READS)} onChoose={onSine} />
        <TextField label={texts.yourName} value={who} onChange={(event) => onWho(event.target.value.slice(0, 60))} />
      </Box>
      <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
        {texts.kept}
        {line ? `: ${line.name}` : ''}
      </Typography>
      {measurements.length === 0 && (
        <Typography variant="body2" color="textSecondary">
          {texts.nothingSavedMeasureThisLine}
        </Typography>
      )}
      {measurements.length > 1 && <TrendChart measurements={measurements} target={limit} floorMeter={floorMeter} />}
      <Box component="ul" aria-label={texts.keptMeasurements} sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map((measurement) => {
          const { id, name, at, gain, origin, audio, predicted } = measurement;
          const { aWeightedDbfs, usable } = measurement.measurement.reading;
          const floor = floorAs(measurement.measurement.reading)[floorMeter];
          return (
            <Box component="li" key={id} sx={{ display: 'flex', borderTop: 1, borderColor: 'divider', py: 0.75 }}>
              <Box sx={{ flex: 1, minWidth: 0 }}>
                <Typography variant="body2" sx={{ fontWeight: 600, overflowWrap: 'anywhere' }}>
                  {rms(floor, sine)} · {rms(aWeightedDbfs, sine).replace('dBFS', 'dBFS(A)')}
                </Typography>
                <Typography variant="caption" color="textSecondary" component="p" sx={{ overflowWrap: 'anywhere' }}>
                  {!usable && texts.noNoiseFloor}
                  {name === 'simulated interface' ? ORIGINS[origin] : `${name}, ${ORIGINS[origin]}`}
                  {gain !== undefined && texts.gain(gain)}
                  {predicted && texts.predicted(rms(predicted.dbfs, sine))}
                </Typography>
                <Typography variant="caption" color="textSecondary">
                  <LocalTime at={at} />
                </Typography>
              </Box>
              {audio && (
                <IconButton
                  component="a"
                  href={`/api/rigs/${rig}/measurements/${id}/audio`}
                  download
                  aria-label={texts.soundOf(name)}
                >
                  <DownloadOutlinedIcon fontSize="small" />
                </IconButton>
              )}
              <IconButton aria-label={texts.remove(name)} onClick={() => void remove(measurement)}>
                <DeleteOutlineIcon fontSize="small" />
              </IconButton>
            </Box>
          );
        })}
      </Box>
      {measurements.length > NEWEST && (
        <Button size="small" onClick={() => setAll(!all)}>
          {all ? texts.showFewer : texts.showAll(measurements.length)}
        </Button>
      )}
      {missing && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          {texts.olderOnes(missing)}
        </Alert>
      )}
      {gone && (
        <Alert
          severity="info"
          sx={{ mt: 1 }}
          action={
            <Button color="inherit" onClick={() => void putBack(gone)}>
              {texts.putBack}
            </Button>
          }
        >
          {texts.removed}
          {gone.audio && texts.itsSoundIsGone}
        </Alert>
      )}
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed}
        </Alert>
      )}
      {ladders.length > 0 && (
        <>
          <Typography variant="h2" sx={{ mt: 3, mb: 0.5 }}>
            {texts.ladders}
          </Typography>
          <Box component="ul" aria-label={texts.keptLadders} sx={{ listStyle: 'none', m: 0, p: 0 }}>
            {ladders.toReversed().map(({ id, at, kind, readings }) => (
              <Box component="li" key={id} sx={{ borderTop: 1, borderColor: 'divider', py: 0.75 }}>
                <Typography variant="body2">{ladderResult(kind, readings).text}</Typography>
                <Typography variant="caption" color="textSecondary">
                  <LocalTime at={at} />
                </Typography>
              </Box>
            ))}
          </Box>
        </>
      )}
    </Box>
  );
}
