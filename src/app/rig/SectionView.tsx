'use client';

import { useDroppable } from '@dnd-kit/core';
import { SortableContext, verticalListSortingStrategy } from '@dnd-kit/sortable';
import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { memo, useMemo } from 'react';
import type { FeedOption, GroupResult } from '@/core/rigcheck';
import type { Device, DeviceInlet, SwitchGroup } from '@/core/rig';
import type { FeedName } from '@/core/standards/feeds';
import { slotId } from './Carrying';
import { GroupHeader } from './GroupHeader';
import { farRows } from './FarRow';
import { LineRow, rowParts } from './LineRow';
import type { Row, RowActions } from './row';
import type { Probe } from './useRigCheck';
import { sectionView as text } from './texts';

interface SectionProps {
  tips?: Probe;
  actions: RowActions;
  onGroup: (device: string, group?: string) => void;
  onFeed: (device: string, group: string, feed: FeedName) => void;
  device: Device;
  group?: SwitchGroup;
  rows: Row[];
  free: DeviceInlet[];
  result?: GroupResult;
  options?: FeedOption[];
  objecting: string;
  chosen: boolean;
  selectedLine?: string;
  picking: boolean;
  room: number;
  /** How many of its rows are drawn before anybody knows what is in sight. */
  first: number;
}

/** One switch with its lines; drawn again only if something it shows has changed. */
export const SectionView = memo(function SectionView(props: SectionProps) {
  const { device, group, rows, free, room, tips, selectedLine, picking, actions } = props;
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
        first={props.first > 0}
        onGroup={props.onGroup}
        onFeed={props.onFeed}
      />
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        <Box component="ul" sx={{ listStyle: 'none', m: 0, p: 0, ...farRows, ...rowParts }}>
          {rows.map((row, n) => (
            <LineRow
              key={row.id}
              {...row}
              first={n < props.first}
              selected={row.id === selectedLine}
              room={room}
              picking={picking}
              tips={row.id === selectedLine ? tips : undefined}
              actions={actions}
            />
          ))}
        </Box>
      </SortableContext>
      {free.length > 0 && (
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', gap: 0.75, pl: 3.5, pr: 1.5, py: 0.75 }}>
          <Typography variant="caption" color="textSecondary">
            {text.free}
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
  const { setNodeRef, isOver } = useDroppable({ id: slotId({ device, inlet }) });
  return (
    <Box
      ref={setNodeRef}
      component="span"
      sx={{
        px: 1,
        minWidth: 30,
        textAlign: 'center',
        fontSize: 'caption.fontSize',
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
