'use client';

import Box from '@mui/material/Box';
import TextField from '@mui/material/TextField';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import { inletFigures, LAMPS, type InletReading, type Lamps, type Means } from '@/core/testing';
import { capital, findingText, LAMP_WORDS, numberIn } from './words';
import { inletRow as text } from './texts';

export const CELLS = ['open2', 'open3', 'loaded2', 'loaded3'] as const;
export type Cell = (typeof CELLS)[number];
const HEADS: Record<Cell, string> = {
  open2: text.open21,
  open3: text.open31,
  loaded2: text.load21,
  loaded3: text.load31,
};
const EMPTY: Record<Cell, string> = { open2: '', open3: '', loaded2: '', loaded3: '' };

/** What was tapped and typed at one inlet. */
export interface InletTyped {
  lamps?: Lamps;
  cells?: Record<Cell, string>;
}

interface Props {
  inlet: { id: string; name: string; feed: FeedName };
  by: 'lamps' | 'meter';
  row?: InletTyped;
  reading?: InletReading;
  means: Means;
  onSet: (to: InletTyped) => void;
}

/** One inlet: what is read at it, and what that says. */
export function InletRow({ inlet, by, row, reading, means, onSet }: Props) {
  const findings = reading ? inletFigures(reading, means).findings : [];
  return (
    <Box
      role="listitem"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', sm: '92px auto minmax(120px, 1fr)' },
        columnGap: 1.5,
        rowGap: 0.5,
        alignItems: 'center',
        borderBottom: 1,
        borderColor: 'divider',
        py: 0.75,
      }}
    >
      <Box>
        <Typography sx={{ fontWeight: 650 }}>{capital(inlet.name)}</Typography>
        <Typography variant="caption" color="textSecondary">
          {feedLabel(inlet.feed)}
        </Typography>
      </Box>
      {by === 'lamps' ? (
        <ToggleButtonGroup
          exclusive
          size="small"
          value={row?.lamps ?? null}
          onChange={(_, lamps: Lamps | null) => onSet({ lamps: lamps ?? undefined })}
          aria-label={text.lampsAt(inlet.name)}
        >
          {LAMPS.map((lamps) => (
            <ToggleButton key={lamps} value={lamps} sx={{ minHeight: 44, px: 1.25 }}>
              {LAMP_WORDS[lamps]}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      ) : (
        <Box sx={{ display: 'flex', gap: 0.75 }}>
          {CELLS.map((cell) => (
            <TextField
              key={cell}
              label={HEADS[cell]}
              value={row?.cells?.[cell] ?? ''}
              error={Boolean(row?.cells?.[cell]?.trim()) && numberIn(row!.cells![cell]) === undefined}
              onChange={(event) =>
                onSet({ cells: { ...EMPTY, ...row?.cells, [cell]: event.target.value.slice(0, 8) } })
              }
              sx={{ width: 92 }}
              slotProps={{
                htmlInput: { inputMode: 'decimal', 'aria-label': `${inlet.name}, ${HEADS[cell]}, V` },
              }}
            />
          ))}
        </Box>
      )}
      <Box role="status">
        {by === 'meter' && (
          <Typography variant="body2" color="textSecondary">
            {missingIn(row?.cells)}
          </Typography>
        )}
        {reading && findings.length === 0 && <Typography variant="body2">{text.asItShouldBe}</Typography>}
        {findings.map(({ what, sure }) => (
          <Typography
            key={what}
            variant="body2"
            sx={(theme) => ({
              fontWeight: sure ? 650 : 400,
              color: sure ? theme.vars!.palette.verdict.Stop : 'text.secondary',
            })}
          >
            {findingText({ what, sure })}
          </Typography>
        ))}
      </Box>
    </Box>
  );
}

/** What has to be typed before a row says anything, or all that it could. */
function missingIn(cells: Record<Cell, string> | undefined): string {
  if (!cells || CELLS.every((cell) => cells[cell].trim() === '')) return '';
  const wrong = CELLS.find((cell) => cells[cell].trim() !== '' && numberIn(cells[cell]) === undefined);
  if (wrong) return text.aNumberSuchAs47(HEADS[wrong]);
  const [open2, open3, loaded2, loaded3] = CELLS.map((cell) => cells[cell].trim() !== '');
  if (!open2 || !open3) return text.bothOpenVoltagesComeFirst;
  return loaded2 !== loaded3 ? text.underLoadBothPins : '';
}
