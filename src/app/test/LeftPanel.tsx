'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ActNow, Diagnosed, Question } from '@/core/testing';
import { about, bitsOf, capital, percent } from './words';

/** Of what it can still be so many are listed, and so many of what a question cannot see. */
const [MOST, MOST_UNSEEN, MOST_ACTS] = [8, 4, 3];

interface Props {
  found?: Diagnosed;
  /** The question that is shown. */
  question?: Question;
  /** Nothing is being worked out. */
  idle: boolean;
  onAct: (act: ActNow) => void;
}

/** What it can still be, what acting now would bring, and what the question cannot see. */
export function LeftPanel({ found, question, idle, onAct }: Props) {
  if (!found)
    return (
      <Typography sx={{ p: 2 }}>{idle ? 'Nothing is being looked for.' : 'Working out what it can be …'}</Typography>
    );
  const { alike, acts, next: best, others, open, contradictions, unexplained, seen } = found;
  const shown = alike.slice(0, MOST);
  const rest = alike.slice(MOST).reduce((sum, { probability }) => sum + probability, 0);
  const next = question;
  const second = [...(best ? [best] : []), ...others].find((each) => each !== question);
  const begun = seen.length > 0;
  const unseen = next?.notSeen ?? [];
  return (
    <Box sx={{ p: 2 }}>
      <Typography variant="h2" sx={{ mb: 1 }}>
        What it can still be
      </Typography>
      {contradictions.map((n) => (
        <Alert key={n} severity="warning" sx={{ mb: 1 }}>
          “{seen[n].text}” doesn’t fit what else was seen. Look at that once more.
        </Alert>
      ))}
      {unexplained && (
        <Alert severity="info" sx={{ mb: 1 }}>
          No single fault explains all this. Two things may be wrong, or a reading is.
        </Alert>
      )}
      <Box component="ul" aria-label="What it can still be" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {shown.map(({ what, probability }) => (
          <Box
            component="li"
            key={what}
            sx={{
              display: 'grid',
              gridTemplateColumns: 'minmax(0, 1fr) 84px 64px',
              gap: 1,
              alignItems: 'center',
              borderBottom: 1,
              borderColor: 'divider',
              py: 0.75,
            }}
          >
            <Typography variant="body2">{capital(what)}</Typography>
            <Box aria-hidden sx={{ bgcolor: 'divider', height: 8 }}>
              <Box sx={{ bgcolor: 'primary.main', height: 8, width: `${100 * probability}%` }} />
            </Box>
            <Typography variant="body2" sx={{ textAlign: 'right', fontVariantNumeric: 'tabular-nums' }}>
              {percent(probability)}
            </Typography>
          </Box>
        ))}
      </Box>
      {rest > 0.005 && (
        <Typography variant="caption" color="textSecondary">
          {alike.length - MOST} more, {percent(rest)} together
        </Typography>
      )}
      {begun && acts.length > 0 && next && (
        <>
          <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
            Act now instead
          </Typography>
          {acts.slice(0, MOST_ACTS).map((act) => (
            <Box
              key={act.id}
              sx={{ display: 'flex', alignItems: 'center', gap: 1, borderBottom: 1, borderColor: 'divider', py: 0.5 }}
            >
              <Box sx={{ minWidth: 0, flex: 1 }}>
                <Typography variant="body2">{act.text}</Typography>
                <Typography variant="caption" color="textSecondary">
                  {percent(act.probability)} likely to help, about {about(act.seconds)}
                </Typography>
              </Box>
              <Button
                variant="outlined"
                onClick={() => onAct(act)}
                aria-label={`Do this: ${act.text}`}
                sx={{ minHeight: { xs: 44, md: 40 } }}
              >
                Do this
              </Button>
            </Box>
          ))}
        </>
      )}
      {begun && unseen.length > 0 && (
        <>
          <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
            This question won’t show
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {unseen.slice(0, MOST_UNSEEN).map(capital).join(' · ')}
            {unseen.length > MOST_UNSEEN && ` · ${unseen.length - MOST_UNSEEN} more`}
          </Typography>
        </>
      )}
      {begun && next && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {next === best ? 'Why this one: it' : 'This one'} settles {bitsOf(next.bits)} of {bitsOf(open)} bits in about{' '}
          {about(next.seconds)}, walking and waits included.
          {second &&
            ` ${next === best ? 'Next best' : 'Best for its time'}: ${second.label.toLowerCase()}, ${bitsOf(second.bits)} bits in ${about(second.seconds)}.`}
        </Typography>
      )}
    </Box>
  );
}
