'use client';

import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Stack from '@mui/material/Stack';
import { feedLabel } from '@/core/standards/feeds';
import type { Found, SheetRig, SheetState, Step } from '@/core/runsheet';

interface Props {
  rig: SheetRig;
  state: SheetState;
  step: Step;
  onFound: (what: Found) => void;
  onOther: () => void;
  onClose: () => void;
}

/** What is most likely otherwise than a step takes it to be; everything else is put right beside the sheet. */
export function FoundDialog({ rig, state, step, onFound, onOther, onClose }: Props) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-labelledby="found-title">
      <DialogTitle id="found-title">What did you find?</DialogTitle>
      <DialogContent>
        <Stack spacing={1}>
          {likely(rig, state, step).map(({ text, what }) => (
            <Button
              key={text}
              variant="outlined"
              onClick={() => onFound(what)}
              sx={{ minHeight: 48, justifyContent: 'flex-start', textAlign: 'left' }}
            >
              {text}
            </Button>
          ))}
          <Button onClick={onOther} sx={{ minHeight: 48, justifyContent: 'flex-start' }}>
            Something else …
          </Button>
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
      </DialogActions>
    </Dialog>
  );
}

function likely(rig: SheetRig, state: SheetState, { action, reasons }: Step): { text: string; what: Found }[] {
  const settings = (key: string) => {
    const group = rig.groups.find((each) => each.key === key)!;
    return (['off', ...group.offers] as const)
      .filter((feed) => feed !== state.feeds[key].feed)
      .map((feed) => ({
        text: `${group.name} is already ${feed === 'off' ? 'off' : `at ${feedLabel(feed)}`}`,
        what: { feed: key, is: feed },
      }));
  };
  switch (action.do) {
    case 'plug':
    case 'unplug': {
      const line = rig.lines.find(({ id }) => id === action.line)!;
      const is = action.do === 'plug';
      return [
        { text: `The plug is ${is ? 'in' : 'out'} already`, what: { line: line.id, end: action.end, is } },
        ...line.groups.flatMap(settings),
      ];
    }
    case 'feed':
      return settings(action.group);
    case 'mute':
    case 'open':
      return action.lines.length > 4
        ? []
        : action.lines.map((id) => {
            const { inlet } = rig.lines.find((line) => line.id === id)!;
            const is = action.do === 'mute';
            return { text: `${inlet} is already ${is ? 'muted' : 'unmuted'}`, what: { muted: id, is } };
          });
    // What was found of a setting is put right, and that is the step.
    case 'hand':
      return [];
    case 'supply':
      return [{ text: `It is ${action.on ? 'on' : 'off'} already`, what: { supply: action.line, is: action.on } }];
    case 'monitors':
      return [
        {
          text: `They are already ${action.to === 'open' ? 'up' : 'down'}`,
          what: { monitors: action.group, is: action.to },
        },
      ];
    case 'mains':
      return [{ text: `It is ${action.on ? 'on' : 'off'} already`, what: { mains: action.device, is: action.on } }];
    case 'wait':
      return (reasons ?? []).flatMap(({ of }) => (state.feeds[of] ? settings(of) : []));
  }
}
