'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { KeptLadder } from '@/core/noise/kept';
import {
  LADDERS,
  ladderKind,
  ladderRefusal,
  ladderResult,
  RUNGS,
  type Rung,
  type RungReading,
} from '@/core/noise/ladder';
import { ofPower } from '@/core/signal';
import { rigPath, type RigDocument, type RigLine } from '@/core/rig';
import { ask } from '@/ui/shell/ask';
import { useDraft } from '@/ui/shell/useDraft';
import type { NoiseAnswer } from '@/workers/noiseMessages';
import { LadderResultView } from './LadderResultView';
import { MeasureControl } from './MeasureControl';
import { rms, type SineReads } from './scales';
import { simulatedPath } from './simulatedPath';
import { useMeter, type Measured } from './useMeter';
import { ladderView as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  line: RigLine;
  sine: SineReads;
  who: string;
  answer?: Extract<NoiseAnswer, { ask: 'budget' }>;
  onKept: (ladders: KeptLadder[]) => void;
}

/** No rung measured yet. */
const NOTHING: readonly RungReading[] = [];
/** Seconds that a rung is recorded for. */
const SECONDS = 10;
const numberIn = (text: string): number => Number(text.trim().replace(',', '.').replace('−', '-'));

/** One line measured rung by rung, each taking one thing away; who adds what. */
export function LadderView({ rig, document, line, sine, who, answer, onKept }: Props) {
  const path = useMemo(() => rigPath(document, line.id)?.line, [document, line.id]);
  const kind = path ? ladderKind(path) : 'line';
  const ladder = LADDERS[kind];
  const [readings, setReadings] = useDraft(`rungs ${rig} ${line.id}`, NOTHING);
  const [active, setActive] = useDraft<Rung>(`rung ${rig} ${line.id}`, 'as-used');
  const budget = answer && !('reason' in answer.budget) ? answer.budget : undefined;
  const [gain, setGain] = useState('');
  const [failed, setFailed] = useState('');
  const planned = active === 'gain-down' ? budget?.plan.gainMin : budget?.gain;
  const before = readings.find(({ rung }) => rung === 'as-used')?.gain;
  const assumed = active === 'gain-down' ? planned : (before ?? planned);
  const set = gain.trim() === '' ? assumed : numberIn(gain);
  const rungs = ladder.map(({ rung }) => rung);
  const take = (measured: Measured) => {
    const [{ plain, weighted, reading }] = measured.measurements;
    const refused = reading.reasons.map(({ text }) => text).join(' ');
    const taken = { rung: active, gain: measured.gain ?? set ?? 0, plain, weighted, ...(refused && { refused }) };
    // What was refused is measured anew; everything else is one more reading of its rung.
    setReadings((now) => [...now.filter((each) => each.rung !== active || !each.refused), taken]);
    setGain('');
    if (!refused) setActive(rungs[Math.min(rungs.indexOf(active) + 1, rungs.length - 1)]);
  };
  const meter = useMeter(take);
  const list = rungs.flatMap((rung) => readings.filter((each) => each.rung === rung));
  const refusal = list.length > 1 || list.some(({ refused }) => refused) ? ladderRefusal(kind, list) : undefined;
  const result = list.length > 1 && !refusal ? ladderResult(kind, list, answer?.computed) : undefined;
  const keep = async () => {
    const { body, failed: why } = await ask<{ ladders: KeptLadder[] }>(`/api/rigs/${rig}/ladders`, {
      method: 'POST',
      json: { line: line.id, who, kind, readings: list },
    });
    setFailed(why ?? '');
    if (body) onKept(body.ladders);
  };
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 0.5 }}>
        {texts.theLadder(line.name, kind)}
      </Typography>
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1.5 }}>
        {texts.measureFromTheTopRemove}
      </Typography>
      <Box
        component="ol"
        aria-label={texts.rungs}
        sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}
      >
        {ladder.map(({ rung, do: what, caution, optional }, n) => {
          const own = readings.filter((each) => each.rung === rung);
          const reading = own.at(-1);
          const on = rung === active;
          return (
            <Box
              component="li"
              key={rung}
              aria-current={on ? 'step' : undefined}
              sx={{
                borderTop: 1,
                borderColor: 'divider',
                py: 1,
                pl: 1.5,
                borderLeft: 3,
                borderLeftStyle: 'solid',
                borderLeftColor: on ? 'primary.main' : 'transparent',
              }}
            >
              <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', gap: 1 }}>
                <Typography component="h3" variant="h3">
                  {n + 1}. {RUNGS[rung]}
                </Typography>
                {optional && (
                  <Typography variant="caption" color="textSecondary">
                    {texts.optional}
                  </Typography>
                )}
                <Typography variant="body2" sx={{ ml: 'auto', fontWeight: 600 }}>
                  {reading &&
                    (reading.refused
                      ? texts.notUsable
                      : texts.readingAt(
                          rms(ofPower(reading.weighted.power), sine).replace('dBFS', 'dBFS(A)'),
                          rms(ofPower(reading.plain.power), sine),
                          reading.gain,
                          own.length,
                        ))}
                </Typography>
                {reading && meter.metering.state !== 'measuring' && (
                  <Button
                    onClick={() => setReadings((now) => now.filter((each) => each !== reading))}
                    aria-label={texts.takeOutTheLastReading(RUNGS[rung])}
                  >
                    {texts.takeOut}
                  </Button>
                )}
                {!on && meter.metering.state !== 'measuring' && (
                  <Button
                    onClick={() => setActive(rung)}
                    aria-label={`${reading ? texts.measureAgain : texts.measure}: ${RUNGS[rung]}`}
                  >
                    {reading ? texts.again : texts.measure}
                  </Button>
                )}
              </Box>
              {on && (
                <>
                  <Typography variant="body2">{what}</Typography>
                  {caution && (
                    <Alert severity="warning" sx={{ my: 1 }}>
                      {caution}
                    </Alert>
                  )}
                  <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', my: 1 }}>
                    <TextField
                      label={texts.gainSetDb}
                      value={gain}
                      placeholder={assumed === undefined ? '' : assumed.toFixed(1)}
                      error={gain.trim() !== '' && !Number.isFinite(numberIn(gain))}
                      onChange={(event) => setGain(event.target.value)}
                      slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
                      sx={{ width: 130 }}
                    />
                  </Box>
                  <MeasureControl
                    meter={meter}
                    seconds={SECONDS}
                    simulated={() =>
                      simulatedPath(rig, line.id, {
                        seconds: SECONDS,
                        rung,
                        on: (document.units ?? []).map(({ id }) => id),
                        ...(rung !== 'gain-down' && before !== undefined && { gain: before }),
                        seed: `${rung} ${readings.filter((each) => each.rung === rung).length}`,
                      })
                    }
                  />
                </>
              )}
            </Box>
          );
        })}
      </Box>
      {refusal && (
        <Alert severity="error" sx={{ mt: 2 }}>
          {refusal}
        </Alert>
      )}
      {result && <LadderResultView result={result} />}
      {result && (
        <Button variant="contained" onClick={() => void keep()} sx={{ mt: 2 }}>
          {texts.keepThisLadder}
        </Button>
      )}
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {failed}
        </Alert>
      )}
    </>
  );
}
