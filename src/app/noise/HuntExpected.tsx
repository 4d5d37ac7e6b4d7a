import Typography from '@mui/material/Typography';
import type { Hunt } from '@/core/noise/hunt';
import { huntExpected as text } from './texts';

const OF = { mains: text.theHum, whine: text.theWhine } as const;

const AND = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const OR = new Intl.ListFormat('en-GB', { type: 'disjunction' });

/** What the mains side of the rig suggested before anything was measured: the hunt weighs it, so it is said. */
export function HuntExpected({ hunt: { expected = [], suspects } }: { hunt: Hunt }) {
  const together = (ids: readonly string[]) => {
    const names = suspects.filter(({ id }) => ids.includes(id)).map(({ name }) => name);
    return names.length > 1 ? text.together(AND.format(names)) : names.join();
  };
  const parts = (['mains', 'whine'] as const).flatMap((of) => {
    const known = expected.filter((each) => each.of === of).map(({ culprits }) => together(culprits));
    const named = known.filter(Boolean);
    return named.length ? [text.comesFrom(OF[of], OR.format(named))] : [];
  });
  if (parts.length === 0) return null;
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 1.5 }}>
      {text.calculatedFromTheMainsSide(parts.join('; '))}
    </Typography>
  );
}
