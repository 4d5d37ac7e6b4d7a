'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Proposal, Relaxation } from '@/core/plan';
import type { RigDocument } from '@/core/rig';
import { Section } from './Section';
import type { Held } from './usePlanning';

/** What has to be got, and for which lines. */
export function Shopping({ proposal: { toGet } }: { proposal: Proposal }) {
  return (
    <Section title="To get">
      {toGet.map(({ label, count, lines }) => (
        <Box
          component="li"
          key={label}
          sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 1.5, py: 0.75, borderTop: 1, borderColor: 'divider' }}
        >
          <Typography variant="body2" sx={{ fontWeight: 650 }}>
            {count} × {label}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            for {lines.join(', ')}
          </Typography>
        </Box>
      ))}
    </Section>
  );
}

/** What could be given up instead. */
export function Instead({ instead, document }: { instead: NonNullable<Held['instead']>; document: RigDocument }) {
  return (
    <Section title="Or drop one of your rules">
      {instead.relaxations.map((what) => (
        <Typography
          component="li"
          variant="body2"
          key={JSON.stringify(what)}
          sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}
        >
          {relaxationText(what, document)}
        </Typography>
      ))}
      <Typography component="li" variant="caption" color="textSecondary" sx={{ py: 0.5 }}>
        With what the kit has,{' '}
        {instead.leftOut === 0 ? 'every line then has a place.' : `${instead.leftOut} lines are still left out.`}
      </Typography>
    </Section>
  );
}

function relaxationText(what: Relaxation, { lines, devices }: RigDocument): string {
  const line = (id: string) => lines.find((each) => each.id === id)?.name ?? id;
  const device = (id: string) => devices.find((each) => each.id === id)?.name ?? id;
  switch (what.relax) {
    case 'pinned':
      return `The pin of ${line(what.line)}`;
    case 'forbidden':
      return `${device(what.device)}, inlet ${what.inlet}, forbidden to ${what.line ? line(what.line) : 'all'}`;
    case 'neighbours':
      return `${what.lines.map(line).join(' and ')} side by side`;
    case 'feed limit':
      return `The feed limit of ${device(what.device)}`;
  }
}
