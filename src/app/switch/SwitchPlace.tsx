'use client';

import type { SavedRig } from '@/core/rig';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import { useCallback, useEffect, useRef, useState } from 'react';
import { checkable, dangers, type Aim, type Found } from '@/core/runsheet';
import { RigNotice } from '@/ui/rig/RigNotice';
import { useRig } from '@/ui/rig/useRig';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { useDraft } from '@/ui/shell/useDraft';
import { useStored } from '@/ui/shell/useStored';
import { AimView, type Chosen } from './AimView';
import { ChangedNotice } from './ChangedNotice';
import { allowChime } from './chime';
import { FollowView } from './FollowView';
import { LineCheckView, type Checking } from './LineCheckView';
import { MomentPanel } from './MomentPanel';
import { RigNow } from './RigNow';
import { StartView } from './StartView';
import { SwitchBar } from './SwitchBar';
import { DifferencesView } from './DifferencesView';
import { useBeside } from './useBeside';
import { useDifferences } from './useDifferences';
import type { LiveSheet } from './heard';
import { useSwitching } from './useSwitching';
import { switchPlace as texts } from './texts';

type Showing = 'sheet' | 'aim' | 'start' | 'differs' | 'lines';

const NOTHING_CHOSEN: Chosen = {};
const NOT_CHECKING: Checking = {};

/** The Switch place: one step at a time, for set-up, change-over and strike. */
export function SwitchPlace({ saved, sheet }: { saved: SavedRig; sheet: LiveSheet }) {
  const [who, setWho] = useStored('inlet-check-who', '');
  const rig = useRig(saved);
  const { document } = rig;
  const switching = useSwitching(saved.id, sheet, who);
  const { live, offset, link, problem, busy, tell, dismiss } = switching;
  const { session } = live;
  // Everybody stands somewhere: two tabs of one browser may be two people.
  const [here, setHere] = useDraft(`here ${saved.id}`, '');
  const nextHere = session.steps.find(({ place }) => !here || place === here);
  const [asked, setAsked] = useState<Showing>();
  const [checking, setChecking] = useDraft<Checking>(`checking ${saved.id}`, NOT_CHECKING);
  const [chosen, setChosen] = useDraft<Chosen>(`aim ${saved.id}`, NOTHING_CHOSEN);
  const [panel, setPanel] = useState<'now' | 'why'>('now');
  const [open, setOpen] = useState(false);
  const beside = useBeside(rig, switching, () => {
    setAsked(undefined);
    setChosen(NOTHING_CHOSEN);
  });
  const following = session.steps.length > 0;
  const any = live.rig.lines.length > 0;
  const listening = checking.open && checkable(live.rig, session.state).length > 0;
  const showing: Showing =
    live.version === 0 || !any ? 'start' : (asked ?? (listening ? 'lines' : session.aim ? 'sheet' : 'aim'));
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
    if (!(await tell({ report: 'begin', aim }))) return;
    setAsked(undefined);
    setChosen(NOTHING_CHOSEN);
  };
  const found = useCallback((what: Found) => void tell({ report: 'found', what }), [tell]);
  const disputed = rig.saving.state === 'stale' || rig.saving.state === 'newer' || rig.saving.state === 'removed';
  return (
    <>
      <PlaceFrame
        here="/switch"
        rig={saved.id}
        bar={<SwitchBar rig={saved.id} name={document.name} link={link} who={who} onWho={setWho} />}
        notice={
          disputed ? (
            <RigNotice rig={rig} />
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
              aria-label={texts.besideTheSheet}
              sx={{
                borderBottom: 1,
                borderColor: 'divider',
                minHeight: { xs: 44, md: 38 },
                '& .MuiTab-root': { minHeight: { xs: 44, md: 38 }, py: 0.5 },
              }}
            >
              <Tab value="now" label={texts.theRigNow} />
              <Tab value="why" label={texts.whatHappensNow} />
            </Tabs>
            {panel === 'now' ? (
              <RigNow rig={live.rig} state={session.state} offset={offset} onFound={found} />
            ) : (
              <MomentPanel document={document} rig={live.rig} step={nextHere} />
            )}
          </>
        }
        panelLabel={texts.besideTheSheet}
        panelWidth={376}
        open={open}
        onClose={() => setOpen(false)}
        closeLabel={texts.backToTheSheet}
      >
        <Box
          component="main"
          id="sheet"
          tabIndex={-1}
          sx={{ gridArea: 'sheet', minWidth: 0, minHeight: 0, overflowY: { md: 'auto' } }}
        >
          {asking && (
            <DifferencesView
              key={untold.map(({ line }) => line).join()}
              draft={`differences ${saved.id} ${rig.revision.number}`}
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
              chosen={chosen}
              onChosen={setChosen}
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
              checking={checking}
              onChecking={setChecking}
              busy={busy}
              onChecked={(line, bad, note) => tell({ report: 'checked', line, bad, ...(note && { note }) })}
            />
          )}
          {!asking && (showing === 'sheet' || showing === 'differs') && (
            <FollowView
              document={document}
              switching={switching}
              here={here}
              onHere={setHere}
              onFound={found}
              onNew={() => setAsked('aim')}
              onLines={() => {
                setAsked(undefined);
                setChecking((from) => ({ ...from, open: true }));
              }}
              onRig={() => {
                setPanel('now');
                setOpen(true);
              }}
            />
          )}
        </Box>
      </PlaceFrame>
    </>
  );
}
