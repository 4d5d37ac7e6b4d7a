'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState } from 'react';
import { componentsOf } from '@/core/noise/components';
import { withMainsEdit } from '@/core/mains';
import { stepSpectrum, type NextStep } from '@/core/noise/hunt';
import { startsAtLink, type RigDocument, type Unit } from '@/core/rig';
import type { SavedHunt } from '@/store/noise';
import { ask } from '@/ui/shell/ask';
import { useAnswer } from '@/ui/rig/useWorker';
import type { NoiseWorker } from '@/workers/noiseWorker';
import { AccountList } from './AccountList';
import { HuntDifference } from './HuntDifference';
import { HuntExpected } from './HuntExpected';
import { HuntSteps } from './HuntSteps';
import { MeasureControl } from './MeasureControl';
import type { SineReads } from './scales';
import { simulatedPath } from './simulatedPath';
import { useMeter, type Measured } from './useMeter';
import { huntBoard as texts } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  saved: SavedHunt;
  sine: SineReads;
  who: string;
  worker: () => NoiseWorker;
  onHunt: (hunt: SavedHunt) => void;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** Seconds that a step is recorded for. */
const SECONDS = 6;

/** A hunt that goes on: what to turn, the measurement, what is known so far. */
export function HuntBoard({ rig, document, saved, sine, who, worker, onHunt, onChange, onTold }: Props) {
  const { hunt, version, id } = saved;
  const question = useMemo(() => ({ ask: 'hunt' as const, hunt, document }), [hunt, document]);
  const { answer, failed, busy } = useAnswer(worker, question, 'hunt');
  const view = busy ? undefined : answer?.view;
  const [own, setOwn] = useState<string[]>();
  const [problem, setProblem] = useState('');
  const on = own ?? view?.next?.on;
  const tell = useCallback(
    async (change: object) => {
      const asked = await ask<SavedHunt>(`/api/rigs/${rig}/hunts/${id}`, {
        method: 'POST',
        json: { version, who, ...change },
      });
      const now = asked.body ?? (asked.error?.current as SavedHunt | undefined);
      if (now) onHunt(now);
      if (asked.status === undefined) return setProblem(texts.noConnectionNothingWasMeasured);
      setProblem(asked.failed ?? '');
      setOwn(undefined);
    },
    [rig, id, version, who, onHunt],
  );
  const take = useCallback(
    (measured: Measured) => {
      const [measurement] = measured.measurements;
      const { reading } = measurement;
      if (!reading.usable) {
        setProblem(texts.notTaken(reading.reasons.map(({ text }) => text).join(' ')));
        return;
      }
      void tell({ step: { on, components: componentsOf(reading), spectrum: stepSpectrum(measurement) } });
    },
    [on, tell],
  );
  const meter = useMeter(take);
  const router = useRouter();
  const toShop = async (suspect: string) => {
    const unit = document.units?.find((each) => each.id === suspect);
    const item = itemOf(document, unit);
    const name = hunt.suspects.find((each) => each.id === suspect)?.name ?? suspect;
    const { body, failed: why } = await ask<{ id: number }>('/api/shop', {
      method: 'POST',
      json: { rig, hunt: id, suspect, unit: name, ...(item && { item }) },
    });
    if (body) router.push(`/kit/shop?record=${body.id}`);
    else setProblem(why ?? '');
  };
  return (
    <>
      {failed && <Alert severity="error">{failed}</Alert>}
      {!view && !failed && <Typography role="status">{texts.weighingWhoIsLeft}</Typography>}
      {view?.next || own ? (
        <NextCard
          hunt={hunt}
          next={view?.next}
          on={on!}
          onChoose={setOwn}
          own={own !== undefined}
          count={hunt.steps.length + 1}
        >
          <MeasureControl
            meter={meter}
            seconds={SECONDS}
            simulated={() => simulatedPath(rig, hunt.line, { seconds: SECONDS, on, seed: `${hunt.steps.length}` })}
          />
        </NextCard>
      ) : (
        view && (
          <Alert severity="success" sx={{ mb: 2 }}>
            {texts.doneAfterMeasurementsResultBelow(hunt.steps.length)}
            <Button size="small" onClick={() => setOwn(hunt.steps.at(-1)?.on ?? [])}>
              {texts.measureAgainAnyway}
            </Button>
          </Alert>
        )
      )}
      {problem && (
        <Alert severity="error" sx={{ mt: 1 }} onClose={() => setProblem('')}>
          {problem}
        </Alert>
      )}
      <HuntExpected hunt={hunt} />
      {view && view.accounts.length > 0 && (
        <AccountList
          accounts={view.accounts}
          open={view.open}
          suspects={hunt.suspects}
          sine={sine}
          done={!view.next}
          onShop={(suspect) => void toShop(suspect)}
        />
      )}
      {view && !view.next && answer?.difference && (
        <HuntDifference
          difference={answer.difference}
          onTake={(edit) => {
            onChange((from) => withMainsEdit(from, edit));
            onTold(texts.keptWithTheRig);
          }}
        />
      )}
      <HuntSteps hunt={hunt} />
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1.5 }}>
        {hunt.steps.length > 0 && (
          <Button variant="outlined" onClick={() => void tell({ undo: true })}>
            {texts.undoTheLastMeasurement}
          </Button>
        )}
        <Button variant="outlined" component={NextLink} prefetch={false} href={`/noise/hunt?rig=${rig}&hunt=${id}`}>
          {texts.asAPageToShare}
        </Button>
      </Box>
    </>
  );
}

/** The item of the kit that a unit is: its device, or the source of its line. */
function itemOf({ devices, lines }: RigDocument, unit: Unit | undefined): string | undefined {
  const line = lines.find(({ id }) => id === unit?.line);
  return (
    devices.find(({ id }) => id === unit?.device)?.item ?? (line && !startsAtLink(line) ? line.source.item : undefined)
  );
}

function NextCard(props: {
  hunt: SavedHunt['hunt'];
  next?: NextStep;
  on: string[];
  own: boolean;
  count: number;
  onChoose: (on: string[] | undefined) => void;
  children: React.ReactNode;
}) {
  const { hunt, next, on, own, count, onChoose, children } = props;
  const names = (ids: readonly string[]) =>
    hunt.suspects
      .filter(({ id }) => ids.includes(id))
      .map(({ name }) => name)
      .join(', ');
  const before = hunt.steps.at(-1)?.on ?? hunt.suspects.map(({ id }) => id);
  const turnOn = on.filter((id) => !before.includes(id));
  const turnOff = before.filter((id) => !on.includes(id));
  return (
    <Box
      component="section"
      aria-label={texts.nextMeasurement}
      sx={{ border: 1, borderColor: 'divider', p: 1.5, bgcolor: 'background.paper' }}
    >
      <Typography variant="h3" component="h3">
        {texts.measurement(count)}
      </Typography>
      {turnOff.length > 0 && (
        <Typography>
          <strong>{texts.off}</strong> {names(turnOff)}
        </Typography>
      )}
      {turnOn.length > 0 && (
        <Typography>
          <strong>{texts.on}</strong> {names(turnOn)}
        </Typography>
      )}
      {turnOff.length + turnOn.length === 0 && <Typography>{texts.leaveEverything}</Typography>}
      <Typography variant="body2" color="textSecondary" sx={{ mb: 1 }}>
        {texts.monitorsDownWhileAnything(own || !next ? texts.yourOwnChoice : next.why)}
      </Typography>
      {children}
      <Box component="details" sx={{ mt: 1, fontSize: 'body2.fontSize' }}>
        <Box component="summary" sx={{ cursor: 'pointer', color: 'primary.main', fontWeight: 600 }}>
          {texts.onNowOfChange(on.length, hunt.suspects.length)}
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1 }}>
          {hunt.suspects.map(({ id, name, fixed }) => (
            <FormControlLabel
              key={id}
              disabled={fixed}
              control={
                <Checkbox
                  size="small"
                  checked={on.includes(id)}
                  onChange={(event) => onChoose(event.target.checked ? [...on, id] : on.filter((each) => each !== id))}
                />
              }
              label={name}
              slotProps={{ typography: { variant: 'body2' } }}
            />
          ))}
        </Box>
        {own && next && (
          <Button size="small" onClick={() => onChoose(undefined)}>
            {texts.backToTheProposal}
          </Button>
        )}
      </Box>
    </Box>
  );
}
