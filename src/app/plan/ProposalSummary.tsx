'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo } from 'react';
import { VERDICT_ORDER, type Verdict } from '@/core/check';
import { checkRig } from '@/core/rigcheck';
import type { RigDocument } from '@/core/rig';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { goalText } from './goalWords';
import type { Held } from './usePlanning';
import { digits } from '@/core/units/format';
import { proposalSummary as text } from './texts';

/** What the plan comes to, in one line, and how sure that is. */
export function Summary({ held: { proposal, seconds, stopped } }: { held: Held }) {
  const { counts, leftOut, lines, switches, same, optimal, reached } = proposal;
  const good = counts.Stop + counts.Silent === 0 && leftOut.length === 0;
  const open = reached.filter(({ value, bound }) => value > bound).flatMap((each) => goalText(each) ?? []);
  return (
    <Box sx={{ pt: 1.75 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2, rowGap: 0.5 }}>
        <Typography variant="h1" component="h2">
          {good ? text.everyLineWorks(proposal.toGet.length) : text.noPlace(leftOut.length)}
        </Typography>
        <Counts counts={counts} />
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        {text.lineChangesLinesChange(lines.length)}, {text.staysStay(same)}
        {text.as} {same === 1 ? text.itIs : text.theyAre}; {text.switchChangesSwitchesChange(switches.length)}.{' '}
        {optimal
          ? text.thisIsTheBestPatch(digits(seconds, 1))
          : text.afterSMay(
              stopped ? text.stopped : text.timeWasUp,
              digits(seconds, 1),
              open.length ? text.perhapsFewerWouldDo(open.join(', ')) : '',
            )}
      </Typography>
    </Box>
  );
}

function Counts({ counts }: { counts: Record<Verdict, number> }) {
  return (
    <Box component="span" sx={{ display: 'inline-flex', flexWrap: 'wrap', gap: 1.5 }}>
      {VERDICT_ORDER.filter((verdict) => counts[verdict] > 0).map((verdict) => (
        <VerdictMark key={verdict} verdict={verdict} count={counts[verdict]} />
      ))}
    </Box>
  );
}

/** What the rig would be with just what is ticked. */
export function Outcome({ document }: { document: RigDocument }) {
  const settled = useDeferredValue(document);
  const counts = useMemo(() => {
    const { lines, unsolved } = checkRig(settled);
    return Object.fromEntries(
      VERDICT_ORDER.map((verdict) => [
        verdict,
        lines.filter((line) => line.verdict === verdict).length + (verdict === 'Stop' ? unsolved.length : 0),
      ]),
    ) as Record<Verdict, number>;
  }, [settled]);
  return (
    <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, flexWrap: 'wrap' }} aria-live="polite">
      <Typography variant="body2" color="textSecondary">
        {text.gives}
      </Typography>
      <Counts counts={counts} />
    </Box>
  );
}
