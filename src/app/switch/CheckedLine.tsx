'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import dayjs from 'dayjs';
import NextLink from 'next/link';
import { useEffect, useRef, useState } from 'react';
import { lineSummary } from '@/core/check';
import { rigPath, schoolsOf, type RigDocument } from '@/core/rig';
import {
  checksOf,
  heardOn,
  LINE_CHECKS,
  type LineChecked,
  type LineCheckName,
  type SheetLine,
  type SheetRig,
} from '@/core/runsheet';
import { clockPattern } from '@/core/units/conventions';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import { lineCheckView as texts } from './texts';

/** What has been ticked of a line and is not written down yet. */
export interface Ticked {
  bad: LineCheckName[];
  note: string;
  /** In milliseconds since 1970. */
  at: number;
}

/** What has just been ticked. */
const tickedNow = (what: Omit<Ticked, 'at'>): Ticked => ({ ...what, at: Date.now() });

/** What is not right with a line, in words; nothing where all is good. */
export const resultText = (result?: Pick<LineChecked, 'bad' | 'note'>): string | undefined =>
  result?.bad.length
    ? [...result.bad.map((each) => LINE_CHECKS[each].bad), result.note].filter(Boolean).join(', ')
    : undefined;

interface Props {
  id: string;
  document: RigDocument;
  rig: SheetRig;
  line: SheetLine;
  before?: LineChecked;
  /** What has been ticked and is not written down yet. */
  ticked?: Ticked;
  onTicked: (to?: Ticked) => void;
  busy: boolean;
  /** Whether its main button has the focus: the line before was written down by it. */
  focused: boolean;
  onChecked: (bad: LineCheckName[], note: string) => void;
}

/** One line with its sound: what is not right is ticked, and then written down. */
export function CheckedLine({ id, document, rig, line, before, ticked, onTicked, busy, focused, onChecked }: Props) {
  // What is already written down as it was found when the line was opened; somebody else may write it down anew meanwhile.
  const [found] = useState({ bad: before?.bad ?? [], note: before?.note ?? '' });
  const [since] = useState(() => Date.now());
  const { bad, note } = ticked ?? found;
  // What cannot be pressed cannot be focused: while the line before is still being written down it waits.
  const button = useRef<HTMLButtonElement>(null);
  const focuses = useRef(focused);
  useEffect(() => {
    if (busy || !focuses.current) return;
    focuses.current = false;
    button.current?.focus();
  }, [busy]);
  const set = (to: Partial<Omit<Ticked, 'at'>>) => {
    const next = { bad, note, ...to };
    const asFound = next.note === found.note && next.bad.join() === found.bad.join();
    onTicked(asFound ? undefined : tickedNow(next));
  };
  const gain = plannedGain(document, line.id);
  const finds = bad.includes('arrives') || bad.includes('clean') || bad.includes('polarity');
  return (
    <Box>
      <Typography color="textSecondary" sx={{ fontWeight: 650 }}>
        {heardOn(line)}
      </Typography>
      <Typography variant="step" component="h3" sx={{ mb: 0.5 }}>
        {line.name}
      </Typography>
      <Typography color="textSecondary" sx={{ mb: 1 }}>
        {texts.haveItPlayedSpoken(line.source)}
        {gain && ` ${gain}`}
      </Typography>
      {before && (
        <Typography variant="body2" role="note" sx={{ mb: 1 }}>
          {texts.checkedAlreadyCheckingItAgain(resultText(before))}
        </Typography>
      )}
      {ticked && ticked.at < since && (
        <Typography variant="body2" role="note" sx={{ mb: 1 }}>
          {texts.changedNotWrittenDownYet(dayjs(ticked.at).format(clockPattern()))}
        </Typography>
      )}
      <Typography variant="body2" sx={{ fontWeight: 650 }}>
        {texts.tickWhatIsNotRight}
      </Typography>
      {checksOf(rig, line).map((name) => (
        <FormControlLabel
          key={name}
          sx={{ display: 'flex', minHeight: 44 }}
          control={
            <Checkbox
              checked={bad.includes(name)}
              onChange={(_, on) => set({ bad: on ? [...bad, name] : bad.filter((each) => each !== name) })}
            />
          }
          label={
            <Typography variant="body2" component="span">
              {capital(LINE_CHECKS[name].bad)}
              <Box component="span" sx={{ color: 'text.secondary' }}>
                {texts.good(LINE_CHECKS[name].good)}
              </Box>
            </Typography>
          }
        />
      ))}
      {bad.length > 0 && (
        <TextField
          label={texts.note}
          value={note}
          onChange={(event) => set({ note: event.target.value.slice(0, 200) })}
          fullWidth
          sx={{ my: 1 }}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        <Button
          variant="contained"
          disabled={busy}
          ref={button}
          onClick={() => onChecked(bad, note)}
          sx={{ flex: '1 1 240px', minHeight: { xs: 72, md: 56 }, fontSize: 'large.fontSize' }}
        >
          {bad.length ? texts.writeItDownNextLine : texts.allGoodNextLine}
        </Button>
        {finds && (
          <FindFaultLink rig={id} line={line.id} heard={bad.includes('arrives') ? 'nothing' : undefined} height={56} />
        )}
        {finds && (
          <Button
            component={NextLink}
            prefetch={false}
            href={`/rig?rig=${id}&line=${line.id}`}
            variant="outlined"
            sx={{ minHeight: 56 }}
          >
            {texts.whatItShouldDo}
          </Button>
        )}
        {bad.includes('clean') && (
          <Button
            component={NextLink}
            prefetch={false}
            href={`/noise?rig=${id}`}
            variant="outlined"
            sx={{ minHeight: 56 }}
          >
            {texts.measureItFindTheNoise}
          </Button>
        )}
      </Box>
    </Box>
  );
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** What the level plan asks of the inlet, in words; nothing where the line's circuit has no single answer. */
function plannedGain(document: RigDocument, id: string): string | undefined {
  const path = rigPath(document, id);
  if (!path) return undefined;
  try {
    const { level } = lineSummary(path.line, schoolsOf(document)).readings;
    return level
      ? texts.gainAboutDb(Math.round(Math.min(Math.max(level.gainNeeded, level.gainMin), level.gainMax)))
      : undefined;
  } catch {
    return undefined;
  }
}
