'use client';

import DirectionsWalkIcon from '@mui/icons-material/DirectionsWalk';
import HourglassEmptyIcon from '@mui/icons-material/HourglassEmpty';
import PlaceOutlinedIcon from '@mui/icons-material/PlaceOutlined';
import VisibilityOutlinedIcon from '@mui/icons-material/VisibilityOutlined';
import WarningAmberIcon from '@mui/icons-material/WarningAmber';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import { useSwipeable } from 'react-swipeable';
import { rulesOf, stepWords, type Found, type Session, type SheetRig, type Step } from '@/core/runsheet';
import type { NextStep } from './useNextStep';
import { WaitClock } from './WaitClock';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import { useShortcut } from '@/ui/shell/useShortcut';
import { stepCard as text } from './texts';

interface Props {
  /** Id of the rig. */
  id: string;
  rig: SheetRig;
  session: Session;
  next: NextStep;
  /** The place where one stands; empty for somebody who goes everywhere. */
  here: string;
  sound: boolean;
  busy: boolean;
  onDone: (count?: number) => void;
  onNotPossible: () => void;
  onFound: (what?: Found) => void;
}

/** The step that is next, large enough to be read at arm's length. */
export function StepCard({ id, rig, session, next, here, sound, busy, onDone, onNotPossible, onFound }: Props) {
  const { step, left, reasons, behind } = next;
  const { action } = step;
  const words = stepWords(rig, session.state, step);
  const pause = action.do === 'wait';
  const waiting = pause || left > 0;
  const ready = !busy && left <= 0 && !behind;
  const before = here || session.done.findLast(({ place }) => place !== undefined)?.place;
  // Inlets are unmuted one at a time, by ear.
  const alike = waiting || behind || action.do === 'open' ? 1 : next.alike;
  const number = session.done.length + 1;
  // What came up off with the power had nothing on it before: no wait follows.
  const cameUp =
    action.do === 'feed' && action.to === 'off' && session.state.feeds[action.group].darkSince !== undefined;
  const done = () => ready && onDone();
  useShortcut('space, enter', done, { instead: true, leavesControls: true }, [ready, onDone]);
  useShortcut('n', onNotPossible, {}, [onNotPossible]);
  useShortcut('f', () => onFound(), {}, [onFound]);
  const swipe = useSwipeable({ onSwipedLeft: done, delta: 70, preventScrollOnSwipe: true });
  const lines = linesOf(action);
  const walk = step.place !== undefined && before !== undefined && before !== step.place;
  return (
    <Box
      component="section"
      aria-label={text.theNextStep}
      {...swipe}
      sx={{ px: { xs: 2, md: 4 }, pt: { xs: 1.5, md: 3 }, pb: 2, touchAction: 'pan-y', maxWidth: 760 }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: { xs: 1, md: 1.5 } }}>
        {walk ? <DirectionsWalkIcon fontSize="small" color="primary" /> : <PlaceOutlinedIcon fontSize="small" />}
        <Typography sx={{ fontWeight: 650, fontSize: 'lead.fontSize', color: walk ? 'primary.main' : 'text.primary' }}>
          {step.place === undefined ? (before ?? text.anyPosition) : walk ? text.walkTo(step.place) : step.place}
        </Typography>
        <Typography variant="body2" color="textSecondary" sx={{ ml: 'auto', whiteSpace: 'nowrap' }} role="status">
          {text.stepOf(number, session.done.length + session.steps.length)}
        </Typography>
      </Box>
      <Typography variant="step" component="h2" sx={{ mb: 1 }}>
        {words.title}
      </Typography>
      {words.detail && (
        <Typography sx={{ fontSize: 'lead.fontSize', mb: 1 }} color="textSecondary">
          {words.detail}
        </Typography>
      )}
      {waiting && <WaitClock left={left} whole={pause ? action.seconds : 0} reasons={reasons ?? []} sound={sound} />}
      {behind && (
        <Remark icon={<HourglassEmptyIcon fontSize="small" />} label={text.firstAt(behind.place)}>
          {stepWords(rig, session.state, behind).title}
        </Remark>
      )}
      {words.look && (
        <Remark icon={<VisibilityOutlinedIcon fontSize="small" />} label={text.look}>
          {words.look}
        </Remark>
      )}
      {words.caution && (
        <Remark icon={<WarningAmberIcon fontSize="small" />} label={text.caution} caution>
          {words.caution}
        </Remark>
      )}
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 2.5 }}>
        <Button
          variant="contained"
          disabled={!ready}
          onClick={done}
          sx={{ flex: '1 1 260px', minHeight: { xs: 72, md: 60 }, fontSize: 'h1.fontSize' }}
        >
          {left > 0 || behind ? text.waiting : pause ? text.continueWord : text.done}
          <Key>{text.space}</Key>
        </Button>
        {cameUp && (
          <Button
            variant="outlined"
            disabled={!ready}
            onClick={() => onFound({ feed: action.group, is: 'off' })}
            sx={{ flex: '1 1 200px', minHeight: { xs: 72, md: 60 }, fontSize: 'large.fontSize' }}
          >
            {text.itCameUpOff}
          </Button>
        )}
        {alike > 1 && (
          <Button
            variant="outlined"
            disabled={busy}
            onClick={() => onDone(alike)}
            sx={{ minHeight: { xs: 48, md: 60 } }}
          >
            {text.markAllHereDone(alike, rulesOf(action).several)}
          </Button>
        )}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 1 }}>
        <Button onClick={() => onFound()} sx={{ minHeight: 44 }}>
          {text.itWasDifferent}
          <Key>F</Key>
        </Button>
        <Button onClick={onNotPossible} disabled={busy} sx={{ minHeight: 44 }}>
          {text.cantDo}
          <Key>N</Key>
        </Button>
        {lines.length === 1 && (
          <FindFaultLink rig={id} line={lines[0]} variant="text">
            {text.noSound}
          </FindFaultLink>
        )}
        <Typography
          variant="caption"
          color="textSecondary"
          sx={{ alignSelf: 'center', ml: 'auto', display: { xs: 'block', md: 'none' } }}
        >
          {text.orSwipeLeft}
        </Typography>
      </Box>
    </Box>
  );
}

/** Lines that a step is about, which somebody may miss the sound of. */
const linesOf = (action: Step['action']): readonly string[] =>
  'line' in action ? [action.line] : action.do === 'open' ? action.lines : [];

function Remark({
  icon,
  label,
  caution,
  children,
}: {
  icon: ReactNode;
  label: string;
  caution?: boolean;
  children: ReactNode;
}) {
  return (
    <Box
      sx={(theme) => ({
        display: 'flex',
        gap: 1,
        mt: 1,
        alignItems: 'flex-start',
        ...(caution && { color: theme.vars!.palette.verdict.Watch }),
      })}
    >
      <Box sx={{ pt: '2px' }}>{icon}</Box>
      <Typography sx={{ fontSize: 'lead.fontSize' }}>
        <Box component="span" sx={{ fontWeight: 650 }}>
          {label}:
        </Box>{' '}
        {children}
      </Typography>
    </Box>
  );
}

/** The key that does the same, where there is a keyboard. */
function Key({ children }: { children: string }) {
  return (
    <Box
      component="kbd"
      aria-hidden
      sx={{
        ml: 1,
        px: 0.75,
        fontFamily: 'inherit',
        fontSize: 'caption.fontSize',
        fontWeight: 500,
        border: 1,
        borderColor: 'currentcolor',
        borderRadius: 0.5,
        opacity: 0.7,
        display: { xs: 'none', md: 'inline' },
      }}
    >
      {children}
    </Box>
  );
}
