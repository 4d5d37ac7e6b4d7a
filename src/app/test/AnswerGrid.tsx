'use client';

import Box from '@mui/material/Box';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { answerGrid as texts } from './texts';

interface Props {
  answers: readonly { key: string; text: string; means?: string }[];
  onAnswer: (key: string) => void;
  /** Nothing may be answered while the next question is worked out. */
  busy: boolean;
}

/** What may be seen, one large button each, with what it would mean. */
export function AnswerGrid({ answers, onAnswer, busy }: Props) {
  return (
    <Box
      role="group"
      aria-label={texts.answers}
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: '1fr', sm: '1fr 1fr' }, my: 2 }}
    >
      {answers.map(({ key, text, means }) => (
        <ButtonBase
          key={key}
          // Not disabled: the keyboard keeps its place.
          aria-disabled={busy || undefined}
          onClick={() => !busy && onAnswer(key)}
          sx={{
            minHeight: 64,
            px: 2,
            py: 1,
            display: 'block',
            textAlign: 'left',
            border: 1,
            borderColor: 'text.secondary',
            bgcolor: 'background.paper',
            '&:hover': { borderColor: 'primary.main' },
            '&[aria-disabled]': { opacity: 0.75 },
          }}
        >
          <Typography
            component="span"
            sx={{ display: 'block', fontSize: 'lead.fontSize', fontWeight: 650, lineHeight: 1.25 }}
          >
            {text}
          </Typography>
          {means && (
            <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
              {means}
            </Typography>
          )}
        </ButtonBase>
      ))}
    </Box>
  );
}
