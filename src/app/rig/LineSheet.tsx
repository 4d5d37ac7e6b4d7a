'use client';

import ContentCopyIcon from '@mui/icons-material/ContentCopy';
import DeleteOutlineIcon from '@mui/icons-material/DeleteOutlined';
import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Divider from '@mui/material/Divider';
import IconButton from '@mui/material/IconButton';
import ListSubheader from '@mui/material/ListSubheader';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import Stack from '@mui/material/Stack';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Tooltip from '@mui/material/Tooltip';
import Typography from '@mui/material/Typography';
import { memo, useCallback, useMemo, useState, type ReactNode, type RefObject } from 'react';
import {
  CONNECTORS,
  INLETS,
  LINKS,
  SOURCES,
  inletKind,
  kindAt,
  partAt,
  reader,
  type Line,
  type Part,
  type PartRef,
} from '@/core/gear';
import type { Edit } from '@/core/rig/edits';
import { PartEditor, NameField } from '@/ui/parts/PartEditor';
import { Strip } from '@/ui/strip/Strip';
import { VerdictMark } from '@/ui/verdict/VerdictMark';
import type { CheckWorker } from '@/workers/checkWorker';
import { PartLabels } from './PartLabels';
import { ProbePanel } from './ProbePanel';
import { Readings } from './Readings';
import { useProbe, type LineAnswer, type Probe } from './useCheck';

interface Props {
  line: Line;
  answer?: LineAnswer;
  worker: RefObject<CheckWorker | undefined>;
  onEdit: (edits: Edit[]) => void;
  onDuplicate: () => void;
  onRemove: () => void;
}

/** One line: its switch, its drawing, what a meter reads on it, and the part being edited. */
export function LineSheet({ line, answer, worker, onEdit, onDuplicate, onRemove }: Props) {
  const [part, setPart] = useState<PartRef>('source');
  const [inserting, setInserting] = useState<{ at: number; button: HTMLElement; open: boolean }>();
  // The button stays known while the menu fades out.
  const closeMenu = () => setInserting((asked) => asked && { ...asked, open: false });
  const chosen: PartRef = typeof part === 'number' && part >= line.links.length ? 'source' : part;
  const result = answer?.result;
  const replace = useCallback((role: PartRef, to: Part) => onEdit([{ do: 'replace', part: role, with: to }]), [onEdit]);

  const insert = (kind: string) => {
    const { at } = inserting!;
    onEdit([{ do: 'insert', at, part: fitting(line, at, kind) }]);
    setPart(at);
    closeMenu();
  };
  return (
    <Stack spacing={2} sx={{ p: 2.5, minWidth: 0 }}>
      <Stack direction="row" spacing={1.5} sx={{ alignItems: 'center', flexWrap: 'wrap', rowGap: 1 }}>
        <NameField
          key={line.name}
          label="Line"
          value={line.name}
          onChange={(name) => name && onEdit([{ do: 'rename', name }])}
        />
        <Box>
          <Tooltip title="Duplicate this line">
            <IconButton aria-label="Duplicate this line" onClick={onDuplicate}>
              <ContentCopyIcon fontSize="small" />
            </IconButton>
          </Tooltip>
          <Tooltip title="Remove this line (undo brings it back)">
            <IconButton aria-label="Remove this line" onClick={onRemove}>
              <DeleteOutlineIcon fontSize="small" />
            </IconButton>
          </Tooltip>
        </Box>
        {result && (
          <Box sx={{ display: { md: 'none' } }}>
            <VerdictMark verdict={result.verdict} size="large" />
          </Box>
        )}
        <FeedSwitch inlet={line.inlet} onEdit={onEdit} />
      </Stack>
      <Divider />
      {answer?.failed && (
        <Alert severity="error">
          This line cannot be solved: {answer.failed}. Undo the last change, or take the part out that causes it.
        </Alert>
      )}
      {result && result.readings.junctions.length === line.links.length + 1 && (
        <Drawing line={answer.line} answer={answer} worker={worker}>
          {(probe, setTip) => (
            <Strip
              result={result}
              tips={probe}
              onTip={setTip}
              labels={(grid) => (
                <PartLabels
                  line={line}
                  grid={grid}
                  selected={chosen}
                  onSelect={setPart}
                  onInsert={(at, button) => setInserting({ at, button, open: true })}
                />
              )}
            />
          )}
        </Drawing>
      )}
      <Divider />
      <PartEditor
        key={`${line.id}.${chosen}`}
        role={chosen}
        part={partAt(line, chosen)}
        kinds={chosen === 'source' ? SOURCES : chosen === 'inlet' ? INLETS : LINKS}
        onChange={replace}
      />
      {typeof chosen === 'number' && (
        <Button
          color="error"
          sx={{ alignSelf: 'flex-start' }}
          onClick={() => {
            onEdit([{ do: 'remove', at: chosen }]);
            setPart('source');
          }}
        >
          Take this link out
        </Button>
      )}
      <Menu
        open={inserting?.open ?? false}
        anchorEl={inserting?.button}
        onClose={closeMenu}
        anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
        transformOrigin={{ vertical: 'top', horizontal: 'center' }}
        slotProps={{ paper: { sx: { maxHeight: 430 } } }}
      >
        <ListSubheader sx={{ lineHeight: 2.4 }}>Insert a link</ListSubheader>
        {LINKS.map(({ kind, label, summary }) => (
          <MenuItem key={kind} onClick={() => insert(kind)} sx={{ maxWidth: 460, whiteSpace: 'normal' }}>
            <Box>
              <Typography variant="body2" sx={{ fontWeight: 650 }}>
                {label}
              </Typography>
              <Typography variant="caption" color="textSecondary">
                {summary}
              </Typography>
            </Box>
          </MenuItem>
        ))}
      </Menu>
    </Stack>
  );
}

/** A new link; a cable gets the connector of the place it is put into. */
function fitting(line: Line, at: number, kind: string): Part {
  const fresh: Part = { kind };
  if (kind !== 'cable') return fresh;
  const before: PartRef = at === 0 ? 'source' : at - 1;
  const part = partAt(line, before);
  const known = kindAt(before, part.kind);
  const read = reader(known, part);
  const connector =
    known.role === 'source' ? known.connector(read) : known.role === 'link' ? known.ends(read).output : 'xlr3';
  return { ...fresh, choices: { connector } };
}

/** The inlet's feed: the switch of this line. */
const FeedSwitch = memo(function FeedSwitch({ inlet, onEdit }: { inlet: Part; onEdit: Props['onEdit'] }) {
  const kind = inletKind(inlet.kind);
  const feed = kind.choices.feed;
  if (!feed)
    return (
      <Typography variant="body2" color="textSecondary" sx={{ ml: 'auto !important' }}>
        This inlet has no feed
      </Typography>
    );
  const value = reader(kind, inlet).choice('feed');
  const change = (to: string | null) => to && onEdit([{ do: 'choose', part: 'inlet', choice: 'feed', value: to }]);
  return (
    <Stack direction="row" spacing={1} sx={{ alignItems: 'center', ml: 'auto !important' }}>
      <Typography variant="body2" id="feed-label">
        Feed
      </Typography>
      <ToggleButtonGroup
        exclusive
        size="small"
        color="primary"
        value={value}
        onChange={(_, to) => change(to)}
        aria-labelledby="feed-label"
      >
        {feed.options.map(({ value: option, label }) => (
          <ToggleButton key={option} value={option}>
            {label.replace(' high current', '+')}
          </ToggleButton>
        ))}
      </ToggleButtonGroup>
    </Stack>
  );
});

interface DrawingProps {
  line: Line;
  answer: LineAnswer;
  worker: Props['worker'];
  children: (probe: Probe, setTip: (tip: Probe['red']) => void) => ReactNode;
}

/** The strip with its probe and readings. The red tip goes where you press, the black one where it was pressed before. */
function Drawing({ line, answer, worker, children }: DrawingProps) {
  const result = answer.result!;
  const { junctions } = result.readings;
  const [placed, setPlaced] = useState<Probe>();
  const { plug } = junctions[0];
  const standard = useMemo((): Probe => {
    const { pairs, reference } = CONNECTORS[plug];
    return { red: { junction: 0, contact: pairs[0][0] }, black: { junction: 0, contact: reference } };
  }, [plug]);
  const here = ({ junction, contact }: Probe['red']) =>
    junctions[junction]?.contacts.some((other) => other.contact === contact);
  const probe = placed && here(placed.red) && here(placed.black) ? placed : standard;
  const reading = useProbe(worker, line, probe);
  return (
    <>
      {children(probe, (tip) => setPlaced({ red: tip, black: probe.red }))}
      <ProbePanel result={result} probe={probe} reading={reading} onChange={setPlaced} />
      <Divider />
      <Readings result={result} />
    </>
  );
}
