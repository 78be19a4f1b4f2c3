import {
  DndContext,
  KeyboardSensor,
  PointerSensor,
  closestCenter,
  useSensor,
  useSensors,
  type Announcements,
  type DragEndEvent,
  type UniqueIdentifier,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';

interface Props {
  /** The rows that can be moved, by id, in their order. */
  readonly rows: readonly { readonly id: string; readonly name: string }[];
  /** The row is to stand where another one stands. */
  readonly onMove: (id: string, to: number) => void;
  /** The table, or whatever holds the rows. */
  readonly children: ReactNode;
}

/** A move of this many pixels is a drag; less is a press. */
const A_DRAG_PX = 5;

/** Rows that are put in another order by dragging their handle, or by space, arrows and space. */
export function Reorder({ rows, onMove, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: A_DRAG_PX } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const nameOf = (id: UniqueIdentifier): string => rows.find((row) => row.id === id)?.name ?? '';
  const placeOf = (id: UniqueIdentifier): number => rows.findIndex((row) => row.id === id) + 1;
  const at = (over: { readonly id: UniqueIdentifier } | null): string =>
    over ? `place ${placeOf(over.id)} of ${rows.length}` : 'no place';
  const announcements: Announcements = {
    onDragStart: ({ active }) => `${nameOf(active.id)} is lifted from ${at(active)}.`,
    onDragOver: ({ active, over }) => `${nameOf(active.id)} is over ${at(over)}.`,
    onDragEnd: ({ active, over }) => `${nameOf(active.id)} stands at ${at(over)}.`,
    onDragCancel: ({ active }) => `${nameOf(active.id)} stays at ${at(active)}.`,
  };
  const end = ({ active, over }: DragEndEvent): void => {
    if (over && over.id !== active.id) onMove(String(active.id), placeOf(over.id) - 1);
  };
  return (
    <DndContext
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={end}
      accessibility={{
        announcements,
        screenReaderInstructions: {
          draggable: 'Space lifts it, the arrows move it, space puts it down, escape leaves it where it was.',
        },
      }}
    >
      <SortableContext items={rows.map(({ id }) => id)} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

/** A row of `Reorder`: what its element takes, and its handle. */
export function useReorderedRow(id: string, name: string) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, transform, transition, isDragging, items } =
    useSortable({ id });
  return {
    row: {
      ref: setNodeRef,
      style: { transform: CSS.Translate.toString(transform), transition },
      className: isDragging ? 'opens-over relative z-10 bg-field shadow-md' : '',
    },
    /** None where there is nothing to change places with. */
    handle: items.length > 1 && (
      <button
        type="button"
        ref={setActivatorNodeRef}
        className="cursor-grab touch-none p-1 text-soft outline-offset-[-2px] hover:text-ink"
        aria-label={`Move ${name} to another place`}
        {...attributes}
        {...listeners}
      >
        <GripVertical size={17} aria-hidden="true" />
      </button>
    ),
  };
}

/** A list with one of its items at another place. */
export function moved<T extends { readonly id: string }>(items: readonly T[], id: string, to: number): T[] {
  const item = items.find((other) => other.id === id);
  const others = items.filter((other) => other.id !== id);
  return item ? [...others.slice(0, to), item, ...others.slice(to)] : [...items];
}
