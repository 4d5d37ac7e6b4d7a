'use client';

import { DndContext, DragOverlay, MouseSensor, useDraggable, useDroppable, useSensor, useSensors } from '@dnd-kit/core';
import Box from '@mui/material/Box';
import { useState, type ReactNode } from 'react';
import type { MainsReport } from '@/core/mains';
import { plugByHand as text } from './texts';

/** A press that goes on for so many pixels is a drag. */
const DISTANCE = 6;
const WALL = 'wall';
const outletId = (outlet: string | undefined): string => (outlet === undefined ? WALL : `outlet ${outlet}`);

/** The drawing, in which units are drawn onto outlets by mouse; the tables below do the same by keyboard and touch. */
export function PlugByHand({
  units,
  onPlug,
  children,
}: {
  units: MainsReport['system']['units'];
  onPlug: (unit: string, outlet: string | undefined) => void;
  children: ReactNode;
}) {
  const [held, setHeld] = useState<string>();
  const nameOf = (id: string) => units.find((unit) => unit.id === id)?.name ?? id;
  const sensors = useSensors(useSensor(MouseSensor, { activationConstraint: { distance: DISTANCE } }));
  return (
    <DndContext
      sensors={sensors}
      accessibility={{
        announcements: {
          onDragStart: ({ active }) => text.pickedUp(nameOf(String(active.id))),
          onDragOver: ({ over }) => (over ? text.over(String(over.id).replace(/^outlet /, '')) : text.notOverAnOutlet),
          onDragEnd: ({ over }) => (over ? text.pluggedInto(String(over.id).replace(/^outlet /, '')) : text.putBack),
          onDragCancel: () => text.putBack,
        },
      }}
      onDragStart={({ active }) => setHeld(String(active.id))}
      onDragCancel={() => setHeld(undefined)}
      onDragEnd={({ active, over }) => {
        setHeld(undefined);
        const unit = units.find(({ id }) => id === String(active.id));
        if (!unit || !over || String(over.id) === outletId(unit.outlet)) return;
        onPlug(unit.id, (over.data.current as { outlet?: string }).outlet);
      }}
    >
      <Box sx={{ overflowX: 'auto' }} tabIndex={0} role="group" aria-label={text.earthTree}>
        {children}
      </Box>
      <DragOverlay dropAnimation={null}>
        {held !== undefined && (
          <Box
            sx={{
              display: 'inline-block',
              px: 1,
              py: 0.25,
              border: 1,
              borderColor: 'primary.main',
              bgcolor: 'background.paper',
              fontSize: 'body2.fontSize',
              whiteSpace: 'nowrap',
            }}
          >
            {nameOf(held)}
          </Box>
        )}
      </DragOverlay>
    </DndContext>
  );
}

// The library measures elements of any kind; its types know those of HTML alone.
const asElement = (ref: (element: HTMLElement | null) => void) =>
  ref as unknown as (element: SVGGElement | null) => void;

/** A unit that can be taken. */
export function Plug({ unit, children }: { unit: string; children: ReactNode }) {
  const { setNodeRef, listeners, isDragging } = useDraggable({ id: unit });
  return (
    <g ref={asElement(setNodeRef)} {...listeners} style={{ cursor: 'grab' }} opacity={isDragging ? 0.4 : 1}>
      {children}
    </g>
  );
}

/** An outlet that a unit can be let go on. */
export function PlugTarget({
  outlet,
  children,
}: {
  outlet: string | undefined;
  /** @param over whether a unit is held over it */
  children: (over: boolean) => ReactNode;
}) {
  const { setNodeRef, isOver } = useDroppable({ id: outletId(outlet), data: { outlet } });
  return <g ref={asElement(setNodeRef)}>{children(isOver)}</g>;
}
