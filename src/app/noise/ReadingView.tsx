'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { schoolLabel } from '@/core/schools';
import type { NoiseBudget } from '@/core/noise/budget';
import type { FloorMeter } from '@/core/schools/schools';
import { floorAs, type KeptMeasurement } from '@/core/noise/kept';
import { isCertain, isComparable, surplusOf } from '@/core/noise/surplus';
import type { RigLine } from '@/core/rig';
import { DISTURBANCES, type Disturbance } from '@/core/signal';
import { digits, quantity, timeInText } from '@/core/units/format';
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
import { readingView as texts } from './texts';

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
  const whole = isComparable(reading);
  const held = budget && reading.usable ? surplusOf(reading, budget) : undefined;
  const surplus = held && isCertain(held, reading) ? held : undefined;
  const heard = heardIn(reading);
  const tooMuchGain = budget && gain !== undefined && gain > budget.plan.gainNeeded + 6;
  return (
    <Box component="section" aria-label={texts.reading} sx={{ mt: 2 }}>
      {measured.measurements.length > 1 && (
        <Box sx={{ mb: 1.5 }}>
          <Choice
            label={texts.channel}
            value={String(channel)}
            options={measured.measurements.map((_, n) => [String(n), texts.channelOf(n + 1)])}
            onChoose={(to) => setChannel(Number(to))}
          />
          {measured.pairs.map((pair) => (
            <Typography key={pair.channels.join()} variant="body2" sx={{ mt: 0.5 }}>
              {pairText(pair)}
            </Typography>
          ))}
          {measured.patterns.includes('one-channel-only') && (
            <Typography variant="body2" sx={{ mt: 0.5 }}>
              {texts.oneChannelOnlyUsually}
            </Typography>
          )}
        </Box>
      )}
      {measured.truncated && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {texts.incompleteFileSFound(timeInText(measured.seconds, 1))}
        </Alert>
      )}
      {measured.warning && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {measured.warning}
        </Alert>
      )}
      {reading.reasons.map(({ code, text }) => (
        <Alert key={code} severity="error" sx={{ mb: 1 }}>
          <strong>{texts.notUsableAsANoise}</strong> {text}
        </Alert>
      ))}
      {reading.usable && !whole && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {texts.onlyPartOfTheBand(reading.reachesHz, held !== surplus)}
        </Alert>
      )}
      {reading.usable && <LeftOut disturbances={reading.disturbances} />}
      <Figures label={texts.whatWasMeasured}>
        <Figure
          label={
            floorMeter === 'as-set' ? texts.floorRms : texts.floorRmsBySchool(schoolLabel('floorMeter', floorMeter))
          }
          value={rms(floor, sine)}
          mark={!reading.usable ? undefined : floor > target ? 'bad' : whole ? 'good' : undefined}
          note={reading.usable ? against(floor, target) : texts.notANoiseFloor}
        />
        <Figure
          label={texts.aWeighted}
          value={rms(reading.aWeightedDbfs, sine)}
          note={budget && texts.predictedAt(rms(budget.reads['a-weighted'].known, sine))}
        />
        {budget && (
          <Figure
            label={texts.predicted}
            value={rms(budget.reads[floorMeter].known, sine)}
            note={[
              ...(budget.reads[floorMeter].most - budget.reads[floorMeter].known > 0.5
                ? [texts.atMost(rms(budget.reads[floorMeter].most, sine), mostBy(budget))]
                : []),
              ...(gain === undefined ? [] : [texts.atOfGain(gain)]),
            ].join(', ')}
          />
        )}
        {surplus && (
          <Figure
            label={surplus.surplus < 0 ? texts.quieterThanPredicted : texts.louderThanPredicted}
            value={quantity(Math.abs(surplus.surplus), 'dB')}
            mark={surplus.because.length ? 'bad' : 'good'}
            note={texts.aWeightedLevel(surplus.surplusA)}
          />
        )}
      </Figures>
      {surplus && (
        <Typography sx={{ mt: 1.5, maxWidth: 720 }} aria-label={texts.whereItComes}>
          {surplus.text}
          {tooMuchGain && texts.gainIsHigher(gain - budget.plan.gainNeeded)}
        </Typography>
      )}
      {reading.clean && !surplus?.because.length && (
        <Typography variant="body2" sx={{ mt: 1.5 }}>
          {texts.aCleanRecordingNothing}
        </Typography>
      )}
      {reading.patterns.length > 0 && (
        <Box
          component="ul"
          aria-label={texts.patterns}
          sx={{ listStyle: 'none', m: 0, mt: 1.5, p: 0, borderBottom: 1, borderColor: 'divider' }}
        >
          {reading.patterns.map(({ code, what, usually, evidence }) => (
            <Box component="li" key={code} sx={{ borderTop: 1, borderColor: 'divider', py: 0.6 }}>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {what.replace(/^./, (letter) => letter.toUpperCase())}
              </Typography>
              <Typography variant="body2">{texts.usually(worded(usually))}</Typography>
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
            {texts.findOutWhy}
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
          {texts.nothingToKeep}
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
    return texts.channelIsHeardInChannel(fromChannel! + 1, fromChannel === channels[0] ? other : one, -ratioDb);
  const own = Math.abs(correlation) < 0.995 ? texts.eachWithNoise : '';
  return texts.channelsAnd(one, other, relation, own);
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
        const times = own
          .slice(0, MOST_TIMES)
          .map(({ from, to }) => texts.fromTo(timeInText(from, 1), timeInText(to, 1)));
        return (
          <div key={code}>
            <strong>{texts.leftOut}</strong>
            {texts.disturbanceAt(DISTURBANCES[code], times.join(', '), own.length - MOST_TIMES, own[0].evidence)}
          </div>
        );
      })}
    </Alert>
  );
}

const against = (level: number, target: number): string =>
  level > target ? texts.aboveTheTarget(level - target) : texts.belowTheTarget(target - level);

function AllFigures({ reading, sine }: { reading: Measured['measurements'][number]['reading']; sine: SineReads }) {
  const rows: [label: string, value: string][] = [
    [texts.samplePeak, reading.peakDbfs <= -199 ? texts.nothing : quantity(reading.peakDbfs, 'dBFS')],
    [texts.rmsAll, rms(reading.rmsDbfs, sine)],
    [texts.rmsOfTheFloor, reading.floorDbfs === null ? texts.noFloor : rms(reading.floorDbfs, sine)],
    [texts.quietest400Ms, rms(reading.quietestDbfs, sine)],
    [texts.median400Ms, rms(reading.medianDbfs, sine)],
    [texts.loudest400Ms, rms(reading.loudestDbfs, sine)],
    [texts.crestFactor, quantity(reading.crestDb, 'dB')],
    [texts.directOffset, `${digits(100 * reading.dcOffset, 4).replace(/^−(0[.,]0+)$/, '$1')} %`],
    [
      texts.mains,
      reading.mains
        ? texts.hzLines(digits(reading.mains.frequencyHz, 2), reading.mains.harmonics.length)
        : texts.noneFound,
    ],
    [
      texts.steadyTones,
      reading.tones
        .slice(0, 3)
        .map(
          ({ hz, dbfs, harmonic }) =>
            `${Math.round(hz)} Hz ${quantity(dbfs, 'dBFS')}${harmonic ? texts.orHarmonic(harmonic) : ''}`,
        )
        .join(', ') || texts.none,
    ],
    [texts.broadband, texts.slopeDbOctave(rms(reading.broadbandDbfs, sine), digits(reading.slopeDbPerOctave, 1))],
    [texts.rumbleBelow40Hz, rms(reading.rumbleDbfs, sine)],
    [
      texts.clippedZerosClicksDropouts,
      `${reading.clippedRuns} · ${reading.zeroRuns} · ${reading.clicks} · ${reading.dropouts}`,
    ],
    [texts.wordLength, reading.bits === null ? texts.noWholeNumbers : texts.bitsUsed(reading.bits)],
  ];
  return (
    <Box
      component="dl"
      aria-label={texts.allFigures}
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'auto 1fr', lg: 'auto 1fr auto 1fr' },
        columnGap: 2,
        rowGap: 0.4,
        fontSize: 'body2.fontSize',
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
