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
import { LateView } from '@/ui/shell/Late';
import { momentPanel as text } from './texts';

const loadChart = () => import('./MomentChart').then((file) => file.MomentChart);

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
        {text.noLineOfThisRig}
      </Typography>
    );
  const course = busy ? undefined : answer?.course;
  return (
    <Box sx={{ px: 2, py: 1.5 }}>
      <TextField
        select
        fullWidth
        label={text.line}
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
        aria-label={text.wayTheSwitchTurns}
        sx={{ my: 1.25 }}
      >
        <ToggleButton value="on">{text.switchTo(group.name, feedLabel(feed))}</ToggleButton>
        <ToggleButton value="off">{text.off}</ToggleButton>
      </ToggleButtonGroup>
      {failed && <Typography color="error">{failed}</Typography>}
      {!failed && !course && (
        <Typography variant="body2">{busy ? text.followingTheCircuit : text.thisFeedDoesNotReach}</Typography>
      )}
      {course && (
        <>
          <LateView
            load={loadChart}
            props={{ course, of: 'source', title: text.voltageAcrossTheSource }}
            height={168}
          />
          <LateView load={loadChart} props={{ course, of: 'inlet', title: text.stepAtTheInlet }} height={168} />
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
        <strong>{text.doneInOrder}</strong>
        {text.atMostAcrossTheSource(quantity(right.source, 'V'), quantity(right.inlet, 'V'))}
      </Typography>
      <Typography variant="body2" sx={{ mt: 0.75 }}>
        <strong>{text.atUnmuted(action, feedLabel(feed))}</strong>
        {text.acrossTheSource(quantity(wrong.source, 'V'), quantity(wrong.inlet, 'V'), gain, wrong.heard)}
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 0.75 }}>
        {text.computedFromTheCircuitHow}
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
