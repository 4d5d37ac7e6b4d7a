'use client';

import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import SwapVertIcon from '@mui/icons-material/SwapVert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import Stack from '@mui/material/Stack';
import Tab from '@mui/material/Tab';
import Tabs from '@mui/material/Tabs';
import TextField from '@mui/material/TextField';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { keyframes } from '@mui/material/styles';
import { memo, useState } from 'react';
import type { Answer, LineResult, Verdict } from '@/core/check';
import { INLETS, LINKS, SOURCES, kindAt, partAt, type Line, type Part, type PartRef } from '@/core/gear';
import type { RigPath } from '@/core/rig';
import type { Edit } from '@/core/gear/edits';
import { Facts } from '@/ui/parts/Facts';
import { FindFaultLink } from '@/ui/test/FindFaultLink';
import { NameField, PartEditor } from '@/ui/parts/PartEditor';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import { Why } from '@/ui/why/Why';
import { MomentsView } from './MomentsView';
import { ProbePanel } from './ProbePanel';
import { Readings } from './Readings';
import type { Probe } from './useRigCheck';
import { linePanel as text } from './texts';

export type PanelTab = 'why' | 'part' | 'readings' | 'moments';

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
      <Head
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
          <Parts line={line} part={props.part} onPart={props.onPart} onEdit={onEdit} onNote={props.onNote} />
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

interface HeadProps extends Pick<Props, 'tab' | 'onTab' | 'onDuplicate' | 'onMove' | 'onRemove'> {
  name: string;
  inlet: string | undefined;
  verdict: Verdict;
}

/** Which line it is, what it is, and what can be done with it as a whole. */
const Head = memo(function Head({ name, inlet, verdict, tab, onTab, onDuplicate, onMove, onRemove }: HeadProps) {
  return (
    <Box sx={{ px: 2.5, pt: 1.75 }}>
      <Typography variant="caption" color="textSecondary" component="p">
        {inlet}
      </Typography>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
        <Typography variant="panel" component="h2" sx={{ flex: 1, minWidth: 0 }}>
          {name}
        </Typography>
        <Action
          label={text.duplicateThisLineD}
          onClick={onDuplicate}
          icon={<ContentCopyIcon sx={{ fontSize: 17 }} />}
        />
        <Action
          label={text.moveToAnotherInletM}
          onClick={(event) => onMove(event.currentTarget)}
          icon={<SwapVertIcon sx={{ fontSize: 19 }} />}
        />
        <Action
          label={text.removeThisLineDeleteUndo}
          onClick={onRemove}
          icon={<DeleteOutlineIcon sx={{ fontSize: 18 }} />}
        />
      </Box>
      <Box data-testid="verdict" sx={{ mt: 0.25 }}>
        <VerdictMark verdict={verdict} size="large" />
      </Box>
      <PanelTabs tab={tab} onTab={onTab} />
    </Box>
  );
});

const PanelTabs = memo(function PanelTabs({ tab, onTab }: Pick<Props, 'tab' | 'onTab'>) {
  return (
    <Tabs
      value={tab}
      onChange={(_, to: PanelTab) => onTab(to)}
      aria-label={text.aboutThisLine}
      sx={{
        mt: 0.5,
        minHeight: { xs: 44, md: 34 },
        '& .MuiTab-root': {
          minHeight: { xs: 44, md: 34 },
          minWidth: 0,
          px: 1.25,
          textTransform: 'none',
          fontSize: 'body2.fontSize',
        },
      }}
    >
      <Tab value="why" label={text.why} />
      <Tab value="part" label={text.parts} />
      <Tab value="readings" label={text.readings} />
      <Tab value="moments" label={text.transients} />
    </Tabs>
  );
});

function Action({
  label,
  icon,
  onClick,
}: {
  label: string;
  icon: React.ReactNode;
  onClick: (event: React.MouseEvent<HTMLButtonElement>) => void;
}) {
  return (
    <Tooltip title={label}>
      <IconButton size="small" aria-label={label.replace(/ \(.*/, '')} onClick={onClick}>
        {icon}
      </IconButton>
    </Tooltip>
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

type PartsProps = Pick<Props, 'part' | 'onPart' | 'onEdit' | 'onNote'> & { line: Line };

/** The line's name, note and parts; one part at a time is open for editing. */
const Parts = memo(function Parts({ line, part, onPart, onEdit, onNote }: PartsProps) {
  const chosen: PartRef = typeof part === 'number' && part >= line.links.length ? 'source' : part;
  const refs: PartRef[] = ['source', ...line.links.keys(), 'inlet'];
  const current = partAt(line, chosen);
  return (
    <Stack spacing={2}>
      <NameField
        key={line.id}
        label={text.line}
        value={line.name}
        onChange={(name) => name && onEdit([{ do: 'rename', name }])}
      />
      <Box
        component="ol"
        aria-label={text.partsOfThisLine}
        sx={{ listStyle: 'none', m: 0, p: 0, borderTop: 1, borderColor: 'divider' }}
      >
        {refs.map((ref) => {
          const each = partAt(line, ref);
          const on = ref === chosen;
          return (
            <Box component="li" key={String(ref)} sx={{ borderBottom: 1, borderColor: 'divider' }}>
              <Button
                onClick={() => onPart(ref)}
                aria-pressed={on}
                color={on ? 'primary' : 'inherit'}
                sx={{
                  width: '100%',
                  justifyContent: 'flex-start',
                  textAlign: 'left',
                  fontWeight: on ? 700 : 500,
                  py: 0.25,
                }}
              >
                {each.name || kindAt(ref, each.kind).label}
              </Button>
            </Box>
          );
        })}
      </Box>
      <PartEditor
        key={`${line.id}.${chosen}`}
        role={chosen}
        part={withoutSwitch(chosen, current)}
        kinds={chosen === 'source' ? SOURCES : chosen === 'inlet' ? INLETS : LINKS}
        onChange={(ref, to) => onEdit([{ do: 'replace', part: ref, with: to }])}
      />
      <Facts part={current} kind={kindAt(chosen, current.kind)} />
      {typeof chosen === 'number' && (
        <Button
          color="error"
          sx={{ alignSelf: 'flex-start' }}
          onClick={() => {
            onEdit([{ do: 'remove', at: chosen }]);
            onPart('source');
          }}
        >
          {text.removeThisLink}
        </Button>
      )}
      <NoteField key={line.note ?? ''} value={line.note ?? ''} onChange={onNote} />
    </Stack>
  );
});

/** An inlet's name is made of its device's and its own; here only what it is can be changed. */
const withoutSwitch = (ref: PartRef, part: Part): Part => {
  if (ref !== 'inlet') return part;
  const { name: _made, ...rest } = part;
  return rest;
};

function NoteField({ value, onChange }: { value: string; onChange: (note: string) => void }) {
  const [draft, setDraft] = useState(value);
  return (
    <TextField
      label={text.note}
      multiline
      minRows={2}
      value={draft}
      onChange={(event) => setDraft(event.target.value)}
      onBlur={() => draft.trim() !== value && onChange(draft.trim())}
      slotProps={{ htmlInput: { maxLength: 500 } }}
    />
  );
}
