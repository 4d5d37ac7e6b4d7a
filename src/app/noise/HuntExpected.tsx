import Typography from '@mui/material/Typography';
import type { Hunt } from '@/core/noise/hunt';

const OF = { mains: 'the hum', whine: 'the whine' } as const;

/** What the mains side of the rig suggested before anything was measured: the hunt weighs it, so it is said. */
export function HuntExpected({ hunt: { expected = [], suspects } }: { hunt: Hunt }) {
  const names = (ids: readonly string[]) => suspects.filter(({ id }) => ids.includes(id)).map(({ name }) => name);
  const parts = (['mains', 'whine'] as const).flatMap((of) => {
    const told = expected.filter((each) => each.of === of).map(({ culprits }) => names(culprits).join(' with '));
    const known = told.filter(Boolean);
    return known.length ? [`${OF[of]}: ${known.join(', or ')}`] : [];
  });
  if (parts.length === 0) return null;
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
      Calculated from the mains side, before anything was measured, for {parts.join('; for ')}. The hunt looks there
      first, but only measurements decide.
    </Typography>
  );
}
