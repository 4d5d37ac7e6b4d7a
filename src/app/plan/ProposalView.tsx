'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import { switchKey, type Proposal } from '@/core/plan';
import { feedLabel } from '@/core/standards/feeds';
import type { RigDocument } from '@/core/rig';
import { ChangeRow, Row } from './ChangeRow';
import { Instead, Shopping } from './Missing';
import { Outcome, Summary } from './ProposalSummary';
import { Section } from './Section';
import { withPin } from './wishes';
import type { Held, Planning } from './usePlanning';
import { proposalView as text } from './texts';

interface Props {
  document: RigDocument;
  held: Held;
  planning: Planning;
  onAccept: (count: number) => void;
  onChange: (to: (from: RigDocument) => RigDocument) => void;
}

/** One proposal: what it comes to, what it changes and why, and what of it is accepted. */
export function ProposalView({ document, held, planning, onAccept, onChange }: Props) {
  const { proposal, instead } = held;
  const { accepted, tick, tickAll, tickLeftOut, result } = planning;
  const count = accepted.lines.size + accepted.switches.size + (accepted.leftOut ? proposal.leftOut.length : 0);
  const all = proposal.lines.length + proposal.switches.length + proposal.leftOut.length;
  const pins = document.wishes?.pinned ?? [];
  // A pin or another wish does not change what the plan was made for, but a planned line or switch does.
  const stale = !result;
  return (
    <Box sx={{ px: { xs: 1.5, md: 2 }, pb: 2 }}>
      <Summary held={held} />
      {proposal.toGet.length > 0 && <Shopping proposal={proposal} />}
      {instead && <Instead instead={instead} document={document} />}
      {all === 0 && (
        <Typography variant="body1" sx={{ mt: 2 }}>
          {text.thePresentPatch}
        </Typography>
      )}
      {proposal.switches.length > 0 && (
        <Section title={text.switches}>
          {proposal.switches.map(({ device, group, name, from, to, reason }) => {
            const key = switchKey(device, group);
            return (
              <Row
                key={key}
                name={name}
                tick={{ on: accepted.switches.has(key), change: () => tick('switches', key), disabled: stale }}
                now={<Typography variant="body2">{feedLabel(from)}</Typography>}
                then={
                  <Typography variant="body2" sx={{ fontWeight: 650 }}>
                    {feedLabel(to)}
                  </Typography>
                }
                why={reason}
              />
            );
          })}
        </Section>
      )}
      {proposal.lines.length > 0 && (
        <Section title={text.lines}>
          {proposal.lines.map((change) => (
            <ChangeRow
              key={change.line}
              change={change}
              tick={{
                on: accepted.lines.has(change.line),
                change: () => tick('lines', change.line),
                disabled: stale,
              }}
              pinned={pins.some(({ line, to }) => line === change.line && to.inlet === change.to.inlet)}
              onPin={() => onChange((from) => withPin(from, change.line, change.to))}
            />
          ))}
        </Section>
      )}
      {all > 0 && <Staying proposal={proposal} />}
      {proposal.leftOut.length > 0 && (
        <Section title={text.leftOut}>
          {proposal.leftOut.map(({ line, name, reason }) => (
            <Row
              key={line}
              name={name}
              now={<Typography variant="body2">{text.inThePatch}</Typography>}
              then={
                <Typography variant="body2" sx={{ fontWeight: 650 }}>
                  {text.takenOutOfTheRig}
                </Typography>
              }
              why={reason}
            />
          ))}
          <Box component="li" sx={{ display: 'flex', alignItems: 'center', borderTop: 1, borderColor: 'divider' }}>
            <Checkbox
              size="small"
              checked={accepted.leftOut}
              disabled={stale}
              onChange={tickLeftOut}
              slotProps={{ input: { 'aria-label': text.takeTheLinesWithout } }}
            />
            <Typography variant="body2">{text.takeTheseLinesOut}</Typography>
          </Box>
        </Section>
      )}
      {all > 0 && (
        <Box
          sx={{
            position: 'sticky',
            bottom: { xs: 57, md: 0 },
            mt: 2,
            py: 1.25,
            borderTop: 1,
            borderColor: 'divider',
            bgcolor: 'background.default',
            display: 'flex',
            flexWrap: 'wrap',
            alignItems: 'center',
            columnGap: 2,
            rowGap: 0.5,
          }}
        >
          {stale ? (
            <Alert severity="info" sx={{ py: 0, flex: 1 }}>
              {text.theRigHasChangedSince}
            </Alert>
          ) : (
            <>
              <Button variant="contained" disabled={count === 0} onClick={() => onAccept(count)}>
                {count === all ? text.acceptAllChanges(all) : text.acceptOfChanges(count, all)}
              </Button>
              <Button color="inherit" onClick={() => tickAll(count < all)}>
                {count < all ? text.tickAll : text.tickNone}
              </Button>
              <Outcome document={result} />
            </>
          )}
          <Typography variant="caption" color="textSecondary" sx={{ flexBasis: '100%' }}>
            {text.thisChangesTheRigHere}
          </Typography>
        </Box>
      )}
    </Box>
  );
}

/** The lines that stay just as they are, by name. */
function Staying({ proposal: { document, lines } }: { proposal: Proposal }) {
  const changed = new Set(lines.map(({ line }) => line));
  const names = document.lines.filter(({ id }) => !changed.has(id)).map(({ name }) => name);
  if (names.length === 0) return null;
  return (
    <Typography variant="body2" color="textSecondary" sx={{ mt: 1 }}>
      {text.unchanged(names.join(', '))}
    </Typography>
  );
}
