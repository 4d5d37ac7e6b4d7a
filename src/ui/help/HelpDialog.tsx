'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { usePathname } from 'next/navigation';
import { useMemo, useState } from 'react';
import { worded } from '@/core/units/conventions';
import { Dialog } from '@/ui/shell/Dialog';
import { KEYS } from './keys';
import { TERMS } from './terms';
import { helpDialog as texts } from './texts';

/** The keys of this place first, then the glossary. */
export function HelpDialog({ onClose }: { onClose: () => void }) {
  const [search, setSearch] = useState('');
  const here = usePathname().split('/')[1];
  const words = search.trim().toLowerCase();
  const terms = useMemo(
    () => TERMS.filter(({ term, text }) => worded(`${term} ${text}`).toLowerCase().includes(words)),
    [words],
  );
  const places = Object.keys(KEYS).filter((place) => place === 'In every place' || place.toLowerCase() === here);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="help-title">
      <DialogTitle id="help-title">{texts.keysAndGlossary}</DialogTitle>
      <DialogContent>
        <Box sx={{ display: 'grid', columnGap: 4, rowGap: 2, gridTemplateColumns: { md: '1fr 1fr' } }}>
          {places.reverse().map((place) => (
            <section key={place} aria-label={texts.keys(place)}>
              <Typography variant="h3" component="h3" sx={{ mb: 0.75 }}>
                {place}
              </Typography>
              <Box component="dl" sx={{ m: 0, display: 'grid', gridTemplateColumns: '128px 1fr', rowGap: 0.5 }}>
                {KEYS[place].map(([keys, does]) => (
                  <Box key={keys} sx={{ display: 'contents' }}>
                    <Box component="dt" sx={{ fontWeight: 650 }}>
                      {keys}
                    </Box>
                    <Box component="dd" sx={{ m: 0 }}>
                      {does}
                    </Box>
                  </Box>
                ))}
              </Box>
            </section>
          ))}
        </Box>
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 2, mt: 3, mb: 1 }}>
          <Typography variant="h3" component="h3">
            {texts.glossary}
          </Typography>
          <TextField
            label={texts.findAWord}
            value={search}
            onChange={({ target }) => setSearch(target.value)}
            sx={{ ml: 'auto' }}
          />
        </Box>
        <Box component="dl" sx={{ m: 0 }} aria-live="polite">
          {terms.map(({ id, term, text }) => (
            <Box key={id} sx={{ py: 0.75, borderTop: 1, borderColor: 'divider' }}>
              <Box component="dt" sx={{ fontWeight: 650 }}>
                {worded(term)}
              </Box>
              <Box component="dd" sx={{ m: 0 }}>
                {worded(text)}
              </Box>
            </Box>
          ))}
        </Box>
        {terms.length === 0 && <Typography>{texts.noWordMatchesTry}</Typography>}
      </DialogContent>
      <DialogActions>
        <Button component={NextLink} prefetch={false} href="/glossary" color="inherit">
          {texts.glossaryOnAPage}
        </Button>
        <Button onClick={onClose}>{texts.close}</Button>
      </DialogActions>
    </Dialog>
  );
}
