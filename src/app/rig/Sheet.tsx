'use client';

import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { memo, useLayoutEffect, useRef, useState, type ReactNode } from 'react';
import { kindAt } from '@/core/gear';
import { shortInletName, type Device, type InletRef, type RigPath, type Section } from '@/core/rig';
import type { GroupResult } from '@/core/rigcheck';
import { feedLabel, type FeedName } from '@/core/standards/feeds';
import { fileDrop } from '@/ui/files/fileDropped';
import { Carrying } from './Carrying';
import { NAME_WIDTH, VERDICT_WIDTH } from './LineRow';
import type { Row, RowActions } from './row';
import { FIRST_ROWS, NearProvider } from './near';
import { SectionView } from './SectionView';
import { groupKey, type Probe, type Solution } from './useRigCheck';
import { sheet as text } from './texts';

/** What is looked at: one line, one switch, or the whole rig. */
export type Selection = { line: string } | { device: string; group?: string } | { whole: true };

interface Props {
  sections: readonly Section[];
  /** Lines that the filter and the search leave. */
  visible: ReadonlySet<string>;
  filtered: boolean;
  solution: Solution;
  selection?: Selection;
  /** Ids of the marked lines. */
  marked: readonly string[];
  picking: boolean;
  tips?: Probe;
  actions: RowActions;
  onGroup: (device: string, group?: string) => void;
  onFeed: (device: string, group: string, feed: FeedName) => void;
  onMove: (line: string, to: InletRef) => void;
  onReorder: (line: string, over: string) => void;
  onNewLine: () => void;
  /** A file was dropped on it. */
  onDrop: (file: File) => void;
  /** At its foot, always in sight. */
  foot: ReactNode;
}

/** All lines under their switches. Lines are carried by their grip: within a switch to another place, elsewhere to an inlet. */
export const Sheet = memo(function Sheet(props: Props) {
  const {
    sections,
    visible,
    filtered,
    solution,
    selection,
    marked,
    picking,
    tips,
    actions,
    onGroup,
    onFeed,
    onMove,
    onReorder,
    onNewLine,
    onDrop,
    foot,
  } = props;
  const drop = fileDrop(onDrop);
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  useLayoutEffect(() => {
    const element = holder.current;
    if (!element) return;
    // Without its scroll bar; whole pixels of it are rounded, what is drawn must never be wider.
    const measure = () =>
      setWidth(Math.floor(element.getBoundingClientRect().width) - (element.offsetWidth - element.clientWidth));
    // At once: what is drawn for the width of the window is drawn for that of the sheet as well.
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  const wide = useMediaQuery(useTheme().breakpoints.up('md'));
  const room = wide ? Math.max(width - NAME_WIDTH - VERDICT_WIDTH, 160) : Math.max(width - 16, 160);
  const selectedLine = selection && 'line' in selection ? selection.line : undefined;
  let before = 0;
  return (
    <Box
      ref={holder}
      component="main"
      id="sheet"
      tabIndex={-1}
      {...drop}
      sx={{ gridArea: 'sheet', overflowY: { md: 'auto' }, minWidth: 0 }}
    >
      <NearProvider scroller={wide ? holder : undefined} rows={visible.size}>
        <Carrying sections={sections} onMove={onMove} onReorder={onReorder}>
          {sections.map(({ device, group, lines, free }) => {
            const shown = lines.filter(({ line }) => visible.has(line.id));
            if (filtered && shown.length === 0) return null;
            const key = groupKey(device.id, group?.id ?? '');
            const first = Math.max(0, FIRST_ROWS - before);
            before += shown.length;
            const holds = shown.some(({ line }) => line.id === selectedLine);
            return (
              <SectionView
                key={key}
                device={device}
                group={group}
                rows={shown.map((path) => rowOf(path, device, solution, marked.includes(path.line.id)))}
                free={filtered ? [] : free}
                result={solution.groups.get(key)}
                options={solution.feeds.get(key)}
                objecting={objectingText(lines, solution.groups.get(key))}
                chosen={Boolean(
                  selection && 'device' in selection && selection.device === device.id && selection.group === group?.id,
                )}
                selectedLine={holds ? selectedLine : undefined}
                tips={holds ? tips : undefined}
                room={room}
                first={first}
                picking={picking}
                actions={actions}
                onGroup={onGroup}
                onFeed={onFeed}
              />
            );
          })}
        </Carrying>
      </NearProvider>
      {filtered && visible.size === 0 && (
        <Typography variant="body1" sx={{ p: 3 }} color="textSecondary">
          {text.noLineMatchesThisFilter}
        </Typography>
      )}
      <Button startIcon={<AddIcon />} onClick={onNewLine} title={text.newLineN} sx={{ m: 1.5 }}>
        {text.newLine}
      </Button>
      {foot}
    </Box>
  );
});

function objectingText(lines: readonly RigPath[], result: GroupResult | undefined): string {
  const { objecting = [], feed = 'off' } = result ?? {};
  const names = objecting.map((id) => lines.find(({ line }) => line.id === id)?.line.name ?? id);
  if (!names.length) return '';
  return text.isWrong(feed === 'off' ? text.off : feedLabel(feed), names.join(' · '));
}

function rowOf({ line, inlet, owners }: RigPath, device: Device, solution: Solution, marked: boolean): Row {
  const own = device.inlets.find(({ id }) => id === inlet.inlet);
  // A line that ends on another line's links reaches the inlet by way of that line.
  const via = owners.length > 0 && owners[owners.length - 1].line !== line.id;
  return {
    id: line.id,
    marked,
    name: line.name,
    inlet: (via ? text.via : '') + (own ? shortInletName(own) : inlet.inlet),
    links: line.links.map((part, n) => part.name || kindAt(n, part.kind).label).join('\n'),
    result: solution.lines.get(line.id),
    unsolved: solution.unsolved.get(line.id),
  };
}
