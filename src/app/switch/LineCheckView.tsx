'use client';

import CheckCircleOutlinedIcon from '@mui/icons-material/CheckCircleOutlined';
import RadioButtonUncheckedIcon from '@mui/icons-material/RadioButtonUnchecked';
import ReportProblemOutlinedIcon from '@mui/icons-material/ReportProblemOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Checkbox from '@mui/material/Checkbox';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { useState } from 'react';
import { lineSummary } from '@/core/check';
import { rigPath, schoolsOf, type RigDocument } from '@/core/rig';
import {
  checkable,
  checksOf,
  heardOn,
  LINE_CHECKS,
  type LineChecked,
  type LineCheckName,
  type Session,
  type SheetLine,
  type SheetRig,
} from '@/core/runsheet';
import { lineCheckView as texts } from './texts';

interface Props {
  /** Id of the rig. */
  id: string;
  document: RigDocument;
  rig: SheetRig;
  session: Session;
  busy: boolean;
  /** @returns whether it was taken */
  onChecked: (line: string, bad: LineCheckName[], note: string) => Promise<boolean>;
  onClose: () => void;
}

/** Line by line, with sound: what to look at and listen to, and what becomes of what is not right. */
export function LineCheckView({ id, document, rig, session, busy, onChecked, onClose }: Props) {
  const { checked = {} } = session;
  const lines = checkable(rig, session.state);
  const open = lines.filter((line) => !checked[line.id]);
  // Whatever somebody else writes down meanwhile, the line under the hand stays.
  const [shown, setShown] = useState<string | undefined>(open[0]?.id);
  const [moved, setMoved] = useState(false);
  const line = lines.find((each) => each.id === shown);
  const show = (id: string | undefined, byButton = false) => {
    setShown(id);
    setMoved(byButton);
  };
  const bad = lines.filter((each) => checked[each.id]?.bad.length);
  return (
    <Box component="section" aria-label={texts.lineCheck} sx={{ px: { xs: 2, md: 4 }, py: 2, maxWidth: 820 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h2">{texts.lineCheck}</Typography>
        <Typography variant="body2" color="textSecondary" role="status">
          {texts.ofLinesChecked(lines.length - open.length, lines.length, bad.length)}
        </Typography>
        <Button onClick={onClose} sx={{ ml: 'auto', minHeight: 44 }}>
          {texts.backToTheSheet}
        </Button>
      </Box>
      {lines.length === 0 && <Typography>{texts.nothingIsPluggedThroughYet}</Typography>}
      {lines.length > 0 && !line && open.length === 0 && (
        <Typography sx={{ fontSize: 'h1.fontSize', fontWeight: 650, mb: 1 }}>
          {texts.everyLineHasBeenChecked}
        </Typography>
      )}
      {!line && open.length > 0 && (
        <Button variant="contained" onClick={() => show(open[0].id)} sx={{ minHeight: 56 }}>
          {texts.next(open[0].name)}
        </Button>
      )}
      {line && (
        <OneLine
          key={line.id}
          id={id}
          document={document}
          rig={rig}
          line={line}
          before={checked[line.id]}
          busy={busy}
          focused={moved}
          onChecked={async (wrong, note) => {
            if (await onChecked(line.id, wrong, note)) show(open.find((each) => each !== line)?.id, true);
          }}
        />
      )}
      <Box component="ul" aria-label={texts.lines} sx={{ listStyle: 'none', m: 0, mt: 2, p: 0 }}>
        {lines.map((each) => (
          <Box key={each.id} component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
            <ButtonBase
              onClick={() => show(each.id)}
              aria-current={each === line ? 'step' : undefined}
              sx={{ width: '100%', justifyContent: 'flex-start', gap: 1, minHeight: 44, textAlign: 'left' }}
            >
              <Mark result={checked[each.id]} />
              <Typography variant="body2" component="span" sx={{ fontWeight: each === line ? 650 : 400 }}>
                {each.name}
              </Typography>
              <Typography variant="body2" component="span" color="textSecondary" sx={{ ml: 'auto' }}>
                {resultText(checked[each.id]) ?? heardOn(each)}
              </Typography>
            </ButtonBase>
          </Box>
        ))}
      </Box>
    </Box>
  );
}

const resultText = (result: LineChecked | undefined): string | undefined =>
  result?.bad.length
    ? [...result.bad.map((each) => LINE_CHECKS[each].bad), result.note].filter(Boolean).join(', ')
    : undefined;

function Mark({ result }: { result?: LineChecked }) {
  if (!result) return <RadioButtonUncheckedIcon fontSize="small" titleAccess={texts.notChecked} />;
  return result.bad.length ? (
    <ReportProblemOutlinedIcon
      fontSize="small"
      titleAccess={texts.notRight}
      sx={(theme) => ({ color: theme.vars!.palette.verdict.Watch })}
    />
  ) : (
    <CheckCircleOutlinedIcon
      fontSize="small"
      titleAccess="good"
      sx={(theme) => ({ color: theme.vars!.palette.verdict.Clear })}
    />
  );
}

interface OneProps {
  id: string;
  document: RigDocument;
  rig: SheetRig;
  line: SheetLine;
  before?: LineChecked;
  busy: boolean;
  /** Whether its main button has the focus: the line before was written down by it. */
  focused: boolean;
  onChecked: (bad: LineCheckName[], note: string) => void;
}

function OneLine({ id, document, rig, line, before, busy, focused, onChecked }: OneProps) {
  const [bad, setBad] = useState<LineCheckName[]>(before?.bad ?? []);
  const [note, setNote] = useState(before?.note ?? '');
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
              onChange={(_, on) => setBad(on ? [...bad, name] : bad.filter((each) => each !== name))}
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
          onChange={(event) => setNote(event.target.value.slice(0, 200))}
          fullWidth
          sx={{ my: 1 }}
        />
      )}
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', mt: 1 }}>
        <Button
          variant="contained"
          disabled={busy}
          autoFocus={focused}
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
