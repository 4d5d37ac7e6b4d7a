'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo } from 'react';
import { checkRig, VERDICT_ORDER, type Verdict } from '@/core/check';
import { feedLabel, switchKey, type Proposal, type Relaxation } from '@/core/plan';
import type { RigDocument } from '@/core/rig';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { ChangeRow, Row } from './ChangeRow';
import { withPin } from './wishes';
import type { Held, Planning } from './usePlanning';

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
          The present patch is the best there is: nothing to change.
        </Typography>
      )}
      {proposal.switches.length > 0 && (
        <Section title="Switches">
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
        <Section title="Lines">
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
      {proposal.leftOut.length > 0 && (
        <Section title="Left out">
          {proposal.leftOut.map(({ line, name, reason }) => (
            <Row
              key={line}
              name={name}
              now={<Typography variant="body2">in the patch</Typography>}
              then={
                <Typography variant="body2" sx={{ fontWeight: 650 }}>
                  taken out of the rig
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
              slotProps={{ input: { 'aria-label': 'Take the lines without a place out of the rig' } }}
            />
            <Typography variant="body2">
              Take these lines out of the rig; undo and the history bring them back.
            </Typography>
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
              The rig has changed since this was planned. Plan again to accept changes.
            </Alert>
          ) : (
            <>
              <Button variant="contained" disabled={count === 0} onClick={() => onAccept(count)}>
                {count === all ? `Accept all ${all} changes` : `Accept ${count} of ${all} changes`}
              </Button>
              <Button color="inherit" onClick={() => tickAll(count < all)}>
                {count < all ? 'Tick all' : 'Tick none'}
              </Button>
              <Outcome document={result} />
            </>
          )}
        </Box>
      )}
    </Box>
  );
}

function Section({ title, children }: { title: string; children: React.ReactNode }) {
  return (
    <Box component="section" aria-label={title} sx={{ mt: 2 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        {title}
      </Typography>
      <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, borderBottom: 1, borderColor: 'divider' }}>
        {children}
      </Box>
    </Box>
  );
}

/** What the plan comes to, in one line, and how sure that is. */
function Summary({ held: { proposal, seconds, stopped } }: { held: Held }) {
  const { counts, leftOut, lines, switches, same, optimal, reached } = proposal;
  const good = counts.Stop + counts.Silent === 0 && leftOut.length === 0;
  const open = reached.filter(({ value, bound }) => value > bound);
  return (
    <Box sx={{ pt: 1.75 }}>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'baseline', columnGap: 2, rowGap: 0.5 }}>
        <Typography variant="h1" component="h2">
          {good
            ? `Every line works${proposal.toGet.length ? `, with ${plural(proposal.toGet.length, 'thing', 'things')} to get` : ''}`
            : `${leftOut.length} ${leftOut.length === 1 ? 'line has' : 'lines have'} no place`}
        </Typography>
        <Counts counts={counts} />
      </Box>
      <Typography variant="body2" color="textSecondary" sx={{ mt: 0.5 }}>
        {plural(lines.length, 'line changes', 'lines change')}, {same} {same === 1 ? 'stays' : 'stay'} as{' '}
        {same === 1 ? 'it is' : 'they are'}; {plural(switches.length, 'switch turns', 'switches turn')}.{' '}
        {optimal
          ? `Proven to be the best there is, in ${seconds.toFixed(1)} s.`
          : `${stopped ? 'Stopped' : 'Time was up'} after ${seconds.toFixed(1)} s; not proven to be the best: ${open
              .map(({ name, value, bound }) => `${name} ${value}, at least ${bound}`)
              .join('; ')}.`}
      </Typography>
    </Box>
  );
}

const plural = (count: number, one: string, many: string): string => `${count} ${count === 1 ? one : many}`;

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
function Outcome({ document }: { document: RigDocument }) {
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
        gives
      </Typography>
      <Counts counts={counts} />
    </Box>
  );
}

function Shopping({ proposal: { toGet } }: { proposal: Proposal }) {
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

function Instead({ instead, document }: { instead: NonNullable<Held['instead']>; document: RigDocument }) {
  return (
    <Section title="Or give up instead">
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
