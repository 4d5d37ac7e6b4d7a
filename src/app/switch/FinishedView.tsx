'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import { SCHOOLS, schoolLabel, type Schools } from '@/core/schools';
import { live, type Session, type SheetRig } from '@/core/runsheet';
import { agoText } from './durations';
import { useServerClock } from './useSwitching';
import { clockPattern } from '@/core/units/conventions';
import { finishedView as text } from './texts';

interface Props {
  rig: SheetRig;
  session: Session;
  schools: Schools;
  /** What the sheets' clock is ahead of the page's. */
  offset: number;
  /** What the clock on the wall is ahead of the sheets', in seconds. */
  wall: number;
  onNew: () => void;
  onLines: () => void;
}

const DONE = {
  'set-up': text.theSetUpIsDone,
  'change-over': text.theChangeOverIsDone,
  strike: text.theStrikeIsDone,
} as const;

/** After the last step: what is on, from when the sound may be judged, and what is to be done in breaks. */
export function FinishedView({ rig, session, schools, offset, wall, onNew, onLines }: Props) {
  const now = useServerClock(offset, session.state.now, 1);
  const { state, aim } = session;
  const on = rig.groups.filter(({ key }) => live(rig, state, key));
  const since = Math.max(0, ...on.map(({ key }) => Number(state.feeds[key].since) || 0));
  const { left = [], stuck = [] } = aim ?? {};
  const whole = left.length === 0 && stuck.length === 0 && session.refused.length === 0;
  const namesOf = (list: readonly { name: string }[]) => list.map(({ name }) => name).join('; ');
  const supplied = rig.lines.filter(({ id }) => state.supplies[id] && state.supplies[id].on !== false);
  const judged = rig.judging !== undefined && since > 0 ? since + rig.judging : 0;
  return (
    <Box component="section" aria-label={text.theSheetIsDone} sx={{ px: { xs: 2, md: 4 }, py: 3, maxWidth: 720 }}>
      <Typography variant="step" component="h2" sx={{ mb: 1 }}>
        {DONE[aim?.kind ?? 'set-up']}
        {!whole && text.butNotAllOfIt}
      </Typography>
      {stuck.length > 0 && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {text.couldNotBeSwitched(namesOf(rig.groups.filter(({ key }) => stuck.includes(key))))}
        </Alert>
      )}
      {left.length > 0 && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {text.leftAsTheyAre(namesOf(rig.lines.filter(({ id }) => left.includes(id))))}
        </Alert>
      )}
      {judged > now && now > 0 && (
        <Typography sx={{ fontSize: 'lead.fontSize', mb: 1 }} role="status">
          {text.dontJudgeSoundBeforeCapsules(
            dayjs.unix(judged + wall).format(clockPattern('with seconds')),
            agoText(judged - now),
          )}
        </Typography>
      )}
      <Typography color="textSecondary" sx={{ mb: 2 }}>
        {on.length
          ? text.onInBreaks(
              on.map(({ name }) => name).join('; '),
              schoolLabel('betweenTakes', schools.betweenTakes),
              SCHOOLS.betweenTakes.why.toLowerCase().replace(/\.$/, ''),
            )
          : text.everyInletFeedIsOff(supplied.length ? text.stillOnOrNotKnown(namesOf(supplied)) : '')}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        {aim?.kind !== 'strike' && (
          <Button variant="contained" onClick={onLines} sx={{ minHeight: 52, px: 3 }}>
            {text.lineCheck}
          </Button>
        )}
        <Button
          variant={aim?.kind === 'strike' ? 'contained' : 'outlined'}
          onClick={onNew}
          sx={{ minHeight: 52, px: 3 }}
        >
          {text.newRunSheet}
        </Button>
      </Box>
    </Box>
  );
}
