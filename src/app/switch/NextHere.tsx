'use client';

import { useEffect, useRef, useState } from 'react';
import {
  reported,
  stationsOf,
  stepWords,
  type AtPlace,
  type Found,
  type Session,
  type SheetRig,
} from '@/core/runsheet';
import { FoundDialog } from './FoundDialog';
import { NotPossibleDialog } from './NotPossibleDialog';
import { DoneHere, StationStrip } from './StationStrip';
import { StepCard } from './StepCard';
import { useTone } from './SwitchBar';
import { useWhatIsNext } from './useNextStep';
import { useServerClock, type Switching } from './useSwitching';
import { nextHere as text } from './texts';

interface Props {
  switching: Switching;
  /** Where one stands; empty for somebody who goes everywhere. */
  here: string;
  onHere: (place: string) => void;
  onFound: (what: Found) => void;
  /** Shows the rig as it is now. */
  onRig: () => void;
}

/** Who stands where, and what is next there. Clocks run in it: nothing else of the page is drawn anew with them. */
export function NextHere({ switching: { id, live, offset, busy, tell }, here, onHere, onFound, onRig }: Props) {
  const { rig, session } = live;
  const stands = useRef(false);
  // A clock that stood is behind what the server has just said.
  const now = Math.max(useServerClock(offset, live.now, undefined, stands), live.now);
  const { stations, next, seen, counts } = useWhatIsNext(live, now, here);
  useEffect(() => {
    stands.current = !counts;
  }, [counts]);
  const [sound] = useTone();
  const [finding, setFinding] = useState(false);
  const [refusing, setRefusing] = useState(false);
  const places = stationsOf(session);

  const found = (what: Found) => {
    setFinding(false);
    onFound(what);
  };
  const finish = (count = 1) => {
    const shown = seen(count);
    void tell(shown ? { report: 'done', at: shown } : { report: 'done', ...(count > 1 && { count }) });
  };
  const refuse = (why: string, photo?: string) => {
    setRefusing(false);
    const shown = seen(1);
    void tell({ report: 'not possible', why, ...(photo && { photo }), ...(shown && { at: shown }) });
  };
  return (
    <>
      <StationStrip
        rig={rig}
        state={session.state}
        now={now}
        places={places}
        stations={stations}
        here={here}
        onHere={onHere}
      />
      {!next && <DoneHere here={here} places={places} onElsewhere={onHere} />}
      {next && (
        <StepCard
          id={id}
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
          rig={id}
          title={stepWords(rig, session.state, next.step).title}
          drops={dropsText(rig, session, now, seen(1))}
          onWhy={refuse}
          onClose={() => setRefusing(false)}
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
  const names = left.length > 3 ? text.lines(left.length) : left.map(({ name }) => `“${name}”`).join(', ');
  const steps = without.steps.length;
  return text.withoutItLeftOfYou(steps, session.steps.length, names, left.length);
}
