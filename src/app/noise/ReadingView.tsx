'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { schoolLabel } from '@/core/schools';
import type { NoiseBudget } from '@/core/noise/budget';
import type { FloorMeter } from '@/core/schools/schools';
import { floorAs, type KeptMeasurement } from '@/core/noise/kept';
import { surplusOf } from '@/core/noise/surplus';
import type { RigLine } from '@/core/rig';
import { DISTURBANCES, type Disturbance } from '@/core/signal';
import { digits, quantity } from '@/core/units/format';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import { Choice } from '@/ui/shell/Choice';
import { CourseChart } from './CourseChart';
import { Figure, Figures } from './Figure';
import { KeepForm } from './KeepForm';
import { mostBy } from './names';
import { rms, type SineReads } from './scales';
import { SpectrumChart } from './SpectrumChart';
import type { Measured } from './useMeter';
import { worded } from '@/core/units/conventions';

interface Props {
  rig: string;
  line: RigLine;
  measured: Measured;
  budget?: NoiseBudget;
  gain?: number;
  target: number;
  floorMeter: FloorMeter;
  sine: SineReads;
  who: string;
  onKept: (measurements: KeptMeasurement[]) => void;
}

/** What a recording says: whether it is a noise floor, how loud, of what, and against what was predicted. */
export function ReadingView({ rig, line, measured, budget, gain, target, floorMeter, sine, who, onKept }: Props) {
  const [channel, setChannel] = useState(0);
  const measurement = measured.measurements[Math.min(channel, measured.measurements.length - 1)];
  const { reading } = measurement;
  const floor = floorAs(reading)[floorMeter];
  const surplus = budget && reading.usable ? surplusOf(reading, budget) : undefined;
  const heard = heardIn(reading);
  const tooMuchGain = budget && gain !== undefined && gain > budget.plan.gainNeeded + 6;
  return (
    <Box component="section" aria-label="Reading" sx={{ mt: 2 }}>
      {measured.measurements.length > 1 && (
        <Box sx={{ mb: 1.5 }}>
          <Choice
            label="Channel"
            value={String(channel)}
            options={measured.measurements.map((_, n) => [String(n), `channel ${n + 1}`])}
            onChoose={(to) => setChannel(Number(to))}
          />
          {measured.pairs.map((pair) => (
            <Typography key={pair.channels.join()} variant="body2" sx={{ mt: 0.5 }}>
              {pairText(pair)}
            </Typography>
          ))}
          {measured.patterns.includes('one-channel-only') && (
            <Typography variant="body2" sx={{ mt: 0.5 }}>
              One channel only: usually a two-contact plug in a stereo socket.
            </Typography>
          )}
        </Box>
      )}
      {measured.truncated && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          Incomplete file: {digits(measured.seconds, 1)} s found and used.
        </Alert>
      )}
      {measured.warning && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {measured.warning}
        </Alert>
      )}
      {reading.reasons.map(({ code, text }) => (
        <Alert key={code} severity="error" sx={{ mb: 1 }}>
          <strong>Not usable as a noise floor.</strong> {text}
        </Alert>
      ))}
      {reading.usable && <LeftOut disturbances={reading.disturbances} />}
      <Figures label="What was measured">
        <Figure
          label={floorMeter === 'as-set' ? 'Floor, RMS' : `Floor, RMS, ${schoolLabel('floorMeter', floorMeter)}`}
          value={rms(floor, sine)}
          mark={!reading.usable ? undefined : floor > target ? 'bad' : 'good'}
          note={reading.usable ? against(floor, target) : 'not a noise floor'}
        />
        <Figure
          label="A-weighted"
          value={rms(reading.aWeightedDbfs, sine)}
          note={budget && `predicted ${rms(budget.reads['a-weighted'].known, sine)}`}
        />
        {budget && (
          <Figure
            label="Predicted"
            value={rms(budget.reads[floorMeter].known, sine)}
            note={[
              ...(budget.reads[floorMeter].most - budget.reads[floorMeter].known > 0.5
                ? [`to ${rms(budget.reads[floorMeter].most, sine)} ${mostBy(budget)}`]
                : []),
              ...(gain === undefined ? [] : [`at ${quantity(gain, 'dB')} of gain`]),
            ].join(', ')}
          />
        )}
        {surplus && (
          <Figure
            label={surplus.surplus < 0 ? 'Quieter than predicted by' : 'Louder than predicted by'}
            value={quantity(Math.abs(surplus.surplus), 'dB')}
            mark={surplus.because.length ? 'bad' : 'good'}
            note={`${quantity(surplus.surplusA, 'dB')} A-weighted`}
          />
        )}
      </Figures>
      {surplus && (
        <Typography sx={{ mt: 1.5, maxWidth: 720 }} aria-label="Where it comes from">
          {surplus.text}
          {tooMuchGain &&
            ` Gain is ${quantity(gain - budget.plan.gainNeeded, 'dB')} higher than the peaks need. Lower it for headroom; signal and noise drop together.`}
        </Typography>
      )}
      {reading.clean && !surplus?.because.length && (
        <Typography variant="body2" sx={{ mt: 1.5 }}>
          A clean recording: nothing but the hiss and rush of the line and its room.
        </Typography>
      )}
      {reading.patterns.length > 0 && (
        <Box
          component="ul"
          aria-label="Patterns"
          sx={{ listStyle: 'none', m: 0, mt: 1.5, p: 0, borderBottom: 1, borderColor: 'divider' }}
        >
          {reading.patterns.map(({ code, what, usually, evidence }) => (
            <Box component="li" key={code} sx={{ borderTop: 1, borderColor: 'divider', py: 0.6 }}>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {what.replace(/^./, (letter) => letter.toUpperCase())}
              </Typography>
              <Typography variant="body2">Usually {worded(usually)}.</Typography>
              <Typography variant="caption" color="textSecondary">
                {evidence}
              </Typography>
            </Box>
          ))}
        </Box>
      )}
      {heard && (
        <Box sx={{ mt: 1.5 }}>
          <FindFaultLink rig={rig} line={line.id} heard={heard}>
            Find out why on this line
          </FindFaultLink>
        </Box>
      )}
      <SpectrumChart measurement={measurement} predicted={budget?.density} />
      <CourseChart measurement={measurement} target={target} />
      <AllFigures reading={reading} sine={sine} />
      {reading.usable ? (
        <KeepForm
          rig={rig}
          line={line}
          measured={measured}
          measurement={measurement}
          budget={budget}
          gain={gain}
          who={who}
          onKept={onKept}
        />
      ) : (
        <Typography variant="body2" sx={{ mt: 2 }}>
          Not a noise floor, so there is nothing to keep. Fix what is listed above and record again.
        </Typography>
      )}
    </Box>
  );
}

/** What an ear would call it, where it is one that a fault of the line makes. */
function heardIn({ reasons, disturbances, patterns, dropouts }: Measured['measurements'][number]['reading']) {
  if (reasons.some(({ code }) => code === 'silence')) return 'nothing';
  if (dropouts > 0 || [...reasons, ...disturbances].some(({ code }) => code === 'crackle')) return 'crackle';
  return patterns.some(({ code }) => HUMS.has(code)) ? 'hum' : undefined;
}
const HUMS = new Set(['magnetic-pick-up', 'rectifier-buzz']);

/** What two channels have to do with each other, in a sentence. */
function pairText({ channels, relation, correlation, ratioDb, fromChannel }: Measured['pairs'][number]): string {
  const [one, other] = channels.map((channel) => channel + 1);
  if (relation === 'crosstalk' && ratioDb !== undefined)
    return `Channel ${fromChannel! + 1} is heard in channel ${fromChannel === channels[0] ? other : one}, ${quantity(-ratioDb, 'dB')} lower: crosstalk.`;
  const own = Math.abs(correlation) < 0.995 ? ', each with noise of its own' : '';
  return `Channels ${one} and ${other}: ${relation}${own}.`;
}

/** Times of what is no floor, a few of each. */
const MOST_TIMES = 6;

/** What does not belong to the floor and is not counted with it. */
function LeftOut({ disturbances }: { disturbances: readonly Disturbance[] }) {
  if (disturbances.length === 0) return null;
  const codes = [...new Set(disturbances.map(({ code }) => code))];
  return (
    <Alert severity="info" sx={{ mb: 1 }}>
      {codes.map((code) => {
        const own = disturbances.filter((each) => each.code === code);
        const times = own.slice(0, MOST_TIMES).map(({ from, to }) => `${digits(from, 1)} to ${digits(to, 1)} s`);
        return (
          <div key={code}>
            <strong>Left out:</strong> {DISTURBANCES[code]}, {times.join(', ')}
            {own.length > MOST_TIMES && ` and ${own.length - MOST_TIMES} more`} ({own[0].evidence}).
          </div>
        );
      })}
    </Alert>
  );
}

const against = (level: number, target: number): string =>
  level > target
    ? `${quantity(level - target, 'dB')} above the target`
    : `${quantity(target - level, 'dB')} below the target`;

function AllFigures({ reading, sine }: { reading: Measured['measurements'][number]['reading']; sine: SineReads }) {
  const rows: [label: string, value: string][] = [
    ['Sample peak', reading.peakDbfs <= -199 ? 'nothing' : quantity(reading.peakDbfs, 'dBFS')],
    ['RMS, all of it', rms(reading.rmsDbfs, sine)],
    ['RMS of the floor, all frequencies', reading.floorDbfs === null ? 'no floor' : rms(reading.floorDbfs, sine)],
    ['Quietest 400 ms', rms(reading.quietestDbfs, sine)],
    ['Median 400 ms', rms(reading.medianDbfs, sine)],
    ['Loudest 400 ms', rms(reading.loudestDbfs, sine)],
    ['Crest factor', quantity(reading.crestDb, 'dB')],
    ['Direct offset', `${digits(100 * reading.dcOffset, 4).replace(/^−(0[.,]0+)$/, '$1')} %`],
    [
      'Mains',
      reading.mains
        ? `${digits(reading.mains.frequencyHz, 2)} Hz, ${reading.mains.harmonics.length} lines`
        : 'none found',
    ],
    [
      'Steady tones',
      reading.tones
        .slice(0, 3)
        .map(
          ({ hz, dbfs, harmonic }) =>
            `${Math.round(hz)} Hz ${quantity(dbfs, 'dBFS')}${harmonic ? ` (or harmonic ${harmonic})` : ''}`,
        )
        .join(', ') || 'none',
    ],
    ['Broadband', `${rms(reading.broadbandDbfs, sine)}, slope ${digits(reading.slopeDbPerOctave, 1)} dB/octave`],
    ['Rumble below 40 Hz', rms(reading.rumbleDbfs, sine)],
    [
      'Clipped · zeros · clicks · dropouts',
      `${reading.clippedRuns} · ${reading.zeroRuns} · ${reading.clicks} · ${reading.dropouts}`,
    ],
    ['Word length', reading.bits === null ? 'no whole numbers' : `${reading.bits} bits used`],
  ];
  return (
    <Box
      component="dl"
      aria-label="All figures"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'auto 1fr', lg: 'auto 1fr auto 1fr' },
        columnGap: 2,
        rowGap: 0.4,
        fontSize: '0.8125rem',
        mt: 2,
        mb: 0,
      }}
    >
      {rows.map(([label, value]) => (
        <Box key={label} sx={{ display: 'contents' }}>
          <Box component="dt" sx={{ color: 'text.secondary' }}>
            {label}
          </Box>
          <Box component="dd" sx={{ m: 0 }}>
            {value}
          </Box>
        </Box>
      ))}
    </Box>
  );
}
