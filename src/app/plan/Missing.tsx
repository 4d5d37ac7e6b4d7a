'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { Proposal, Relaxation } from '@/core/plan';
import type { RigDocument } from '@/core/rig';
import { Section } from './Section';
import type { Held } from './usePlanning';
import { missing as text } from './texts';

/** What has to be got, and for which lines. */
export function Shopping({ proposal: { toGet } }: { proposal: Proposal }) {
  return (
    <Section title={text.toGet}>
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
            {text.forWord(lines.join(', '))}
          </Typography>
        </Box>
      ))}
    </Section>
  );
}

/** What could be given up instead. */
export function Instead({ instead, document }: { instead: NonNullable<Held['instead']>; document: RigDocument }) {
  return (
    <Section title={text.orDropOneOfYour}>
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
        {text.withWhatTheKit(instead.leftOut)}
      </Typography>
    </Section>
  );
}

function relaxationText(what: Relaxation, { lines, devices }: RigDocument): string {
  const line = (id: string) => lines.find((each) => each.id === id)?.name ?? id;
  const device = (id: string) => devices.find((each) => each.id === id)?.name ?? id;
  switch (what.relax) {
    case 'pinned':
      return text.thePin(line(what.line));
    case 'forbidden':
      return text.inletForbidden(device(what.device), what.inlet, what.line ? line(what.line) : text.all);
    case 'neighbours':
      return text.sideBySide(what.lines.map(line).join(text.joined));
    case 'feed limit':
      return text.theFeedLimit(device(what.device));
  }
}
