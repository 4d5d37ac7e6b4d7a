'use client';

import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import type { ActionCourse } from '@/core/rigcheck';
import type { RigDocument } from '@/core/rig';
import { feedLabel, highestOf, type FeedName } from '@/core/standards/feeds';
import type { SheetRig, Step } from '@/core/runsheet';
import { quantity } from '@/core/units/format';
import { useAnswer, useWorker } from '@/ui/rig/useWorker';
import { startSwitchWorker } from '@/workers/switchWorker';
import { MomentChart } from './MomentChart';

interface Props {
  document: RigDocument;
  rig: SheetRig;
  /** The step whose line and switch are looked at first. */
  step?: Step;
}

/** Why the order matters: one line while its switch turns, as the sheet has it and done wrong. */
export function MomentPanel({ document, rig, step }: Props) {
  const worker = useWorker(startSwitchWorker);
  const fed = useMemo(() => rig.lines.filter(({ groups }) => groups.some((key) => offersOf(rig, key))), [rig]);
  const suggested = suggestion(rig, step);
  const [wanted, setWanted] = useState<string>();
  const [turned, setTurned] = useState<'on' | 'off'>();
  const line = fed.find(({ id }) => id === (wanted ?? suggested.line)) ?? fed[0];
  const key = line?.groups.find((each) => each === suggested.group) ?? line?.groups[0];
  const group = rig.groups.find((each) => each.key === key);
  const action = turned ?? suggested.action;
  const feed =
    group &&
    (suggested.feed && group.offers.includes(suggested.feed as never) ? suggested.feed : highestOf(group.offers));
  const question = useMemo(
    () =>
      line && group && feed
        ? ({
            ask: 'course',
            document,
            line: line.id,
            device: group.device,
            group: group.key.slice(group.device.length + 1),
            feed,
            action,
          } as const)
        : undefined,
    [document, line, group, feed, action],
  );
  const { answer, failed, busy } = useAnswer(worker, question, 'course');
  if (!line || !group || !feed)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ p: 2 }}>
        No line of this rig is on a switch that feeds it.
      </Typography>
    );
  const course = busy ? undefined : answer?.course;
  return (
    <Box sx={{ px: 2, py: 1.5 }}>
      <TextField
        select
        fullWidth
        label="Line"
        value={line.id}
        onChange={(event) => setWanted(event.target.value)}
        sx={{ mt: 0.5 }}
      >
        {fed.map(({ id, name }) => (
          <MenuItem key={id} value={id}>
            {name}
          </MenuItem>
        ))}
      </TextField>
      <ToggleButtonGroup
        exclusive
        size="small"
        value={action}
        onChange={(_, to: 'on' | 'off' | null) => to && setTurned(to)}
        aria-label="Way the switch turns"
        sx={{ my: 1.25 }}
      >
        <ToggleButton value="on">
          {group.name} to {feedLabel(feed)}
        </ToggleButton>
        <ToggleButton value="off">off</ToggleButton>
      </ToggleButtonGroup>
      {failed && <Typography color="error">{failed}</Typography>}
      {!failed && !course && (
        <Typography variant="body2">
          {busy ? 'Following the circuit …' : 'This feed does not reach the line.'}
        </Typography>
      )}
      {course && (
        <>
          <MomentChart course={course} of="source" title="Voltage across the source" />
          <MomentChart course={course} of="inlet" title="Step at the inlet" />
          <CourseWords course={course} />
        </>
      )}
    </Box>
  );
}

function CourseWords({ course: { right, wrong, gain, action, feed } }: { course: ActionCourse }) {
  return (
    <>
      <Typography variant="body2" sx={{ mt: 1 }}>
        <strong>Done in order:</strong> {quantity(right.source, 'V')} at most across the source,{' '}
        {quantity(right.inlet, 'V')} at the inlet. Muted, it is not heard in the mix.
      </Typography>
      <Typography variant="body2" sx={{ mt: 0.75 }}>
        <strong>
          {action === 'on' ? 'Hot-plugged' : 'Pulled hot'} at {feedLabel(feed)}, unmuted:
        </strong>{' '}
        {quantity(wrong.source, 'V')} across the source, {quantity(wrong.inlet, 'V')} at the inlet. At{' '}
        {quantity(gain, 'dB')} of gain that is{' '}
        {wrong.heard > 0
          ? `${quantity(wrong.heard, 'dB')} over full scale. Anyone listening gets all of it.`
          : `${quantity(wrong.heard, 'dBFS')}.`}
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
        Computed from the circuit. How long a plug stays in each position, and what the feed&apos;s own filter holds,
        are common practice or assumed. A loud step can hurt ears.
      </Typography>
    </>
  );
}

const offersOf = ({ groups }: SheetRig, key: string): boolean =>
  (groups.find((group) => group.key === key)?.offers.length ?? 0) > 0;

/** What the next step suggests to look at. */
function suggestion(
  rig: SheetRig,
  step: Step | undefined,
): { line?: string; group?: string; feed?: FeedName; action: 'on' | 'off' } {
  if (!step) return { action: 'on' };
  const { action } = step;
  if (action.do === 'feed') {
    const line = rig.lines.find(({ groups }) => groups.includes(action.group))?.id;
    return action.to === 'off'
      ? { line, group: action.group, action: 'off' }
      : { line, group: action.group, feed: action.to, action: 'on' };
  }
  const line = 'line' in action ? action.line : 'lines' in action ? action.lines[0] : undefined;
  return { line, action: action.do === 'unplug' || action.do === 'mute' ? 'off' : 'on' };
}
