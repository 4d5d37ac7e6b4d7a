'use client';

import CheckCircleOutlinedIcon from '@mui/icons-material/CheckCircleOutlined';
import RadioButtonUncheckedIcon from '@mui/icons-material/RadioButtonUnchecked';
import ReportProblemOutlinedIcon from '@mui/icons-material/ReportProblemOutlined';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import Typography from '@mui/material/Typography';
import { memo, useCallback, useState } from 'react';
import type { RigDocument } from '@/core/rig';
import {
  checkable,
  heardOn,
  type LineChecked,
  type LineCheckName,
  type Session,
  type SheetLine,
  type SheetRig,
} from '@/core/runsheet';
import { CheckedLine, resultText, type Ticked } from './CheckedLine';
import { lineCheckView as texts } from './texts';

/** What is begun of a line check and not written down yet. */
export interface Checking {
  open?: boolean;
  /** The line under the hand. */
  line?: string;
  /** What has been ticked, by line. */
  ticked?: Record<string, Ticked>;
}

interface Props {
  /** Id of the rig. */
  id: string;
  document: RigDocument;
  rig: SheetRig;
  session: Session;
  checking: Checking;
  onChecking: (change: (from: Checking) => Checking) => void;
  busy: boolean;
  /** @returns whether it was taken */
  onChecked: (line: string, bad: LineCheckName[], note: string) => Promise<boolean>;
}

/** Line by line, with sound: what to look at and listen to, and what becomes of what is not right. */
export function LineCheckView({ id, document, rig, session, checking, onChecking, busy, onChecked }: Props) {
  const { checked = {} } = session;
  const lines = checkable(rig, session.state);
  const open = lines.filter((line) => !checked[line.id]);
  // Whatever somebody else writes down meanwhile, the line under the hand stays.
  const [shown, setShown] = useState<string | undefined>(
    () => lines.find((each) => each.id === checking.line)?.id ?? open[0]?.id,
  );
  const [moved, setMoved] = useState(false);
  const line = lines.find((each) => each.id === shown);
  const show = useCallback(
    (id: string | undefined, byButton = false) => {
      setShown(id);
      setMoved(byButton);
      onChecking((from) => ({ ...from, line: id }));
    },
    [onChecking],
  );
  const tick = (id: string, to?: Ticked) =>
    onChecking(({ ticked, ...from }) => {
      const { [id]: _, ...others } = ticked ?? {};
      return { ...from, line: id, ticked: to ? { ...others, [id]: to } : others };
    });
  const bad = lines.filter((each) => checked[each.id]?.bad.length);
  return (
    <Box component="section" aria-label={texts.lineCheck} sx={{ px: { xs: 2, md: 4 }, py: 2, maxWidth: 820 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 2, flexWrap: 'wrap', mb: 1 }}>
        <Typography variant="h2">{texts.lineCheck}</Typography>
        <Typography variant="body2" color="textSecondary" role="status">
          {texts.ofLinesChecked(lines.length - open.length, lines.length, bad.length)}
        </Typography>
        <Button
          onClick={() => onChecking((from) => ({ ...from, open: false, line: undefined }))}
          sx={{ ml: 'auto', minHeight: 44 }}
        >
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
        <CheckedLine
          key={line.id}
          id={id}
          document={document}
          rig={rig}
          line={line}
          before={checked[line.id]}
          ticked={checking.ticked?.[line.id]}
          onTicked={(to) => tick(line.id, to)}
          busy={busy}
          focused={moved}
          onChecked={async (wrong, note) => {
            if (!(await onChecked(line.id, wrong, note))) return;
            tick(line.id);
            show(open.find((each) => each !== line)?.id, true);
          }}
        />
      )}
      <Box component="ul" aria-label={texts.lines} sx={{ listStyle: 'none', m: 0, mt: 2, p: 0 }}>
        {lines.map((each) => (
          <Row
            key={each.id}
            line={each}
            result={checked[each.id]}
            ticked={checking.ticked?.[each.id]}
            shown={each === line}
            onShow={show}
          />
        ))}
      </Box>
    </Box>
  );
}

interface RowProps {
  line: SheetLine;
  result?: LineChecked;
  ticked?: Ticked;
  shown: boolean;
  onShow: (id: string) => void;
}

/** A line of the list; hundreds of them stay as they are while a note is typed. */
const Row = memo(function Row({ line, result, ticked, shown, onShow }: RowProps) {
  return (
    <Box component="li" sx={{ borderTop: 1, borderColor: 'divider' }}>
      <ButtonBase
        onClick={() => onShow(line.id)}
        aria-current={shown ? 'step' : undefined}
        sx={{ width: '100%', justifyContent: 'flex-start', gap: 1, minHeight: 44, textAlign: 'left' }}
      >
        <Mark result={result} />
        <Typography variant="body2" component="span" sx={{ fontWeight: shown ? 650 : 400 }}>
          {line.name}
        </Typography>
        <Typography variant="body2" component="span" color="textSecondary" sx={{ ml: 'auto' }}>
          {ticked ? texts.notWrittenDownYet(resultText(ticked)) : (resultText(result) ?? heardOn(line))}
        </Typography>
      </ButtonBase>
    </Box>
  );
});

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
