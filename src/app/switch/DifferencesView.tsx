'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import type { Difference } from '@/core/runsheet';
import { useDraft } from '@/ui/shell/useDraft';
import { differencesView as text } from './texts';

interface Props {
  /** Where what is said and not sent yet is kept; another one for another rig on paper. */
  draft: string;
  differences: readonly Difference[];
  busy: boolean;
  /** Lines of which somebody says that they are plugged as on paper now, or out. */
  onSettle: (asOnPaper: string[]) => void;
  onCancel?: () => void;
}

const NONE: readonly string[] = [];

/** The rig in the room beside the rig on paper: nothing is taken over before somebody has said how each line is plugged. */
export function DifferencesView({ draft, differences, busy, onSettle, onCancel }: Props) {
  const [onPaper, setOnPaper] = useDraft(draft, NONE);
  return (
    <Box
      component="section"
      aria-label={text.roomAndPaper}
      sx={{ px: { xs: 2, md: 4 }, py: 2, maxWidth: 860, display: 'grid', gap: 1 }}
    >
      <Typography variant="h1">{text.theRigHasChanged}</Typography>
      <Typography variant="body1" color="textSecondary" sx={{ maxWidth: 640 }}>
        {text.pluggedBeforeTheChangeLook(differences.length)}
      </Typography>
      {differences.map(({ line, name, room, paper }) => (
        <Box key={line} component="article" aria-label={name} sx={{ borderTop: 1, borderColor: 'divider', py: 1.5 }}>
          <Typography variant="h2" sx={{ mb: 0.75 }}>
            {name}
          </Typography>
          <Box
            component="dl"
            sx={{ m: 0, display: 'grid', gridTemplateColumns: 'max-content 1fr', columnGap: 1.5, rowGap: 0.5 }}
          >
            <Way label={text.inTheRoom} parts={room} strong />
            <Way label={text.onPaper} parts={paper ?? [text.notThereAnyMore]} />
          </Box>
          <ToggleButtonGroup
            exclusive
            size="small"
            value={onPaper.includes(line) ? 'paper' : 'room'}
            onChange={(_, to: 'room' | 'paper' | null) => {
              if (to) setOnPaper(to === 'paper' ? [...onPaper, line] : onPaper.filter((id) => id !== line));
            }}
            aria-label={text.howIsPluggedNow(name)}
            sx={{ mt: 1, flexWrap: 'wrap', '& .MuiToggleButton-root': { minHeight: 44, px: 2 } }}
          >
            <ToggleButton value="room">{text.stillPlugged}</ToggleButton>
            <ToggleButton value="paper">{paper ? text.pluggedAsOnPaperNow : text.pulledBothEnds}</ToggleButton>
          </ToggleButtonGroup>
        </Box>
      ))}
      <Box sx={{ display: 'flex', gap: 1, mt: 1, flexWrap: 'wrap' }}>
        <Button
          variant="contained"
          disabled={busy}
          onClick={() => onSettle(differences.map(({ line }) => line).filter((line) => onPaper.includes(line)))}
          sx={{ minHeight: 52, px: 3, fontSize: 'lead.fontSize' }}
        >
          {busy ? text.followingTheCircuits : text.goOnFromHere}
        </Button>
        {onCancel && (
          <Button onClick={onCancel} sx={{ minHeight: 52 }}>
            {text.backToTheSheet}
          </Button>
        )}
      </Box>
    </Box>
  );
}

function Way({ label, parts, strong }: { label: string; parts: readonly string[]; strong?: boolean }) {
  return (
    <>
      <Typography component="dt" variant="body2" color="textSecondary">
        {label}
      </Typography>
      <Typography component="dd" variant="body2" sx={{ m: 0, fontWeight: strong ? 650 : 400 }}>
        {parts.join(' → ')}
      </Typography>
    </>
  );
}
