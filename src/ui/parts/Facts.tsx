import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import type { AnyKind, Part } from '@/core/gear';
import { facts as text } from './texts';

/** Answers that were recorded: who, when, where. */
export function Facts({ part, kind }: { part: Part; kind: AnyKind }) {
  const facts = Object.entries(part.facts ?? {});
  if (facts.length === 0) return null;
  return (
    <Box component="section" aria-label={text.recordedAnswers}>
      <Typography variant="h3" component="h3" gutterBottom>
        {text.recordedAnswers}
      </Typography>
      {facts.map(([name, { who, when, where }]) => (
        <Typography key={name} variant="body2">
          <strong>{kind.figures[name]?.label ?? kind.choices[name]?.label ?? name}:</strong>{' '}
          {kind.choices[name]?.options.find(({ value }) => value === part.choices?.[name])?.label ??
            part.figures?.[name]?.value}
          <Box
            component="span"
            sx={{ color: 'text.secondary' }}
          >{` (${[who, when, where].filter(Boolean).join(', ')})`}</Box>
        </Typography>
      ))}
    </Box>
  );
}
