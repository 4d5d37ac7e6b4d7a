'use client';

import {
  closestCenter,
  pointerWithin,
  type CollisionDetection,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  useDroppable,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
} from '@dnd-kit/core';
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from '@dnd-kit/sortable';
import AddIcon from '@mui/icons-material/Add';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import useMediaQuery from '@mui/material/useMediaQuery';
import { useTheme } from '@mui/material/styles';
import { memo, useLayoutEffect, useMemo, useRef, useState } from 'react';
import { kindAt } from '@/core/gear';
import { shortInletName, type InletRef, type RigPath, type Section } from '@/core/rig';
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
  const { sections, visible, filtered, solution, selection, tips, actions, onMove, onReorder, onNewLine } = props;
  const holder = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  useLayoutEffect(() => {
    const observer = new ResizeObserver(([entry]) => setWidth(Math.floor(entry.contentRect.width)));
    if (holder.current) observer.observe(holder.current);
    return () => observer.disconnect();
  }, []);
  const wide = useMediaQuery(useTheme().breakpoints.up('md'));
  const room = wide ? Math.max(width - NAME_WIDTH - VERDICT_WIDTH, 160) : Math.max(width - 16, 160);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const names = useMemo(
    () => new Map(sections.flatMap(({ lines }) => lines.map(({ line }) => [line.id, line.name]))),
    [sections],
  );
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
  const where = (id: string) => (inletOf(id) ? `free inlet ${inletOf(id)!.inlet}` : (names.get(id) ?? id));
  const announcements: Announcements = {
    onDragStart: ({ active }) => `Picked up ${names.get(String(active.id))}.`,
    onDragOver: ({ over }) => (over ? `Over ${where(String(over.id))}.` : 'Over nothing.'),
    onDragEnd: ({ active, over }) =>
      over ? `Put ${names.get(String(active.id))} at ${where(String(over.id))}.` : 'Put back.',
    onDragCancel: () => 'Put back where it was.',
  };
  return (
    <Box ref={holder} component="main" sx={{ gridArea: 'sheet', overflowY: { md: 'auto' }, minWidth: 0, pb: 6 }}>
      <DndContext
        sensors={sensors}
        collisionDetection={underOrNearest}
        onDragEnd={drop}
        accessibility={{ announcements }}
      >
        {sections.map((section) => {
          const lines = section.lines.filter(({ line }) => visible.has(line.id));
          if (filtered && lines.length === 0) return null;
          return (
            <SectionView
              key={groupKey(section.device.id, section.group?.id ?? '')}
              {...{ section, lines, room, tips, selection, solution, actions }}
              {...props}
            />
          );
        })}
      </DndContext>
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

/** What the pointer is over; without a pointer, whatever is nearest. */
const underOrNearest: CollisionDetection = (args) => {
  const under = pointerWithin(args);
  return under.length ? under : closestCenter(args);
};

const inletOf = (id: string): InletRef | undefined => {
  const [mark, device, inlet] = id.split('\n');
  return mark === 'inlet' ? { device, inlet } : undefined;
};

interface SectionProps extends Props {
  section: Section;
  lines: RigPath[];
  room: number;
}

function SectionView({
  section,
  lines,
  room,
  filtered,
  solution,
  selection,
  tips,
  actions,
  onGroup,
  onFeed,
}: SectionProps) {
  const { device, group, free } = section;
  const key = groupKey(device.id, group?.id ?? '');
  const result = solution.groups.get(key);
  const objecting = (result?.objecting ?? []).map(
    (id) => section.lines.find(({ line }) => line.id === id)?.line.name ?? id,
  );
  const chosen = selection && 'device' in selection && selection.device === device.id && selection.group === group?.id;
  return (
    <Box component="section" aria-label={group ? `${device.name}, ${group.name}` : device.name}>
      <GroupHeader
        device={device}
        group={group}
        result={result}
        options={solution.feeds.get(key)}
        objecting={objecting.length ? `Objecting: ${objecting.join(' · ')}` : ''}
        selected={Boolean(chosen)}
        onSelect={() => onGroup(device.id, group?.id)}
        onFeed={(feed) => group && onFeed(device.id, group.id, feed)}
      />
      <SortableContext items={lines.map(({ line }) => line.id)} strategy={verticalListSortingStrategy}>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {lines.map(({ line, inlet, owners }) => {
            const selected = Boolean(selection && 'line' in selection && selection.line === line.id);
            const own = device.inlets.find(({ id }) => id === inlet.inlet);
            return (
              <LineRow
                key={line.id}
                id={line.id}
                name={line.name}
                inlet={`${joins(owners, line.id) ? 'via ' : ''}${own ? shortInletName(own) : inlet.inlet}`}
                links={line.links.map((part, n) => part.name || kindAt(n, part.kind).label).join('\n')}
                result={solution.lines.get(line.id)}
                unsolved={solution.unsolved.get(line.id)}
                selected={selected}
                room={room}
                tips={selected ? tips : undefined}
                actions={actions}
              />
            );
          })}
        </Box>
      </SortableContext>
      {!filtered && free.length > 0 && (
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
}

/** Whether a line ends on another line's links. */
const joins = (owners: RigPath['owners'], id: string): boolean => owners.length > 0 && owners.at(-1)!.line !== id;

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
