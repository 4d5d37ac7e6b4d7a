'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import type { ActNow, Diagnosed, Question } from '@/core/testing';
import { about, bitsOf, capital, percent } from './words';
import { leftPanel as texts } from './texts';

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
    return <Typography sx={{ p: 2 }}>{idle ? texts.nothingIsBeingLooked : texts.workingOutWhatItCan}</Typography>;
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
        {texts.whatItCanStillBe}
      </Typography>
      {contradictions.map((n) => (
        <Alert key={n} severity="warning" sx={{ mb: 1 }}>
          {texts.doesntFitWhatElse(seen[n].text)}
        </Alert>
      ))}
      {unexplained && (
        <Alert severity="info" sx={{ mb: 1 }}>
          {texts.noSingleFaultExplains}
        </Alert>
      )}
      <Box component="ul" aria-label={texts.whatItCanStillBe} sx={{ listStyle: 'none', m: 0, p: 0 }}>
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
          {texts.moreTogether(alike.length - MOST, percent(rest))}
        </Typography>
      )}
      {begun && acts.length > 0 && next && (
        <>
          <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
            {texts.actNowInstead}
          </Typography>
          {acts.slice(0, MOST_ACTS).map((act) => (
            <Box
              key={act.id}
              sx={{ display: 'flex', alignItems: 'center', gap: 1, borderBottom: 1, borderColor: 'divider', py: 0.5 }}
            >
              <Box sx={{ minWidth: 0, flex: 1 }}>
                <Typography variant="body2">{act.text}</Typography>
                <Typography variant="caption" color="textSecondary">
                  {texts.likelyToHelpAbout(percent(act.probability), about(act.seconds))}
                </Typography>
              </Box>
              <Button
                variant="outlined"
                onClick={() => onAct(act)}
                aria-label={texts.doThisOf(act.text)}
                sx={{ minHeight: { xs: 44, md: 40 } }}
              >
                {texts.doThis}
              </Button>
            </Box>
          ))}
        </>
      )}
      {begun && unseen.length > 0 && (
        <>
          <Typography variant="h3" component="h3" sx={{ mt: 2, mb: 0.5 }}>
            {texts.thisQuestionWontShow}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {unseen.slice(0, MOST_UNSEEN).map(capital).join(' · ')}
            {unseen.length > MOST_UNSEEN && texts.more(unseen.length - MOST_UNSEEN)}
          </Typography>
        </>
      )}
      {begun && next && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 2 }}>
          {next === best ? texts.whyThisOne : texts.thisOne}
          {texts.settles}
          {bitsOf(next.bits)}
          {texts.ofWord}
          {bitsOf(open)}
          {texts.bitsInAbout} {about(next.seconds)}
          {texts.walkingAndWaitsIncluded}
          {second &&
            texts.bitsIn(
              next === best ? texts.nextBest : texts.bestForItsTime,
              second.label.toLowerCase(),
              bitsOf(second.bits),
              about(second.seconds),
            )}
        </Typography>
      )}
    </Box>
  );
}
