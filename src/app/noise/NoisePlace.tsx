'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { FloorMeter } from '@/core/schools/schools';
import type { KeptLadder, KeptMeasurement } from '@/core/noise/kept';
import { calibrated } from '@/core/mains';
import { schoolsOf, type RigDocument, type SavedRig } from '@/core/rig';
import type { SavedHunt } from '@/store/noise';
import { TabbedPlace } from '@/ui/rig/TabbedPlace';
import { useAnswer, useWorker } from '@/ui/rig/useWorker';
import { useRig } from '@/ui/rig/useRig';
import { LateView } from '@/ui/shell/Late';
import { useAhead } from '@/ui/shell/useLate';
import { useStored } from '@/ui/shell/useStored';
import { startNoiseWorker } from '@/workers/noiseWorker';
import { BudgetView } from './BudgetView';
import { FloorList } from './FloorList';
import { KeptPanel } from './KeptPanel';
import { MainsPanel } from './mains/MainsPanel';
import type { SineReads } from './scales';
import { useBudgetQuestion, useFloors } from './useFloors';
import { useKept } from './useKept';
import { noisePlace as text } from './texts';

// The tabs beside the first one.
const loadMeasure = () => import('./MeasureView').then((file) => file.MeasureView);
const loadLadder = () => import('./LadderView').then((file) => file.LadderView);
const loadHunt = () => import('./HuntTab').then((file) => file.HuntTab);
const loadMains = () => import('./mains/MainsView').then((file) => file.MainsView);
const loadTabs = () => Promise.all([loadMeasure(), loadLadder(), loadHunt(), loadMains()]);

const TABS = [
  { value: 'budget', label: text.levelAndBudget },
  { value: 'measure', label: text.measure },
  { value: 'ladder', label: text.ladder },
  { value: 'hunt', label: text.hunt },
  { value: 'mains', label: text.mains },
] as const;
type NoiseTab = (typeof TABS)[number]['value'];

interface Props {
  saved: SavedRig;
  /** Of the first line all measurements, of the others what they are held against. */
  kept: { measurements: KeptMeasurement[]; ladders: KeptLadder[]; hunts: SavedHunt[] };
  /** The tab that is open first, by its name. */
  opens?: string;
}

/** The Noise place: what lines should deliver, what they do deliver, and which part is responsible for the difference. */
export function NoisePlace({ saved, kept, opens }: Props) {
  const rig = useRig(saved);
  const { document, change } = rig;
  const [tab, setTab] = useState<NoiseTab>(TABS.find(({ value }) => value === opens)?.value ?? 'budget');
  const [chosen, setChosen] = useState(document.lines[0]?.id ?? '');
  const [message, setMessage] = useState('');
  const [open, setOpen] = useState(false);
  const [ladders, setLadders] = useState(kept.ladders);
  const [hunts, setHunts] = useState(kept.hunts);
  const [who, setWho] = useStored('inlet-check-who', '');
  const [target, setTarget] = useStored('inlet-check-floor-target', schoolsOf(document).noiseFloor);
  const [sine, setSine] = useStored('inlet-check-sine-reads', '-3');
  const worker = useWorker(startNoiseWorker);
  useAhead(loadTabs);
  const line = document.lines.find(({ id }) => id === chosen) ?? document.lines[0];
  const { all, own, take, again: readAgain, missing } = useKept(saved.id, kept.measurements, line?.id);
  const { floors, failed, again } = useFloors(worker, document, all);
  const limit = Number(target.replace(',', '.').replace('−', '-'));
  const keep = useCallback(
    (to: KeptMeasurement[]) => {
      take(to);
      setMessage(text.keptWithTheLine);
    },
    [take],
  );
  const asked = useBudgetQuestion(document, tab === 'ladder' ? line?.id : undefined);
  const { answer } = useAnswer(worker, asked, 'budget');
  const askedMains = useMemo(
    () => (tab === 'mains' ? { ask: 'mains' as const, document } : undefined),
    [tab, document],
  );
  const { answer: mains, failed: noMains } = useAnswer(worker, askedMains, 'mains');
  const report = mains?.report;
  const askedMore = useMemo(
    () => (askedMains && report ? { ask: 'mains asks' as const, document: askedMains.document, report } : undefined),
    [askedMains, report],
  );
  const { answer: asks } = useAnswer(worker, askedMore, 'mains asks');
  // What was measured was measured on the side as it is: that is kept with it before anything changes.
  const latest = useRef(report);
  useEffect(() => {
    latest.current = report;
  });
  const changeMains = useCallback(
    (how: (from: RigDocument) => RigDocument) =>
      change((from) => how(latest.current ? calibrated(from, latest.current.readings) : from)),
    [change],
  );

  const common = {
    rig: saved.id,
    document,
    line: line!,
    target: Number.isFinite(limit) ? limit : -60,
    floorMeter: schoolsOf(document).floorMeter as FloorMeter,
    sine: sine as SineReads,
    who,
  };
  return (
    <TabbedPlace
      here="/noise"
      id={saved.id}
      rig={rig}
      tabs={TABS}
      tabsLabel={text.partsOfTheNoisePlace}
      tab={tab}
      onTab={setTab}
      beside={
        <Button
          onClick={() => setOpen(true)}
          sx={{
            display: { lg: 'none' },
            ml: 'auto',
            pl: 1.5,
            flexShrink: 0,
            whiteSpace: 'nowrap',
            // Tabs go on behind it.
            borderLeft: 1,
            borderColor: 'divider',
            borderRadius: 0,
          }}
        >
          {tab === 'mains' ? text.findings : text.targetKept}
        </Button>
      }
      panel={
        tab === 'mains' ? (
          <MainsPanel
            rig={saved.id}
            document={document}
            report={report}
            asks={asks?.asks}
            failed={noMains}
            onChange={changeMains}
            onTold={setMessage}
          />
        ) : (
          <KeptPanel
            rig={saved.id}
            line={line}
            measurements={own}
            ladders={ladders.filter((each) => each.line === line?.id)}
            target={target}
            onTarget={setTarget}
            limit={common.target}
            floorMeter={common.floorMeter}
            onFloorMeter={(floorMeter) => change((from) => ({ ...from, schools: { ...from.schools, floorMeter } }))}
            sine={common.sine}
            onSine={setSine}
            who={who}
            onWho={setWho}
            onMeasurements={take}
            onRefused={() => void readAgain()}
            missing={missing}
          />
        )
      }
      panelLabel={tab === 'mains' ? text.findingsOfTheMainsSide : text.targetAndWhatWasKept}
      panelWidth={320}
      open={open}
      onClose={() => setOpen(false)}
      closeLabel={text.backToTheNoise}
      message={message}
      onRead={() => setMessage('')}
    >
      {tab === 'mains' ? (
        <LateView load={loadMains} props={{ rig: saved.id, document, report, onChange: changeMains }} />
      ) : line ? (
        <Box
          sx={{
            height: { md: '100%' },
            display: 'grid',
            gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '216px minmax(0, 1fr)' },
            gridTemplateRows: { xs: 'auto 1fr', md: 'minmax(0, 1fr)' },
          }}
        >
          <FloorList
            lines={document.lines}
            floors={floors}
            chosen={line.id}
            target={common.target}
            floorMeter={common.floorMeter}
            onChoose={setChosen}
          />
          <Box sx={{ minWidth: 0, overflowY: { md: 'auto' }, px: 2, pb: 4 }}>
            {failed && (
              <Alert
                severity="error"
                sx={{ mt: 2 }}
                action={
                  <Button color="inherit" onClick={again}>
                    {text.tryAgain}
                  </Button>
                }
              >
                {text.theNoiseFloorsCould(failed)}
              </Alert>
            )}
            {tab === 'budget' && (
              <BudgetView
                key={line.id}
                {...common}
                measurements={own}
                worker={worker}
                onChange={change}
                onTold={setMessage}
              />
            )}
            {tab === 'measure' && (
              <LateView key={line.id} load={loadMeasure} props={{ ...common, worker, onKept: keep }} />
            )}
            {tab === 'ladder' && (
              <LateView
                key={line.id}
                load={loadLadder}
                props={{
                  ...common,
                  answer,
                  onKept: (to) => {
                    setLadders(to);
                    setMessage(text.theLadderIsKept);
                  },
                }}
              />
            )}
            {tab === 'hunt' && (
              <LateView
                load={loadHunt}
                props={{ ...common, worker, hunts, onHunts: setHunts, onChange: change, onTold: setMessage }}
              />
            )}
          </Box>
        </Box>
      ) : (
        <Typography sx={{ p: 2 }}>{text.noLinesYetAddOne}</Typography>
      )}
    </TabbedPlace>
  );
}
