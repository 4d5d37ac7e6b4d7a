'use client';

import Box from '@mui/material/Box';
import Snackbar from '@mui/material/Snackbar';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useCallback, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { KeptLadder, KeptMeasurement } from '@/core/noise/kept';
import { schoolsOf } from '@/core/rig';
import type { SavedHunt } from '@/store/noise';
import { StaleNotice } from '@/ui/rig/StaleNotice';
import { savingText } from '@/ui/rig/savingText';
import { useAnswer, useDesk } from '@/ui/rig/useDesk';
import { useRig, type SavedRig } from '@/ui/rig/useRig';
import { BarHeading, UndoRedo } from '@/ui/shell/barParts';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { SchemeButton } from '@/ui/shell/SchemeButton';
import { useStored } from '@/ui/shell/useStored';
import { startNoiseDesk } from '@/workers/noiseWorker';
import { BudgetView } from './BudgetView';
import { FloorList } from './FloorList';
import { HuntTab } from './HuntTab';
import { KeptPanel } from './KeptPanel';
import { LadderView } from './LadderView';
import { MeasureView } from './MeasureView';
import type { SineReads } from './scales';
import { useBudgetQuestion, useFloors } from './useFloors';

const TABS = [
  { value: 'budget', label: 'Level and budget' },
  { value: 'measure', label: 'Measure' },
  { value: 'ladder', label: 'Ladder' },
  { value: 'hunt', label: 'Hunt' },
] as const;
type NoiseTab = (typeof TABS)[number]['value'];

interface Props {
  saved: SavedRig;
  kept: { measurements: KeptMeasurement[]; ladders: KeptLadder[]; hunts: SavedHunt[] };
}

/** The Noise place: what lines should deliver, what they do deliver, and which part is responsible for the difference. */
export function NoisePlace({ saved, kept }: Props) {
  const rig = useRig(saved);
  const { document, revision, saving, base, both, undo, redo, settle, change } = rig;
  const [tab, setTab] = useState<NoiseTab>('budget');
  const [chosen, setChosen] = useState(document.lines[0]?.id ?? '');
  const [message, setMessage] = useState('');
  const [open, setOpen] = useState(false);
  const [measurements, setMeasurements] = useState(kept.measurements);
  const [ladders, setLadders] = useState(kept.ladders);
  const [hunts, setHunts] = useState(kept.hunts);
  const [who, setWho] = useStored('inlet-check-who', '');
  const [target, setTarget] = useStored('inlet-check-floor-target', schoolsOf(document).noiseFloor);
  const [sine, setSine] = useStored('inlet-check-sine-reads', '-3');
  const desk = useDesk(startNoiseDesk);
  const floors = useFloors(desk, document);
  const line = document.lines.find(({ id }) => id === chosen) ?? document.lines[0];
  const limit = Number(target.replace(',', '.').replace('−', '-'));
  const keep = useCallback((to: KeptMeasurement[]) => {
    setMeasurements(to);
    setMessage('Kept, with the line, the gain and the date.');
  }, []);
  const asked = useBudgetQuestion(document, line?.id);
  const { answer } = useAnswer(desk, asked, 'budget');

  useHotkeys('mod+z', () => undo?.(), { preventDefault: true }, [undo]);
  useHotkeys('mod+shift+z, mod+y', () => redo?.(), { preventDefault: true }, [redo]);

  const disputed = saving.state === 'stale' || saving.state === 'newer' ? saving : undefined;
  const common = {
    rig: saved.id,
    document,
    line: line!,
    target: Number.isFinite(limit) ? limit : -60,
    sine: sine as SineReads,
    who,
  };
  return (
    <>
      <PlaceFrame
        here="/noise"
        rig={saved.id}
        bar={
          <>
            <BarHeading rig={document.name} />
            <Typography
              variant="caption"
              role="status"
              suppressHydrationWarning
              color={saving.state === 'failed' ? 'error' : 'textSecondary'}
            >
              {savingText(saving, revision)}
            </Typography>
            <Box sx={{ ml: { md: 'auto' }, display: 'flex', alignItems: 'center' }}>
              <UndoRedo undo={undo} redo={redo} />
              <SchemeButton />
            </Box>
          </>
        }
        notice={disputed && <StaleNotice saving={disputed} base={base} mine={document} both={both} onSettle={settle} />}
        panel={
          <KeptPanel
            rig={saved.id}
            line={line}
            measurements={measurements.filter((each) => each.line === line?.id)}
            ladders={ladders.filter((each) => each.line === line?.id)}
            target={target}
            onTarget={setTarget}
            limit={common.target}
            sine={common.sine}
            onSine={setSine}
            who={who}
            onWho={setWho}
            onMeasurements={setMeasurements}
          />
        }
        panelLabel="Target and what was kept"
        panelWidth={320}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel="Back to the noise"
      >
        <Box
          component="main"
          sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, display: 'flex', flexDirection: 'column' }}
        >
          <Box
            sx={{
              borderBottom: 1,
              borderColor: 'divider',
              px: 1,
              bgcolor: 'background.paper',
              display: 'flex',
              alignItems: 'center',
            }}
          >
            <Tabs
              value={tab}
              onChange={(_, to: NoiseTab) => setTab(to)}
              aria-label="Parts of the noise place"
              variant="scrollable"
              scrollButtons={false}
              sx={{ minHeight: 38, '& .MuiTab-root': { minHeight: 38, py: 0.5 } }}
            >
              {TABS.map(({ value, label }) => (
                <Tab key={value} value={value} label={label} id={`tab-${value}`} aria-controls={`view-${value}`} />
              ))}
            </Tabs>
            <Box
              component="button"
              onClick={() => setOpen(true)}
              sx={{
                display: { lg: 'none' },
                ml: 'auto',
                border: 0,
                bgcolor: 'transparent',
                color: 'primary.main',
                font: 'inherit',
                fontWeight: 600,
                whiteSpace: 'nowrap',
                cursor: 'pointer',
              }}
            >
              Target, kept
            </Box>
          </Box>
          {line ? (
            <Box
              role="tabpanel"
              id={`view-${tab}`}
              aria-labelledby={`tab-${tab}`}
              tabIndex={0}
              sx={{
                flex: 1,
                minHeight: 0,
                display: 'grid',
                gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: '216px minmax(0, 1fr)' },
                gridTemplateRows: { xs: 'auto 1fr', md: 'minmax(0, 1fr)' },
                '&:focus-visible': { outlineOffset: -2 },
              }}
            >
              <FloorList
                lines={document.lines}
                floors={floors}
                chosen={line.id}
                target={common.target}
                onChoose={setChosen}
              />
              <Box sx={{ minWidth: 0, overflowY: { md: 'auto' }, px: 2, pb: 4 }}>
                {tab === 'budget' && (
                  <BudgetView key={line.id} {...common} desk={desk} onChange={change} onTold={setMessage} />
                )}
                {tab === 'measure' && <MeasureView key={line.id} {...common} desk={desk} onKept={keep} />}
                {tab === 'ladder' && (
                  <LadderView
                    key={line.id}
                    {...common}
                    answer={answer}
                    onKept={(to) => {
                      setLadders(to);
                      setMessage('The ladder is kept.');
                    }}
                  />
                )}
                {tab === 'hunt' && <HuntTab {...common} desk={desk} hunts={hunts} onHunts={setHunts} />}
              </Box>
            </Box>
          ) : (
            <Typography sx={{ p: 2 }}>
              No lines yet. Add one in the Rig place; then its level and noise are here.
            </Typography>
          )}
        </Box>
      </PlaceFrame>
      <Snackbar open={Boolean(message)} autoHideDuration={6000} onClose={() => setMessage('')} message={message} />
    </>
  );
}
