'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { memo, useMemo, useState } from 'react';
import type { NoiseBudget } from '@/core/noise/budget';
import { lastTones, type KeptMeasurement } from '@/core/noise/kept';
import type { RigDocument, RigLine } from '@/core/rig';
import { applyToRig } from '@/core/rig/rigEdits';
import { schoolsOf } from '@/core/rig';
import { schoolLabel } from '@/core/schools';
import type { FloorMeter } from '@/core/schools/schools';
import { quantity } from '@/core/units/format';
import { useAnswer } from '@/ui/rig/useWorker';
import { useSame } from '@/ui/shell/useSame';
import type { NoiseWorker } from '@/workers/noiseWorker';
import { BudgetRemedies } from './BudgetRemedies';
import { Figure, Figures } from './Figure';
import { contributionName, mostBy, partNames } from './names';
import { RoomField } from './RoomField';
import { rms, type SineReads } from './scales';
import { ShareChart } from './ShareChart';
import { useBudgetQuestion } from './useFloors';
import { budgetView as text } from './texts';

interface Props {
  document: RigDocument;
  line: RigLine;
  target: number;
  floorMeter: FloorMeter;
  sine: SineReads;
  /** What was kept of this line. */
  measurements: readonly KeptMeasurement[];
  worker: () => NoiseWorker;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** What one line should deliver: gain, headroom, floor, whose noise it is, and what would better it. */
export const BudgetView = memo(function BudgetView({
  document,
  line,
  target,
  floorMeter,
  sine,
  measurements,
  worker,
  onChange,
  onTold,
}: Props) {
  const [set, setSet] = useState('');
  const gain = set.trim() === '' ? undefined : Number(set.replace(',', '.').replace('−', '-'));
  const valid = gain === undefined || (Number.isFinite(gain) && gain >= -60 && gain <= 120);
  const [counted, setCounted] = useState(true);
  const hum = useSame(useMemo(() => lastTones(measurements), [measurements]));
  const question = useBudgetQuestion(document, line.id, valid ? gain : undefined, counted ? hum : undefined);
  const { answer, failed } = useAnswer(worker, question, 'budget');
  if (failed)
    return (
      <Alert severity="error" sx={{ mt: 2 }}>
        {failed}
      </Alert>
    );
  if (!answer) return <Typography sx={{ mt: 2 }}>{text.solvingTheLine}</Typography>;
  const { budget, remedies } = answer;
  return (
    <>
      <Typography variant="h2" sx={{ mt: 2, mb: 1.5 }}>
        {line.name}
      </Typography>
      {'reason' in budget ? (
        <Alert severity="info">{budget.reason}</Alert>
      ) : (
        <>
          <LevelPlan budget={budget} target={target} floorMeter={floorMeter} sine={sine} />
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, mt: 2 }}>
            <TextField
              label={text.gainSetDb}
              value={set}
              placeholder={budget.gain.toFixed(1)}
              error={!valid}
              helperText={valid ? text.blankPlannedGain : text.from60To120}
              onChange={(event) => setSet(event.target.value)}
              slotProps={{ htmlInput: { inputMode: 'decimal' }, inputLabel: { shrink: true } }}
              sx={{ width: 130 }}
            />
            {hum && (
              <FormControlLabel
                control={
                  <Checkbox size="small" checked={counted} onChange={(event) => setCounted(event.target.checked)} />
                }
                label={text.includesTheHumMeasuredLast}
                slotProps={{ typography: { variant: 'body2' } }}
                sx={{ height: 40, mr: 0 }}
              />
            )}
            <RoomField document={document} line={line} room={budget.room} onChange={onChange} />
          </Box>
          {budget.doubts.map((doubt) => (
            <Alert key={doubt} severity="warning" sx={{ mt: 1 }}>
              {doubt}
            </Alert>
          ))}
          <Parts budget={budget} document={document} line={line} />
          <BudgetRemedies
            remedies={remedies}
            hums={budget.parts[0]?.kind === 'hum'}
            onApply={(remedy) => {
              onChange((from) => applyToRig(from, line.id, remedy.edits!));
              onTold(text.doneUndoTakesItBack(remedy.label));
            }}
          />
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
            {text.peaksByTheSchool(
              schoolLabel('peakTarget', schoolsOf(document).peakTarget),
              schoolLabel('floorMeter', floorMeter),
            )}
          </Typography>
        </>
      )}
    </>
  );
});

interface PlanProps {
  budget: NoiseBudget;
  target: number;
  floorMeter: FloorMeter;
  sine: SineReads;
}

function LevelPlan({ budget, target, floorMeter, sine }: PlanProps) {
  const { plan, headroom, gain } = budget;
  const read = budget.reads[floorMeter];
  // All of them are the floor as far as it is known; how much more it may be stands beside it once.
  const [plain, weighted] = [budget.reads['as-set'], budget.reads['a-weighted']];
  const atInlet = (dbfs: number) => dbfs - budget.dbfs + budget.level;
  const short = plan.gainNeeded > plan.gainMax + 0.5;
  const over = plan.gainNeeded < plan.gainMin - 0.5;
  return (
    <Figures label={text.levelPlan}>
      <Figure
        label={text.gain}
        value={quantity(gain, 'dB')}
        mark={short || over ? 'bad' : 'good'}
        note={
          short
            ? text.neededTheInlet(plan.gainNeeded, plan.gainMax)
            : over
              ? text.neededTheInletBegins(plan.gainNeeded, plan.gainMin)
              : text.ofGain(plan.gainMin, plan.gainMax)
        }
      />
      <Figure
        label={text.peaks}
        value={quantity(headroom.peak, 'dBFS')}
        mark={headroom.peak > 0 ? 'bad' : undefined}
        note={
          headroom.loudest === undefined
            ? text.belowFullScale(headroom.toFullScale)
            : text.beforeTheSourceClips(headroom.atSource!)
        }
      />
      <Figure
        label={text.predictedFloor}
        value={rms(read.known, sine)}
        mark={read.known > target ? 'bad' : 'good'}
        note={text.target(
          quantity(target, 'dBFS'),
          read.most - read.known > 0.5 ? text.atMost(rms(read.most, sine), mostBy(budget)) : '',
        )}
      />
      <Figure
        label={text.aWeighted}
        value={rms(weighted.known, sine)}
        note={text.weightedAtTheInlet(atInlet(weighted.known))}
      />
      <Figure
        label={text.atTheInlet}
        value={quantity(plan.inlet, 'dBu')}
        note={text.noiseBeforeTheInletClips(atInlet(plain.known), headroom.atInlet)}
      />
      <Figure
        label={text.peakToFloor}
        value={quantity(headroom.peak - plain.known, 'dB')}
        note={text.aWeightedLevel(headroom.peak - weighted.known)}
      />
    </Figures>
  );
}

function Parts({ budget, document, line }: { budget: NoiseBudget; document: RigDocument; line: RigLine }) {
  const [weighting, setWeighting] = useState<'a' | 'plain'>('a');
  const nameOf = partNames(document, line.id);
  const shares = budget.parts
    .map((part) => ({
      name: contributionName(part, nameOf),
      share: weighting === 'a' ? part.shareA : part.share,
      figure: weighting === 'a' ? quantity(part.aWeighted, 'dBu(A)') : quantity(part.level, 'dBu'),
    }))
    .sort((a, b) => b.share - a.share);
  const [first] = shares;
  return (
    <Box component="section" aria-label={text.whoseNoise} sx={{ mt: 2.5 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1.5, alignItems: 'center', mb: 0.75 }}>
        <Typography variant="h3" component="h3">
          {text.whoseNoiseOf(first.name)}
        </Typography>
        <ToggleButtonGroup
          exclusive
          size="small"
          value={weighting}
          aria-label={text.weighting}
          onChange={(_, to: 'a' | 'plain' | null) => to && setWeighting(to)}
          sx={{ ml: 'auto' }}
        >
          <ToggleButton value="a">{text.aWeighted}</ToggleButton>
          <ToggleButton value="plain">{text.unweighted}</ToggleButton>
        </ToggleButtonGroup>
      </Box>
      <ShareChart label={text.sharesOfTheNoise} shares={shares} />
      {first.share < 0.999 && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 0.75 }}>
          {text.without}
          {first.name}: {quieterBy(first.share)}.
          {shares[1] && shares[1].share < 0.999 && text.withoutOneIs(shares[1].name, quieterBy(shares[1].share))}
        </Typography>
      )}
    </Box>
  );
}

/** What is gained by taking away a part of the noise power: "20 dB quieter". */
function quieterBy(share: number): string {
  const gained = -10 * Math.log10(1 - share);
  return gained < 0.05 ? text.noChange : text.quieter(gained);
}
