'use client';

import Box from '@mui/material/Box';
import Stack from '@mui/material/Stack';
import Typography from '@mui/material/Typography';
import { keyframes } from '@mui/material/styles';
import { memo } from 'react';
import type { Answer, LineResult } from '@/core/check';
import { kindAt, partAt, type Line, type PartRef } from '@/core/gear';
import type { RigPath } from '@/core/rig';
import type { Edit } from '@/core/gear/edits';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import { Why } from '@/ui/why/Why';
import { LineHead, type PanelTab } from './LineHead';
import { LineParts } from './LineParts';
import { MomentsView } from './MomentsView';
import { ProbePanel } from './ProbePanel';
import { Readings } from './Readings';
import type { Probe } from './useRigCheck';
import { linePanel as text } from './texts';

interface Props {
  /** Id of the rig. */
  rig: string;
  path: RigPath;
  result: LineResult;
  tab: PanelTab;
  part: PartRef;
  probe: Probe;
  reading?: { volts?: number; failed?: string };
  /** What helps against its findings is not known yet. */
  trying: boolean;
  onTab: (tab: PanelTab) => void;
  onPart: (part: PartRef) => void;
  onProbe: (probe: Probe) => void;
  onEdit: (edits: Edit[]) => void;
  onAnswer: (answer: Answer) => void;
  onNote: (note: string) => void;
  onDuplicate: () => void;
  onMove: (button: HTMLElement) => void;
  onRemove: () => void;
}

/** What is there within a moment need not be announced. */
const late = keyframes`from, to { opacity: 0; }`;

/** Everything about the selected line beside its strip: why it has its verdict, its parts, its readings, its moments. */
export function LinePanel(props: Props) {
  const { path, result, tab, probe, reading, onProbe, onEdit, onAnswer } = props;
  const { line } = path;
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, height: '100%' }}>
      <LineHead
        name={line.name}
        inlet={line.inlet.name}
        verdict={result.verdict}
        tab={tab}
        onTab={props.onTab}
        onDuplicate={props.onDuplicate}
        onMove={props.onMove}
        onRemove={props.onRemove}
      />
      <Box
        role="tabpanel"
        aria-label={tab}
        tabIndex={0}
        sx={{ flex: 1, overflowY: 'auto', px: 2.5, py: 1.75, borderTop: 1, borderColor: 'divider', minHeight: 0 }}
      >
        {tab === 'why' && (
          <>
            <Why result={result} onApply={onEdit} onAnswer={onAnswer} />
            {props.trying && result.findings.some(({ severity }) => severity !== 'note') && (
              <Typography
                role="status"
                variant="body2"
                color="textSecondary"
                sx={{ mt: 1.25, animation: `${late} 0.4s` }}
              >
                {text.tryingWhatHelps}
              </Typography>
            )}
            <Cautions line={line} />
            <Box sx={{ mt: 1.5 }}>
              <FindFaultLink rig={props.rig} line={line.id} variant="text">
                {text.noSoundOrABad}
              </FindFaultLink>
            </Box>
            {line.note && (
              <Typography variant="body2" color="textSecondary" sx={{ mt: 2, fontStyle: 'italic' }}>
                {line.note}
              </Typography>
            )}
          </>
        )}
        {tab === 'part' && (
          <LineParts line={line} part={props.part} onPart={props.onPart} onEdit={onEdit} onNote={props.onNote} />
        )}
        {tab === 'readings' && <Readings result={result} />}
        {tab === 'moments' && <MomentsView result={result} />}
      </Box>
      <Box sx={{ px: 2.5, py: 1.25, borderTop: 1, borderColor: 'divider' }}>
        <ProbePanel result={result} probe={probe} reading={reading} onChange={onProbe} />
      </Box>
    </Box>
  );
}

/** What can hurt people on this line: said where its feed and its parts are decided. */
const Cautions = memo(function Cautions({ line }: { line: Line }) {
  const refs: PartRef[] = ['source', ...line.links.keys(), 'inlet'];
  const own = refs.flatMap((ref) => kindAt(ref, partAt(line, ref).kind).caution ?? []);
  return (
    <Stack spacing={1} sx={{ mt: 2 }}>
      {[...new Set(own)].map((caution) => (
        <Typography key={caution} variant="body2" sx={{ fontWeight: 600 }} role="note">
          {caution}
        </Typography>
      ))}
      <Typography variant="caption" color="textSecondary">
        {text.turnMonitorsAndHeadphonesDown}
      </Typography>
    </Stack>
  );
});
