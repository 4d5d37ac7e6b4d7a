'use client';

import Box from '@mui/material/Box';
import Chip from '@mui/material/Chip';
import Stack from '@mui/material/Stack';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { useDeferredValue, useMemo, useRef, useState } from 'react';
import { VERDICT_ORDER, type Verdict } from '@/core/check';
import { CASEBOOK, type Situation, type Theme } from '@/core/check/casebook';
import { worded } from '@/core/units/conventions';
import { BarHeading } from '@/ui/shell/barParts';
import { PlaceFrame } from '@/ui/shell/PlaceFrame';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { SituationPanel } from './SituationPanel';
import { useShortcut } from '@/ui/shell/useShortcut';
import { casebookPlace as texts } from './texts';

/** Whether every word of a search is somewhere in a situation. */
const matches = ({ what, because, verdict, basis }: Situation, words: readonly string[]): boolean => {
  const text = `${what} ${because} ${verdict} ${basis}`.toLowerCase();
  return words.every((word) => text.includes(word));
};

const ALL = CASEBOOK.flatMap(({ situations }) => situations);

/** Situations of the trade: who, with what, through what, into what, with the verdict and the reason. */
export function CasebookPlace({ rig, name }: { rig: string; name: string }) {
  const [text, setText] = useState('');
  const [verdict, setVerdict] = useState<Verdict>();
  const [selected, setSelected] = useState(ALL[0].id);
  const [open, setOpen] = useState(false);
  const field = useRef<HTMLInputElement>(null);
  const wanted = useDeferredValue(text);
  useShortcut('slash', () => field.current?.focus(), { instead: true });
  const shown = useMemo(() => {
    const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
    return CASEBOOK.map((theme) => ({
      ...theme,
      situations: theme.situations.filter(
        (each) => matches(each, words) && (verdict === undefined || each.verdict === verdict),
      ),
    })).filter(({ situations }) => situations.length > 0);
  }, [wanted, verdict]);
  const situation = ALL.find(({ id }) => id === selected)!;
  const select = (id: string) => {
    setSelected(id);
    setOpen(true);
  };
  return (
    <PlaceFrame
      here="/rig"
      rig={rig}
      bar={<BarHeading rig={texts.casebookOn(name)} />}
      panel={<SituationPanel key={selected} situation={situation} />}
      panelLabel={texts.situation}
      panelWidth={400}
      open={open}
      onClose={() => setOpen(false)}
      closeLabel={texts.backToTheList}
    >
      <Box
        component="main"
        id="sheet"
        tabIndex={-1}
        sx={{ gridArea: 'sheet', minHeight: 0, overflowY: 'auto', px: { xs: 1.5, sm: 2.5 }, py: 2 }}
      >
        <Typography variant="h1">{texts.casebook}</Typography>
        <Typography variant="body2" color="textSecondary" sx={{ maxWidth: 640, mt: 0.5 }}>
          {texts.situationsOfTheTrade(ALL.length)}
        </Typography>
        <Stack direction="row" spacing={1} useFlexGap sx={{ my: 1.75, flexWrap: 'wrap', alignItems: 'center' }}>
          <TextField
            inputRef={field}
            label={texts.searchTheCasebook}
            placeholder={texts.ribbon48VPatch}
            value={text}
            onChange={(event) => setText(event.target.value)}
            sx={{ width: { xs: '100%', sm: 280 } }}
          />
          {VERDICT_ORDER.map((each) => (
            <Chip
              key={each}
              clickable
              variant={verdict === each ? 'filled' : 'outlined'}
              aria-pressed={verdict === each}
              onClick={() => setVerdict(verdict === each ? undefined : each)}
              label={<VerdictMark verdict={each} count={ALL.filter((one) => one.verdict === each).length} />}
              sx={{ height: 36 }}
            />
          ))}
        </Stack>
        {shown.map((theme) => (
          <ThemeList key={theme.theme} theme={theme} selected={selected} onSelect={select} />
        ))}
        {shown.length === 0 && (
          <Typography variant="body1" color="textSecondary" sx={{ py: 3 }}>
            {texts.noSituationMatchesTryFewer}
          </Typography>
        )}
      </Box>
    </PlaceFrame>
  );
}

function ThemeList({ theme, selected, onSelect }: { theme: Theme; selected: string; onSelect: (id: string) => void }) {
  return (
    <Box component="section" aria-label={theme.title} sx={{ mb: 2.5 }}>
      <Typography variant="h2" sx={{ pb: 0.5, borderBottom: 1, borderColor: 'text.primary' }}>
        {theme.title}
      </Typography>
      {theme.situations.map(({ id, what, verdict, because }) => (
        <Box
          key={id}
          component="button"
          type="button"
          aria-pressed={id === selected}
          onClick={() => onSelect(id)}
          sx={{
            display: 'grid',
            gridTemplateColumns: '74px minmax(0, 1fr)',
            columnGap: 1,
            width: '100%',
            minHeight: 44,
            textAlign: 'left',
            font: 'inherit',
            color: 'inherit',
            background: 'none',
            border: 0,
            borderBottom: 1,
            borderColor: 'divider',
            px: 0.5,
            py: 0.75,
            cursor: 'pointer',
            boxShadow: id === selected ? 'inset 3px 0 0 var(--mui-palette-primary-main)' : undefined,
            '&:hover': { backgroundColor: 'action.hover' },
            '&:focus-visible': { outlineOffset: -2 },
          }}
        >
          <Box sx={{ pl: 0.5 }}>
            <VerdictMark verdict={verdict} />
          </Box>
          <Box>
            <Typography variant="body2" sx={{ fontWeight: 600 }}>
              {worded(what)}
            </Typography>
            <Typography variant="caption" color="textSecondary" component="p">
              {worded(because)}
            </Typography>
          </Box>
        </Box>
      ))}
    </Box>
  );
}
