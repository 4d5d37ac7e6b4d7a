'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { PhotoThumb } from '@/ui/photo/PhotoThumb';
import { stepWords, type Session, type SheetRig } from '@/core/runsheet';
import { leftOutList as text } from './texts';

interface Props {
  /** Id of the rig. */
  id: string;
  rig: SheetRig;
  session: Session;
  busy: boolean;
  onRetry: (left: number) => void;
}

/** What could not be done, and why: still in the sheet, and to be tried again. */
export function LeftOutList({ id, rig, session, busy, onRetry }: Props) {
  const { leftOut = [] } = session;
  if (!leftOut.length) return null;
  return (
    <Box component="section" aria-label={text.leftOut} sx={{ px: { xs: 2, md: 4 }, maxWidth: 760 }}>
      <Typography variant="h2" sx={{ mt: 1, mb: 0.5 }}>
        {text.leftOut}
      </Typography>
      <Box component="ol" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {leftOut.map((step, n) => {
          const { title } = stepWords(rig, undefined, step);
          return (
            <Box
              key={`${title}${step.at}`}
              component="li"
              sx={{
                borderTop: 1,
                borderColor: 'divider',
                display: 'flex',
                alignItems: 'center',
                gap: 1,
                minHeight: 44,
              }}
            >
              <Typography variant="body2" sx={{ flex: 1 }}>
                {title}
                {step.why && (
                  <Typography component="span" variant="body2" color="textSecondary">
                    : {step.why}
                  </Typography>
                )}
              </Typography>
              {step.photo && <PhotoThumb rig={id} photo={step.photo} of={title} size={36} />}
              <Button
                disabled={busy}
                aria-label={text.tryAgainOf(title)}
                onClick={() => onRetry(n)}
                sx={{ minHeight: 44 }}
              >
                {text.tryAgain}
              </Button>
            </Box>
          );
        })}
      </Box>
    </Box>
  );
}
