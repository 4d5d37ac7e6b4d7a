'use client';

import Box from '@mui/material/Box';
import Popover from '@mui/material/Popover';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { worded } from '@/core/units/conventions';
import type { Term } from './term';
import { TERMS } from './terms';
import { useBackCloses } from '../shell/useBackCloses';

const escaped = (word: string): string => word.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');
const BY_WORD = new Map(TERMS.flatMap((term) => term.words.map((word) => [word.toLowerCase(), term] as const)));
/** Longest first: “ground loop” is no ground. */
const WORDS = new RegExp(
  `(?<![\\p{L}\\d])(${[...BY_WORD.keys()]
    .sort((a, b) => b.length - a.length)
    .map(escaped)
    .join('|')})(?![\\p{L}\\d])`,
  'giu',
);

/** A text cut where words of the glossary are in it; each term once. */
export function termsIn(text: string): (string | { word: string; term: Term })[] {
  const seen = new Set<string>();
  const pieces: (string | { word: string; term: Term })[] = [];
  let from = 0;
  for (const found of text.matchAll(WORDS)) {
    const term = BY_WORD.get(found[0].toLowerCase())!;
    // “DI” is a box and “di” is none.
    if (seen.has(term.id) || (found[0].length < 4 && !term.words.includes(found[0]))) continue;
    seen.add(term.id);
    pieces.push(text.slice(from, found.index), { word: found[0], term });
    from = found.index + found[0].length;
  }
  return [...pieces, text.slice(from)].filter((piece) => piece !== '');
}

/** A text whose words of the trade say what they mean when they are pressed. */
export function TermText({ children }: { children: string }) {
  const [shown, setShown] = useState<{ anchor: HTMLElement; term: Term }>();
  const close = () => setShown(undefined);
  useBackCloses(shown !== undefined, close);
  const pieces = useMemo(() => termsIn(children), [children]);
  return (
    <>
      {pieces.map((piece, n) =>
        typeof piece === 'string' ? (
          worded(piece)
        ) : (
          <Box
            key={n}
            component="a"
            href={`/glossary#${piece.term.id}`}
            aria-haspopup="dialog"
            onClick={(event: React.MouseEvent<HTMLElement>) => {
              if (event.ctrlKey || event.metaKey) return;
              event.preventDefault();
              setShown({ anchor: event.currentTarget, term: piece.term });
            }}
            sx={{ color: 'inherit', textDecorationStyle: 'dotted', textUnderlineOffset: 3, textDecorationThickness: 1 }}
          >
            {worded(piece.word)}
          </Box>
        ),
      )}
      {shown && (
        <Popover
          open
          anchorEl={shown.anchor}
          onClose={close}
          anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}
          slotProps={{
            paper: { role: 'dialog', 'aria-label': worded(shown.term.term), sx: { p: 1.5, maxWidth: 320 } },
          }}
        >
          <Typography variant="h3" component="p">
            {worded(shown.term.term)}
          </Typography>
          <Typography variant="body2">{worded(shown.term.text)}</Typography>
        </Popover>
      )}
    </>
  );
}
