import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { preview, takesAlone, trips, type Aim, type SheetOrder, type SheetRig, type SheetState } from '@/core/runsheet';
import { clockText } from './durations';
import { orderChoice as text } from './texts';

/** A sheet in one of its orders, with what it costs. */
export interface Ordered {
  order: SheetOrder;
  aim: Aim;
  made: ReturnType<typeof preview>;
  walks: number;
  /** Seconds of waiting, and of everything for one person. */
  waits: number;
  seconds: number;
}

export function ordered(rig: SheetRig, state: SheetState, aim: Aim & { order: SheetOrder }): Ordered {
  const made = preview(rig, state, aim);
  const walks = trips(made.steps);
  const waits = made.steps.reduce((sum, { action }) => sum + (action.do === 'wait' ? action.seconds : 0), 0);
  return { order: aim.order, aim, made, walks, waits, seconds: takesAlone(made.steps, walks) };
}

interface Props {
  orders: readonly Ordered[];
  picked: SheetOrder;
  onPick: (order: SheetOrder) => void;
}

const NAMES = { walks: text.fewestWalks, time: text.shortestWaits } as const;

/** Fewest walks or shortest waits, with what each costs. */
export function OrderChoice({ orders, picked, onPick }: Props) {
  return (
    <RadioGroup
      value={picked}
      onChange={(_, to) => onPick(to as SheetOrder)}
      aria-label={text.orderOfTheSteps}
      sx={{ mt: 1 }}
    >
      {orders.map(({ order, walks, waits, seconds }) => (
        <FormControlLabel
          key={order}
          value={order}
          control={<Radio size="small" />}
          label={
            <Typography variant="body2" component="span">
              <b>{NAMES[order]}</b>
              {text.minWaitingAboutMinAlone(walks, clockText(waits), Math.max(1, Math.round(seconds / 60)))}
            </Typography>
          }
        />
      ))}
    </RadioGroup>
  );
}
