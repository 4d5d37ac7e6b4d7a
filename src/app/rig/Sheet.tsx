'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { memo, useLayoutEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import type { FeedOption, GroupResult, LineResult } from '@/core/check';
import { kindAt } from '@/core/gear';
import {
  shortInletName,
  type Device,
  type DeviceInlet,
  type InletRef,
  type RigPath,
  type Section,
  type SwitchGroup,
} from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';
import { GroupHeader } from './GroupHeader';
import { LineRow, NAME_WIDTH, VERDICT_WIDTH, type RowActions } from './LineRow';
import { groupKey, type Probe, type Solution } from './useRigCheck';

export type Selection = { line: string } | { device: string; group?: string };

interface Props {
  sections: readonly Section[];
  /** Lines that the filter and the search leave. */
  visible: ReadonlySet<string>;
  filtered: boolean;
  solution: Solution;
  selection?: Selection;
  tips?: Probe;
  actions: RowActions;
  onGroup: (device: string, group?: string) => void;
  onFeed: (device: string, group: string, feed: FeedName) => void;
  onMove: (line: string, to: InletRef) => void;
  onReorder: (line: string, over: string) => void;
  onNewLine: () => void;
}

/** All lines under their switches. Lines are carried by their grip: within a switch to another place, elsewhere to an inlet. */
export const Sheet = memo(function Sheet(props: Props) {
  const {
    sections,
    visible,
    filtered,
    solution,
    selection,
    tips,
    actions,
    onGroup,
    onFeed,
    onMove,
    onReorder,
    onNewLine,
  } = props;
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  const wide = useMediaQuery(useTheme().breakpoints.up('md'));
  const room = wide ? Math.max(width - NAME_WIDTH - VERDICT_WIDTH, 160) : Math.max(width - 16, 160);
  const selectedLine = selection && 'line' in selection ? selection.line : undefined;
  return (
    <Box ref={holder} component="main" sx={{ gridArea: 'sheet', overflowY: { md: 'auto' }, minWidth: 0, pb: 6 }}>
      <Carrying sections={sections} onMove={onMove} onReorder={onReorder}>
        {sections.map(({ device, group, lines, free }) => {
          const shown = lines.filter(({ line }) => visible.has(line.id));
          if (filtered && shown.length === 0) return null;
          const key = groupKey(device.id, group?.id ?? '');
          const holds = shown.some(({ line }) => line.id === selectedLine);
          return (
            <SectionView
              key={key}
              device={device}
              group={group}
              rows={shown.map((path) => rowOf(path, device, solution))}
              free={filtered ? [] : free}
              result={solution.groups.get(key)}
              options={solution.feeds.get(key)}
              objecting={objectingText(lines, solution.groups.get(key)?.objecting)}
              chosen={Boolean(
                selection && 'device' in selection && selection.device === device.id && selection.group === group?.id,
              )}
              selectedLine={holds ? selectedLine : undefined}
              tips={holds ? tips : undefined}
              room={room}
              actions={actions}
              onGroup={onGroup}
              onFeed={onFeed}
            />
          );
        })}
      </Carrying>
      {filtered && visible.size === 0 && (
        <Typography variant="body1" sx={{ p: 3 }} color="textSecondary">
          No line is left by this filter.
        </Typography>
      )}
      <Button startIcon={<AddIcon />} onClick={onNewLine} title="New line (N)" sx={{ m: 1.5 }}>
        New line
      </Button>
    </Box>
  );
});

function objectingText(lines: readonly RigPath[], objecting: readonly string[] = []): string {
  const names = objecting.map((id) => lines.find(({ line }) => line.id === id)?.line.name ?? id);
  return names.length ? `Objecting: ${names.join(' · ')}` : '';
}

interface CarryingProps extends Pick<Props, 'sections' | 'onMove' | 'onReorder'> {
  children: ReactNode;
}

/** The same objects every time: whatever is carried hangs on them, and would be drawn again with new ones. */
const POINTER = { activationConstraint: { distance: 5 } };
const KEYS = { coordinateGetter: sortableKeyboardCoordinates };

/** What can be carried and put down, by pointer or by keys. */
function Carrying({ sections, onMove, onReorder, children }: CarryingProps) {
  const sensors = useSensors(useSensor(PointerSensor, POINTER), useSensor(KeyboardSensor, KEYS));
  const name = (id: string) =>
    sections.flatMap(({ lines }) => lines).find(({ line }) => line.id === id)?.line.name ?? id;
  const sectionOf = (id: string) => sections.findIndex(({ lines }) => lines.some(({ line }) => line.id === id));
  const drop = ({ active, over }: DragEndEvent) => {
    if (!over || over.id === active.id) return;
    const [line, target] = [String(active.id), String(over.id)];
    const to = inletOf(target);
    if (to) return onMove(line, to);
    if (sectionOf(line) === sectionOf(target)) return onReorder(line, target);
    const path = sections[sectionOf(target)]?.lines.find(({ line: other }) => other.id === target);
    if (path) onMove(line, path.inlet);
  };
  const where = (id: string) => (inletOf(id) ? `free inlet ${inletOf(id)!.inlet}` : name(id));
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Picked up ${name(String(active.id))}.`,
    onDragOver: ({ over }) => (over ? `Over ${where(String(over.id))}.` : 'Over nothing.'),
    onDragEnd: ({ active, over }) =>
      over ? `Put ${name(String(active.id))} at ${where(String(over.id))}.` : 'Put back.',
    onDragCancel: () => 'Put back where it was.',
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={underOrNearest}
      onDragEnd={drop}
      accessibility={{ announcements }}
    >
      {children}
    </DndContext>
  );
}

/** What the pointer is over; without a pointer, whatever is nearest. */
const underOrNearest: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  return under.length ? under : closestCenter(args);
};

const inletOf = (id: string): InletRef | undefined => {
  const [mark, device, inlet] = id.split('\n');
  return mark === 'inlet' ? { device, inlet } : undefined;
};

/** What one row shows: plain values, so that a row that shows the same is not drawn again. */
interface Row {
  id: string;
  name: string;
  inlet: string;
  /** Names of the links, one a line of text. */
  links: string;
  result?: LineResult;
  unsolved?: string;
}

function rowOf({ line, inlet, owners }: RigPath, device: Device, solution: Solution): Row {
  const own = device.inlets.find(({ id }) => id === inlet.inlet);
  // A line that ends on another line's links reaches the inlet by way of that line.
  const via = owners.length > 0 && owners[owners.length - 1].line !== line.id;
  return {
    id: line.id,
    name: line.name,
    inlet: `${via ? 'via ' : ''}${own ? shortInletName(own) : inlet.inlet}`,
    links: line.links.map((part, n) => part.name || kindAt(n, part.kind).label).join('\n'),
    result: solution.lines.get(line.id),
    unsolved: solution.unsolved.get(line.id),
  };
}

interface SectionProps extends Pick<Props, 'actions' | 'tips' | 'onGroup' | 'onFeed'> {
  device: Device;
  group?: SwitchGroup;
  rows: Row[];
  free: DeviceInlet[];
  result?: GroupResult;
  options?: FeedOption[];
  objecting: string;
  chosen: boolean;
  selectedLine?: string;
  room: number;
}

/** One switch with its lines; drawn again only if something it shows has changed. */
const SectionView = memo(function SectionView(props: SectionProps) {
  const { device, group, rows, free, room, tips, selectedLine, actions } = props;
  const order = rows.map(({ id }) => id).join('\n');
  const ids = useMemo(() => order.split('\n').filter(Boolean), [order]);
  return (
    <Box component="section" aria-label={group ? `${device.name}, ${group.name}` : device.name}>
      <GroupHeader
        device={device}
        group={group}
        result={props.result}
        options={props.options}
        objecting={props.objecting}
        selected={props.chosen}
        onGroup={props.onGroup}
        onFeed={props.onFeed}
      />
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {rows.map((row) => (
            <LineRow
              key={row.id}
              {...row}
              selected={row.id === selectedLine}
              room={room}
              tips={row.id === selectedLine ? tips : undefined}
              actions={actions}
            />
          ))}
        </Box>
      </SortableContext>
      {free.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.75, pl: 3.5, pr: 1.5, py: 0.75 }}>
          <Typography variant="caption" color="textSecondary">
            Free:
          </Typography>
          {free.map((inlet) => (
            <FreeSlot key={inlet.id} device={device.id} inlet={inlet.id} label={inlet.name ?? inlet.id} />
          ))}
        </Box>
      )}
    </Box>
  );
}, sameSection);

const shallow = <T extends object>(a: T, b: T): boolean => {
  const keys = Object.keys(b) as (keyof T)[];
  return keys.length === Object.keys(a).length && keys.every((key) => a[key] === b[key]);
};

function sameSection(
  { rows, free, ...before }: SectionProps,
  { rows: nextRows, free: nextFree, ...after }: SectionProps,
) {
  return (
    shallow(before, after) &&
    rows.length === nextRows.length &&
    rows.every((row, n) => shallow(row, nextRows[n])) &&
    free.length === nextFree.length &&
    free.every((inlet, n) => inlet === nextFree[n])
  );
}

/** A free inlet: a line can be put down on it. */
function FreeSlot({ device, inlet, label }: { device: string; inlet: string; label: string }) {
  const { setNodeRef, isOver } = useDroppable({ id: ['inlet', device, inlet].join('\n') });
  return (
    <Box
      ref={setNodeRef}
      component="span"
      sx={{
        px: 1,
        minWidth: 30,
        textAlign: 'center',
        fontSize: '0.75rem',
        color: 'text.secondary',
        border: 1,
        borderStyle: 'dashed',
        borderColor: isOver ? 'primary.main' : 'divider',
        bgcolor: isOver ? 'action.hover' : undefined,
      }}
    >
      {label}
    </Box>
  );
}
