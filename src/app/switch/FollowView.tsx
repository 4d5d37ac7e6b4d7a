'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import { useCallback, useState } from 'react';
import { schoolsOf, type RigDocument } from '@/core/rig';
import type { Found, Session } from '@/core/runsheet';
import { MonitorsMoved } from './MonitorsMoved';
import { BackDialog } from './BackDialog';
import { Disturbed } from './Disturbed';
import { FinishedView } from './FinishedView';
import { LeftOutList } from './LeftOutList';
import { NextHere } from './NextHere';
import { StepList } from './StepList';
import type { Switching } from './useSwitching';
import { followView as text } from './texts';

interface Props {
  document: RigDocument;
  switching: Switching;
  /** Where one stands; empty for somebody who goes everywhere. */
  here: string;
  onHere: (place: string) => void;
  onFound: (what: Found) => void;
  onNew: () => void;
  onLines: () => void;
  /** Shows the rig as it is now. */
  onRig: () => void;
}

/** A sheet that is being followed, or is done: what is next, what was left out, and what is to come. */
export function FollowView({ document, switching, here, onHere, onFound, onNew, onLines, onRig }: Props) {
  const { live, wall, offset, busy, tell } = switching;
  const { rig, session } = live;
  const [back, setBack] = useState<number>();
  const following = session.steps.length > 0;
  const move = useCallback((from: number, to: number) => void tell({ report: 'move', from, to }), [tell]);
  const goBack = (to: number) => {
    setBack(undefined);
    void tell({ report: 'back', to });
  };
  return (
    <>
      <Box sx={{ display: 'flex', gap: 0.5, px: { xs: 1, md: '27px' }, pt: 1, flexWrap: 'wrap' }}>
        <Button onClick={onNew}>{text.newSheet}</Button>
        <Button onClick={onLines}>{text.lineCheck}</Button>
        <Button onClick={onRig} sx={{ display: { lg: 'none' } }}>
          {text.theRigNow}
        </Button>
      </Box>
      {session.refused.map((each) => (
        <Alert key={each.why} severity="error" sx={{ mx: { xs: 2, md: 4 }, mt: 1 }}>
          {each.why} {'group' in each ? refusedText(session, each.group) : text.itStaysOff}
        </Alert>
      ))}
      {session.disturbed.length > 0 && following && <Disturbed rig={rig} lines={session.disturbed} />}
      {following && (
        <Box sx={{ px: { xs: 2, md: 4 } }}>
          <MonitorsMoved rig={rig} steps={[...session.done, ...session.steps]} />
        </Box>
      )}
      {following ? (
        <NextHere switching={switching} here={here} onHere={onHere} onFound={onFound} onRig={onRig} />
      ) : (
        <FinishedView
          rig={rig}
          session={session}
          schools={schoolsOf(document)}
          offset={offset}
          wall={wall}
          onNew={onNew}
          onLines={onLines}
        />
      )}
      <LeftOutList
        id={switching.id}
        rig={rig}
        session={session}
        busy={busy}
        onRetry={(left) => void tell({ report: 'retry', left })}
      />
      <StepList here={here} wall={wall} rig={rig} session={session} onMove={move} onBack={setBack} />
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

/** What becomes of a switch that would harm a line. */
function refusedText({ state, aim }: Session, group: string): string {
  if (aim?.stuck.includes(group)) return text.thisSwitchWontTurnOff;
  return state.feeds[group].feed === 'off' ? text.itStaysOff : text.thisSheetTurnsItOff;
}
