'use client';

import EastIcon from '@mui/icons-material/East';
import PushPinIcon from '@mui/icons-material/PushPin';
import PushPinOutlinedIcon from '@mui/icons-material/PushPinOutlined';
import Box from '@mui/material/Box';
import Checkbox from '@mui/material/Checkbox';
import IconButton from '@mui/material/IconButton';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import type { ReactNode } from 'react';
import type { LineChange } from '@/core/plan';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { changeRow as text } from './texts';

interface Tick {
  on: boolean;
  disabled: boolean;
  change: () => void;
}

interface RowProps {
  name: string;
  tick?: Tick;
  now: ReactNode;
  then: ReactNode;
  why: string;
  end?: ReactNode;
}

/** One change: what is now at the left, what is proposed beside it, and why. */
export function Row({ name, tick, now, then, why, end }: RowProps) {
  return (
    <Box
      component="li"
      aria-label={name}
      sx={{
        display: 'grid',
        columnGap: 1.5,
        alignItems: 'start',
        gridTemplateColumns: {
          xs: '34px minmax(0, 1fr) 20px minmax(0, 1fr) 34px',
          md: '34px minmax(0, 1.1fr) minmax(0, 1.1fr) 20px minmax(0, 1.2fr) minmax(0, 1.8fr) 34px',
        },
        gridTemplateAreas: {
          xs: '"tick name name name end" ". now arrow then ." ". why why why ."',
          md: '"tick name now arrow then why end"',
        },
        py: 0.6,
        borderTop: 1,
        borderColor: 'divider',
        opacity: tick && !tick.on ? 0.75 : 1,
      }}
    >
      <Box sx={{ gridArea: 'tick' }}>
        {tick && (
          <Checkbox
            size="small"
            checked={tick.on}
            disabled={tick.disabled}
            onChange={tick.change}
            slotProps={{ input: { 'aria-label': text.accept(name) } }}
            sx={{ p: 0.5, mt: -0.25 }}
          />
        )}
      </Box>
      <Typography variant="body2" sx={{ gridArea: 'name', fontWeight: 650, pt: 0.25, overflowWrap: 'anywhere' }}>
        {name}
      </Typography>
      <Box sx={{ gridArea: 'now', pt: 0.25, minWidth: 0 }}>{now}</Box>
      <EastIcon
        aria-label={text.becomes}
        role="img"
        sx={{ gridArea: 'arrow', fontSize: 15, mt: 0.6, color: 'text.secondary' }}
      />
      <Box sx={{ gridArea: 'then', pt: 0.25, minWidth: 0 }}>{then}</Box>
      <Typography variant="body2" color="textSecondary" sx={{ gridArea: 'why', pt: 0.25 }}>
        {why}
      </Typography>
      <Box sx={{ gridArea: 'end' }}>{end}</Box>
    </Box>
  );
}

interface Props {
  change: LineChange;
  tick: Tick;
  pinned: boolean;
  onPin: () => void;
}

/** What becomes of one line. */
export function ChangeRow({ change, tick, pinned, onPin }: Props) {
  const { name, from, to, putIn, takenOut, set, before, after, reason } = change;
  const moved = from?.device !== to.device || from.inlet !== to.inlet;
  return (
    <Row
      name={name}
      tick={tick}
      now={
        <Side inlet={from?.name ?? text.inAnotherLinesDirectBox} verdict={before === 'unsolved' ? undefined : before}>
          {takenOut.map((label, n) => (
            <Part key={n} label={`− ${label}`} />
          ))}
        </Side>
      }
      then={
        <Side inlet={moved ? to.name : text.theSameInlet} strong={moved} verdict={after}>
          {putIn.map((label, n) => (
            <Part key={n} label={`+ ${label}`} strong />
          ))}
          {set.map((label) => (
            <Part key={label} label={label} strong />
          ))}
        </Side>
      }
      why={reason}
      end={
        <Tooltip title={pinned ? text.pinnedHereTapToUnpin(name) : text.keepHereInEveryPlan(name)}>
          <IconButton size="small" aria-label={text.pin(name)} aria-pressed={pinned} onClick={onPin}>
            {pinned ? <PushPinIcon sx={{ fontSize: 16 }} /> : <PushPinOutlinedIcon sx={{ fontSize: 16 }} />}
          </IconButton>
        </Tooltip>
      }
    />
  );
}

interface SideProps {
  inlet: string;
  strong?: boolean;
  verdict?: LineChange['after'];
  children: ReactNode;
}

function Side({ inlet, strong, verdict, children }: SideProps) {
  return (
    <>
      {verdict && <VerdictMark verdict={verdict} />}
      <Typography variant="body2" sx={{ fontWeight: strong ? 650 : 400 }}>
        {inlet}
      </Typography>
      {children}
    </>
  );
}

const Part = ({ label, strong }: { label: string; strong?: boolean }) => (
  <Typography
    variant="body2"
    sx={{ fontWeight: strong ? 650 : 400, color: strong ? 'text.primary' : 'text.secondary' }}
  >
    {label}
  </Typography>
);
