'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import { schoolsOf, type RigDocument } from '@/core/rig';
import {
  reported,
  stationsOf,
  stepWords,
  type AtPlace,
  type Found,
  type Session,
  type SheetRig,
} from '@/core/switching/sheet';
import { BackDialog } from './BackDialog';
import { FinishedView } from './FinishedView';
import { FoundDialog } from './FoundDialog';
import { LeftOutList } from './LeftOutList';
import { NotPossibleDialog } from './NotPossibleDialog';
import { DoneHere, StationStrip } from './StationStrip';
import { StepCard } from './StepCard';
import { StepList } from './StepList';
import { useTone } from './SwitchBar';
import type { WhatIsNext } from './useNextStep';
import type { Switching } from './useSwitching';

interface Props {
  document: RigDocument;
  switching: Switching;
  now: number;
  /** What is next where one stands. */
  at: WhatIsNext;
  onFound: (what: Found) => void;
  onNew: () => void;
  onLines: () => void;
  /** Shows the rig as it is now. */
  onRig: () => void;
}

/** A sheet that is being followed, or is done: what is next, what was left out, and what is to come. */
export function FollowView({ document, switching, now, at, onFound, onNew, onLines, onRig }: Props) {
  const { live, wall, busy, tell } = switching;
  const { rig, session } = live;
  const { here, setHere, stations, next, seen } = at;
  const [sound] = useTone();
  const [finding, setFinding] = useState(false);
  const [refusing, setRefusing] = useState(false);
  const [back, setBack] = useState<number>();
  const following = session.steps.length > 0;
  const places = stationsOf(session);

  const found = (what: Found) => {
    setFinding(false);
    onFound(what);
  };
  const finish = (count = 1) => {
    const shown = seen(count);
    void tell(shown ? { report: 'done', at: shown } : { report: 'done', ...(count > 1 && { count }) });
  };
  const refuse = (why: string) => {
    setRefusing(false);
    const shown = seen(1);
    void tell({ report: 'not possible', why, ...(shown && { at: shown }) });
  };
  const goBack = (to: number) => {
    setBack(undefined);
    void tell({ report: 'back', to });
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 0.5, px: { xs: 1, md: '27px' }, pt: 1, flexWrap: 'wrap' }}>
        <Button onClick={onNew}>New sheet</Button>
        <Button onClick={onLines}>Line check</Button>
        <Button onClick={onRig} sx={{ display: { lg: 'none' } }}>
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
            .map((id) => rig.lines.find((line) => line.id === id)?.name)
            .filter(Boolean)
            .join(', ')}
        </Typography>
      )}
      {following && (
        <StationStrip
          rig={rig}
          state={session.state}
          now={now || live.now}
          places={places}
          stations={stations}
          here={here}
          onHere={setHere}
        />
      )}
      {following && !next && <DoneHere here={here} places={places} onElsewhere={setHere} />}
      {next && (
        <StepCard
          rig={rig}
          session={session}
          next={next}
          here={here}
          sound={sound === 'on'}
          busy={busy}
          onDone={finish}
          onNotPossible={() => setRefusing(true)}
          onFound={(what) => (what ? found(what) : setFinding(true))}
        />
      )}
      {!next && !following && (
        <FinishedView
          rig={rig}
          session={session}
          schools={schoolsOf(document)}
          now={now}
          wall={wall}
          onNew={onNew}
          onLines={onLines}
        />
      )}
      <LeftOutList rig={rig} session={session} busy={busy} onRetry={(left) => void tell({ report: 'retry', left })} />
      <StepList
        here={here}
        wall={wall}
        rig={rig}
        session={session}
        onMove={(from, to) => void tell({ report: 'move', from, to })}
        onBack={setBack}
      />
      {finding && next && (
        <FoundDialog
          rig={rig}
          state={session.state}
          step={next.step}
          onFound={found}
          onOther={() => {
            setFinding(false);
            onRig();
          }}
          onClose={() => setFinding(false)}
        />
      )}
      {refusing && next && (
        <NotPossibleDialog
          title={stepWords(rig, session.state, next.step).title}
          drops={dropsText(rig, session, now, seen(1))}
          onWhy={refuse}
          onClose={() => setRefusing(false)}
        />
      )}
      {back !== undefined && (
        <BackDialog
          rig={rig}
          session={session}
          to={back}
          onBack={() => goBack(back)}
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
