'use client';

import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import NextLink from 'next/link';
import { COSTS, measuredEdit, withMainsEdit, type MainsAsk, type MainsRemedy, type MainsReport } from '@/core/mains';
import type { RigDocument } from '@/core/rig';
import { GROUND_FIGURES } from '@/core/rig/deviceFigures';
import { quantity } from '@/core/units/format';
import { worded } from '@/core/units/conventions';
import { TermText } from '@/ui/help/TermText';
import { ActionRow } from '../ActionRow';
import { FigureCell } from './FigureCell';
import { FindingMark } from './FindingMark';
import { WorthKnowing } from './WorthKnowing';
import { mainsPanel as text } from './texts';

interface Props {
  rig: string;
  document: RigDocument;
  report: MainsReport | undefined;
  /** What would be worth finding out; it comes after the findings. */
  asks: readonly MainsAsk[] | undefined;
  failed?: string;
  onChange: (change: (from: RigDocument) => RigDocument) => void;
  onTold: (message: string) => void;
}

/** What is wrong with the mains side, worst first, and what each remedy would change. */
export function MainsPanel({ rig, document, report, asks, failed, onChange, onTold }: Props) {
  return (
    <Box sx={{ px: 2, py: 1.75 }}>
      <Typography variant="panel" component="h2">
        {text.findingsAndRemedies}
      </Typography>
      {failed && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {text.theMainsSideCould(failed)}
        </Alert>
      )}
      {!report && !failed && <Typography sx={{ mt: 1 }}>{text.calculating}</Typography>}
      {report?.findings.map((finding, n) => (
        <Box
          key={`${finding.code} ${n}`}
          component="article"
          aria-label={worded(finding.what)}
          sx={{ mt: 1.5, pt: 1.5, borderTop: 1, borderColor: 'divider' }}
        >
          <FindingMark finding={finding} />
          <Typography variant="h3" component="h3">
            {worded(finding.what)}
          </Typography>
          <Typography variant="body2">
            <TermText>{worded(finding.why)}</TermText>
          </Typography>
          {finding.line !== undefined && finding.ask && (
            <Asked document={document} line={finding.line} ask={finding.ask} report={report} onChange={onChange} />
          )}
          {finding.remedies.map((remedy, at) => (
            <Remedy
              key={remedy.what}
              remedy={remedy}
              heading={
                remedy.cost && remedy.cost !== finding.remedies[at - 1]?.cost && finding.remedies.length > 1
                  ? COSTS[remedy.cost]
                  : undefined
              }
              onDo={
                remedy.edit &&
                (() => {
                  onChange((from) => withMainsEdit(from, remedy.edit!));
                  onTold(text.doneOnTheRigUndo);
                })
              }
            />
          ))}
        </Box>
      ))}
      {asks && <WorthKnowing asks={asks} onChange={onChange} />}
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mt: 2 }}>
        {text.protectiveEarthIsNeverLifted}
      </Typography>
      {report && (
        <Button
          component={NextLink}
          prefetch={false}
          href={`/noise/brief?rig=${rig}`}
          variant="outlined"
          sx={{ mt: 1.5 }}
        >
          {text.briefForAnElectrician}
        </Button>
      )}
    </Box>
  );
}

/** The one figure that would tell a line's hum better than anything else. */
function Asked({
  document,
  line,
  ask,
  report,
  onChange,
}: Pick<Props, 'document' | 'onChange'> & { line: string; ask: 'shells' | 'rejection'; report: MainsReport }) {
  const hum = report.readings.lines.find((each) => each.line === line);
  const value = document.mains?.lines?.find((each) => each.line === line)?.[ask];
  const { label, unit } = GROUND_FIGURES[ask];
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mt: 0.75 }}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {ask === 'shells' ? text.aVoltmeterBetweenTheShells : text.theCommonModeRejection}
      </Typography>
      <FigureCell
        label={text.figureOf(label, hum?.name ?? line)}
        range={GROUND_FIGURES[ask]}
        value={value}
        usual={unit}
        onSet={(to) => onChange((from) => withMainsEdit(from, measuredEdit(line, ask, to, hum?.open)))}
      />
    </Box>
  );
}

function Remedy({
  remedy: { what, before, after, unknown },
  heading,
  onDo,
}: {
  remedy: MainsRemedy;
  heading?: string;
  onDo?: () => void;
}) {
  const change = before !== undefined && after !== undefined ? after - before : undefined;
  return (
    <>
      {heading && (
        <Typography variant="body2" color="textSecondary" sx={{ mt: 1.25, mb: -0.25 }}>
          {heading}
        </Typography>
      )}
      <ActionRow>
        <Typography variant="body2" sx={{ flex: 1 }}>
          {worded(what)}
        </Typography>
        {(change !== undefined || unknown) && (
          <Typography variant="body2" sx={{ fontWeight: unknown ? 400 : 700, whiteSpace: 'nowrap' }}>
            {unknown ? text.cannotSay : after! <= -190 ? text.silent : quantity(change!, 'dB')}
          </Typography>
        )}
        {onDo && (
          <Button variant="outlined" onClick={onDo} aria-label={text.doItOnTheRig(worded(what))}>
            {text.doIt}
          </Button>
        )}
      </ActionRow>
    </>
  );
}
