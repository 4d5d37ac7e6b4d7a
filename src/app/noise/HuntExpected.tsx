import Typography from '@mui/material/Typography';
import type { Hunt } from '@/core/noise/hunt';

const OF = { mains: 'the hum', whine: 'the whine' } as const;

const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const OR = new Intl.ListFormat('en-GB', { type: 'disjunction' });

/** What the mains side of the rig suggested before anything was measured: the hunt weighs it, so it is said. */
export function HuntExpected({ hunt: { expected = [], suspects } }: { hunt: Hunt }) {
  const together = (ids: readonly string[]) => {
    const names = suspects.filter(({ id }) => ids.includes(id)).map(({ name }) => name);
    return names.length > 1 ? `${AND.format(names)} together` : names.join();
  };
  const parts = (['mains', 'whine'] as const).flatMap((of) => {
    const known = expected.filter((each) => each.of === of).map(({ culprits }) => together(culprits));
    const named = known.filter(Boolean);
    return named.length ? [`${OF[of]} comes from ${OR.format(named)}`] : [];
  });
  if (parts.length === 0) return null;
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
      Calculated from the mains side, before anything was measured: {parts.join('; ')}. The hunt looks there first, but
      only measurements decide.
    </Typography>
  );
}
