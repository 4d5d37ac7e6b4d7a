'use client';

import {
  closestCenter,
  DndContext,
  KeyboardSensor,
  PointerSensor,
  pointerWithin,
  useSensor,
  useSensors,
  type Announcements,
  type CollisionDetection,
  type DragEndEvent,
} from '@dnd-kit/core';
import { sortableKeyboardCoordinates } from '@dnd-kit/sortable';
import type { ReactNode } from 'react';
import type { InletRef, Section } from '@/core/rig';
import { carrying as text } from './texts';

interface Props {
  sections: readonly Section[];
  onMove: (line: string, to: InletRef) => void;
  /** Within a switch: to the place of another line. */
  onReorder: (line: string, over: string) => void;
  children: ReactNode;
}

/** The same objects every time: whatever is carried hangs on them, and would be drawn again with new ones. */
const POINTER = { activationConstraint: { distance: 5 } };
const KEYS = { coordinateGetter: sortableKeyboardCoordinates };

/** What can be carried and put down, by pointer or by keys. */
export function Carrying({ sections, onMove, onReorder, children }: Props) {
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
  const where = (id: string) => (inletOf(id) ? text.freeInlet(inletOf(id)!.inlet) : name(id));
  const announcements: Announcements = {
    onDragStart: ({ active }) => text.pickedUp(name(String(active.id))),
    onDragOver: ({ over }) => (over ? text.over(where(String(over.id))) : text.notOverAnInlet),
    onDragEnd: ({ active, over }) =>
      over ? text.putAt(name(String(active.id)), where(String(over.id))) : text.putBack,
    onDragCancel: () => text.returnedToItsInlet,
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

/** A free inlet as something to be put down on. */
export const slotId = ({ device, inlet }: InletRef): string => ['inlet', device, inlet].join('\n');
const inletOf = (id: string): InletRef | undefined => {
  const [mark, device, inlet] = id.split('\n');
  return mark === 'inlet' ? { device, inlet } : undefined;
};
