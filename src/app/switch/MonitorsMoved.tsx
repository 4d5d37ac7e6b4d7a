import Typography from '@mui/material/Typography';
import { monitorsMoved, type SheetRig, type Step } from '@/core/runsheet';
import { monitorsMoved as text } from './texts';

/** Which loudspeakers and headphones a sheet turns down, and which go on playing; nothing where they have no names. */
export function MonitorsMoved({ rig, steps }: { rig: SheetRig; steps: readonly Step[] }) {
  const { down, stay } = monitorsMoved(rig, steps);
  if (down.length + stay.length === 0) return null;
  const told = [
    ...(down.length ? [text.downDuringThisSheet(down.join(', '))] : []),
    ...(stay.length ? [text.stillPlaying(stay.join(', '))] : []),
  ];
  return (
    <Typography variant="body2" sx={{ color: 'text.secondary', mt: 0.5 }}>
      {told.join(' ')}
    </Typography>
  );
}
