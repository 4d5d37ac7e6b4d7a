'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import type { FloorMeter } from '@/core/schools/schools';
import { useCallback, useState } from 'react';
import type { KeptMeasurement } from '@/core/noise/kept';
import type { FaultName } from '@/core/noise/simulated';
import type { RigDocument, RigLine } from '@/core/rig';
import { useAnswer } from '@/ui/rig/useWorker';
import { useDraft } from '@/ui/shell/useDraft';
import type { NoiseWorker } from '@/workers/noiseWorker';
import { MeasureControl } from './MeasureControl';
import { ReadingView } from './ReadingView';
import type { SineReads } from './scales';
import { SimulatedSettings } from './SimulatedSettings';
import { simulatedPath } from './simulatedPath';
import { useBudgetQuestion } from './useFloors';
import { useMeter, type Measured } from './useMeter';
import { measureView as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  line: RigLine;
  target: number;
  floorMeter: FloorMeter;
  sine: SineReads;
  who: string;
  worker: () => NoiseWorker;
  onKept: (measurements: KeptMeasurement[]) => void;
}

const numberIn = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'));

/** One recording of a line, held against what the line should deliver. */
export function MeasureView({ rig, document, line, target, floorMeter, sine, who, worker, onKept }: Props) {
  const [gain, setGain] = useDraft(`gain ${rig} ${line.id}`, '');
  const [seconds, setSeconds] = useState('10');
  const [faults, setFaults] = useState<FaultName[]>([]);
  const [live, setLive] = useState(false);
  const [measured, setMeasured] = useDraft<Measured | undefined>(`measured ${rig} ${line.id}`, undefined);
  const take = useCallback(
    (to: Measured) => {
      setMeasured(to);
      // The simulated interface knows how it stood.
      if (to.gain !== undefined) setGain(to.gain.toFixed(1));
    },
    [setGain, setMeasured],
  );
  const meter = useMeter(take);
  const set = gain.trim() === '' ? undefined : numberIn(gain);
  const valid = set === undefined || (Number.isFinite(set) && set >= -60 && set <= 120);
  const length = numberIn(seconds);
  const lasts = Number.isFinite(length) && length >= 2 && length <= 600 ? length : 10;
  const { answer } = useAnswer(worker, useBudgetQuestion(document, line.id, valid ? set : undefined), 'budget');
  const budget = answer && !('reason' in answer.budget) ? answer.budget : undefined;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        {line.name}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        {texts.everyoneQuietGatesAndNoise}
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mb: 1.5 }}>
        <TextField
          label={texts.gainSetDb}
          value={gain}
          placeholder={budget ? texts.asPlanned(budget.gain.toFixed(1)) : ''}
          error={!valid}
          onChange={(event) => setGain(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
          sx={{ width: 150 }}
        />
        <TextField
          label={texts.recordFor}
          value={seconds}
          error={lasts !== length}
          helperText={lasts !== length ? texts.from2To600 : undefined}
          onChange={(event) => setSeconds(event.target.value)}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          sx={{ width: 110 }}
        />
        <SimulatedSettings faults={faults} onFaults={setFaults} live={live} onLive={setLive} />
      </Box>
      <MeasureControl
        meter={meter}
        seconds={lasts}
        simulated={() =>
          simulatedPath(rig, line.id, {
            seconds: lasts,
            faults,
            on: (document.units ?? []).map(({ id }) => id),
            live,
            ...(valid && set !== undefined && !measuredOwnGain(measured, set) && { gain: set }),
          })
        }
      />
      {measured && meter.metering.state === 'failed' && (
        <Typography variant="body2" sx={{ mt: 1.5 }}>
          {texts.yourEarlierReadingIsStill(measured.name)}
        </Typography>
      )}
      {measured && meter.metering.state === 'idle' && (
        <ReadingView
          rig={rig}
          line={line}
          measured={measured}
          budget={budget}
          gain={valid ? (set ?? budget?.gain) : undefined}
          target={target}
          floorMeter={floorMeter}
          sine={sine}
          who={who}
          onKept={(kept) => {
            // It is kept: coming back, nobody is asked to keep it once more.
            setMeasured((now) => now && { ...now, kept: true });
            onKept(kept);
          }}
        />
      )}
    </>
  );
}

/** The gain in the field came from the simulated interface itself: it is not asked to have it again. */
const measuredOwnGain = (measured: Measured | undefined, set: number): boolean =>
  measured?.gain !== undefined && Math.abs(measured.gain - set) < 0.06;
