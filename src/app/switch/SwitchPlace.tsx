'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import Typography from '@mui/material/Typography';
import { useEffect, useRef, useState } from 'react';
import { schoolsOf } from '@/core/rig';
import {
  dangers,
  reported,
  stationsOf,
  stepWords,
  type Aim,
  type AtPlace,
  type Found,
  type Session,
  type SheetRig,
} from '@/core/switching/sheet';
import { StaleNotice } from '@/ui/rig/StaleNotice';
import { useRig, type SavedRig } from '@/ui/rig/useRig';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { useStored } from '@/ui/shell/useStored';
import { AimView } from './AimView';
import { BackDialog } from './BackDialog';
import { ChangedNotice } from './ChangedNotice';
import { allowChime } from './chime';
import { FinishedView } from './FinishedView';
import { FoundDialog } from './FoundDialog';
import { LeftOutList } from './LeftOutList';
import { LineCheckView } from './LineCheckView';
import { MomentPanel } from './MomentPanel';
import { NotPossibleDialog } from './NotPossibleDialog';
import { RigNow } from './RigNow';
import { StartView } from './StartView';
import { DoneHere, StationStrip } from './StationStrip';
import { StepCard } from './StepCard';
import { SwitchBar, useTone } from './SwitchBar';
import { StepList } from './StepList';
import { DifferencesView } from './DifferencesView';
import { useBeside } from './useBeside';
import { useDifferences } from './useDifferences';
import { nextStep, useStations } from './useNextStep';
import { useServerClock, useSwitching, type LiveSheet } from './useSwitching';

type Showing = 'sheet' | 'aim' | 'start' | 'differs' | 'lines';

/** The Switch place: one step at a time, for set-up, change-over and strike. */
export function SwitchPlace({ saved, sheet }: { saved: SavedRig; sheet: LiveSheet }) {
  const [who, setWho] = useStored('inlet-check-who', '');
  const [sound] = useTone();
  // Everybody stands somewhere: two tabs of one browser may be two people.
  const [here, setHere] = useState('');
  const rig = useRig(saved);
  const { document } = rig;
  const switching = useSwitching(saved.id, sheet, who);
  const { live, offset, wall, link, problem, busy, tell, dismiss } = switching;
  const { session } = live;
  const now = useServerClock(offset);
  const stations = useStations(live.rig, session, now, here);
  const standing = stations.find(({ place }) => place === here);
  const next = here && !standing ? undefined : nextStep(session, now || live.now, standing);
  /** What is next where one stands, as it is shown. */
  const at = (count: number): AtPlace | undefined =>
    standing && {
      place: standing.place,
      actions: session.steps
        .filter(({ place }) => place === standing.place)
        .slice(0, count)
        .map(({ action }) => action),
    };
  const [asked, setAsked] = useState<Showing>();
  const [panel, setPanel] = useState<'now' | 'why'>('now');
  const [open, setOpen] = useState(false);
  const [finding, setFinding] = useState(false);
  const [refusing, setRefusing] = useState(false);
  const [back, setBack] = useState<number>();
  const beside = useBeside(rig, switching, () => setAsked(undefined));
  const following = session.steps.length > 0;
  const any = live.rig.lines.length > 0;
  const showing: Showing = live.version === 0 || !any ? 'start' : (asked ?? (session.aim ? 'sheet' : 'aim'));
  const changed = live.version > 0 && live.revision !== rig.revision.number && rig.saving.state === 'saved';

  const { differences, failed, again } = useDifferences(saved.id, changed, rig.revision.number, live.version);
  const untold = differences?.filter(({ line }) => !live.rig.lines.find(({ id }) => id === line)?.was) ?? [];
  const nothingDiffers = differences !== undefined && untold.length === 0;
  const asking = untold.length > 0 && (!following || asked === 'differs');

  const tried = useRef('');
  useEffect(() => {
    // Nobody is in the middle of anything, and nothing that is plugged differs: the sheet takes the rig as it is now.
    // What is refused is not asked again before something has changed.
    const of = `${rig.revision.number} ${live.version}`;
    if (!nothingDiffers || following || busy || link !== 'in step' || tried.current === of) return;
    tried.current = of;
    void tell({ report: 'adopt', seen: [], asOnPaper: [] });
  }, [nothingDiffers, following, busy, link, tell, rig.revision.number, live.version]);
  useEffect(() => {
    window.addEventListener('pointerdown', allowChime);
    window.addEventListener('keydown', allowChime);
    return () => {
      window.removeEventListener('pointerdown', allowChime);
      window.removeEventListener('keydown', allowChime);
    };
  }, []);

  const settle = async (asOnPaper: string[]) => {
    const seen = untold.map(({ line }) => line);
    if (await tell({ report: 'adopt', seen, asOnPaper })) setAsked(undefined);
  };
  const begin = async (aim: Aim) => {
    if (await tell({ report: 'begin', aim })) setAsked(undefined);
  };
  const found = (what: Found) => {
    setFinding(false);
    void tell({ report: 'found', what });
  };
  const finish = (count = 1) =>
    void tell(standing ? { report: 'done', at: at(count)! } : { report: 'done', ...(count > 1 && { count }) });
  const disputed = rig.saving.state === 'stale' || rig.saving.state === 'newer' ? rig.saving : undefined;
  return (
    <>
      <PlaceFrame
        here="/switch"
        rig={saved.id}
        bar={<SwitchBar rig={saved.id} name={document.name} link={link} who={who} onWho={setWho} />}
        notice={
          disputed ? (
            <StaleNotice saving={disputed} base={rig.base} mine={document} both={rig.both} onSettle={rig.settle} />
          ) : problem ? (
            <Alert severity="warning" onClose={dismiss} sx={{ borderRadius: 0 }}>
              {problem}
            </Alert>
          ) : (
            changed &&
            following && (
              <ChangedNotice
                differing={differences && untold}
                failed={failed}
                busy={busy}
                onAgain={again}
                onLook={() => setAsked('differs')}
                onGoOn={() => void settle([])}
              />
            )
          )
        }
        panel={
          <>
            <Tabs
              value={panel}
              onChange={(_, to: 'now' | 'why') => setPanel(to)}
              aria-label="Beside the sheet"
              sx={{
                borderBottom: 1,
                borderColor: 'divider',
                minHeight: 38,
                '& .MuiTab-root': { minHeight: 38, py: 0.5 },
              }}
            >
              <Tab value="now" label="The rig now" />
              <Tab value="why" label="What happens now" />
            </Tabs>
            {panel === 'now' ? (
              <RigNow rig={live.rig} state={session.state} now={now} onFound={found} />
            ) : (
              <MomentPanel document={document} rig={live.rig} step={session.steps[0]} />
            )}
          </>
        }
        panelLabel="Beside the sheet"
        panelWidth={376}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel="Back to the sheet"
      >
        <Box component="main" sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, overflowY: { md: 'auto' } }}>
          {asking && (
            <DifferencesView
              key={untold.map(({ line }) => line).join()}
              differences={untold}
              busy={busy}
              onSettle={(asOnPaper) => void settle(asOnPaper)}
              onCancel={following ? () => setAsked(undefined) : undefined}
            />
          )}
          {!asking &&
            dangers(live.rig, session.state).map((text) => (
              <Alert key={text} severity="error" sx={{ mx: { xs: 2, md: 4 }, mt: 1 }}>
                {text}
              </Alert>
            ))}
          {!asking && showing === 'start' && (
            <StartView
              any={any}
              busy={busy}
              onTell={async (report) => {
                if (await tell(report)) setAsked('aim');
              }}
              onCancel={live.version > 0 ? () => setAsked(undefined) : undefined}
            />
          )}
          {!asking && showing === 'aim' && (
            <AimView
              document={document}
              rig={live.rig}
              session={session}
              busy={busy || beside.busy}
              onBegin={(aim) => void begin(aim)}
              onBeside={beside.begin}
              onAnew={() => setAsked('start')}
              onCancel={session.aim ? () => setAsked(undefined) : undefined}
            />
          )}
          {!asking && showing === 'lines' && (
            <LineCheckView
              id={saved.id}
              document={document}
              rig={live.rig}
              session={session}
              busy={busy}
              onChecked={(line, bad, note) => void tell({ report: 'checked', line, bad, ...(note && { note }) })}
              onClose={() => setAsked(undefined)}
            />
          )}
          {!asking && (showing === 'sheet' || showing === 'differs') && (
            <>
              <Box sx={{ display: 'flex', gap: 0.5, px: { xs: 1, md: '27px' }, pt: 1, flexWrap: 'wrap' }}>
                <Button onClick={() => setAsked('aim')}>New sheet</Button>
                <Button onClick={() => setAsked('lines')}>Line check</Button>
                <Button onClick={() => setOpen(true)} sx={{ display: { lg: 'none' } }}>
                  The rig now
                </Button>
              </Box>
              {session.refused.map((each) => (
                <Alert key={each.why} severity="error" sx={{ mx: { xs: 2, md: 4 }, mt: 1 }}>
                  {each.why} {'group' in each ? refusedText(session, each.group) : 'It stays off.'}
                </Alert>
              ))}
              {session.disturbed.length > 0 && following && (
                <Typography variant="body2" sx={{ px: { xs: 2, md: 4 }, color: 'text.secondary' }}>
                  Muted or unpowered during this sheet:{' '}
                  {session.disturbed
                    .map((id) => live.rig.lines.find((line) => line.id === id)?.name)
                    .filter(Boolean)
                    .join(', ')}
                </Typography>
              )}
              {following && (
                <StationStrip
                  rig={live.rig}
                  state={session.state}
                  now={now || live.now}
                  places={stationsOf(session)}
                  stations={stations}
                  here={here}
                  onHere={setHere}
                />
              )}
              {following && !next && <DoneHere here={here} places={stationsOf(session)} onElsewhere={setHere} />}
              {next ? (
                <StepCard
                  rig={live.rig}
                  session={session}
                  next={next}
                  here={here}
                  sound={sound === 'on'}
                  busy={busy}
                  onDone={finish}
                  onNotPossible={() => setRefusing(true)}
                  onFound={(what) => (what ? found(what) : setFinding(true))}
                />
              ) : (
                !following && (
                  <FinishedView
                    rig={live.rig}
                    session={session}
                    schools={schoolsOf(document)}
                    now={now}
                    wall={wall}
                    onNew={() => setAsked('aim')}
                    onLines={() => setAsked('lines')}
                  />
                )
              )}
              <LeftOutList
                rig={live.rig}
                session={session}
                busy={busy}
                onRetry={(left) => void tell({ report: 'retry', left })}
              />
              <StepList
                here={here}
                wall={wall}
                rig={live.rig}
                session={session}
                onMove={(from, to) => void tell({ report: 'move', from, to })}
                onBack={setBack}
              />
            </>
          )}
        </Box>
      </PlaceFrame>
      {finding && next && (
        <FoundDialog
          rig={live.rig}
          state={session.state}
          step={next.step}
          onFound={found}
          onOther={() => {
            setFinding(false);
            setPanel('now');
            setOpen(true);
          }}
          onClose={() => setFinding(false)}
        />
      )}
      {refusing && next && (
        <NotPossibleDialog
          title={stepWords(live.rig, session.state, next.step).title}
          drops={dropsText(live.rig, session, now, at(1))}
          onWhy={(why) => {
            setRefusing(false);
            void tell({ report: 'not possible', why, ...(standing && { at: at(1) }) });
          }}
          onClose={() => setRefusing(false)}
        />
      )}
      {back !== undefined && (
        <BackDialog
          rig={live.rig}
          session={session}
          to={back}
          onBack={() => {
            setBack(undefined);
            void tell({ report: 'back', to: back });
          }}
          onClose={() => setBack(undefined)}
        />
      )}
    </>
  );
}

/** What a sheet is without its next step: how many steps are left, and whom it leaves as they are. */
function dropsText(rig: SheetRig, session: Session, now: number, at?: AtPlace): string {
  const without = reported(
    rig,
    session,
    { report: 'not possible', ...(at && { at }) },
    Math.max(now, session.state.now),
  );
  const left = rig.lines.filter(({ id }) => without.aim?.left.includes(id) && !session.aim?.left.includes(id));
  const names = left.length > 3 ? `${left.length} lines` : left.map(({ name }) => `“${name}”`).join(', ');
  const steps = without.steps.length;
  return `Without it ${steps} ${steps === 1 ? 'step is' : 'steps are'} left of ${session.steps.length}${names ? `; ${names} ${left.length === 1 ? 'stays' : 'stay'} as ${left.length === 1 ? 'it is' : 'they are'}` : ''}. You can try it again later.`;
}

/** What becomes of a switch that would harm a line. */
function refusedText({ state, aim }: Session, group: string): string {
  if (aim?.stuck.includes(group))
    return 'This switch won’t turn off. Monitors down, then switch its device off. Check 48 V is not back when it restarts.';
  return state.feeds[group].feed === 'off' ? 'It stays off.' : 'This sheet turns it off.';
}
