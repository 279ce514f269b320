import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from "@dnd-kit/core";
import { SortableContext, sortableKeyboardCoordinates, verticalListSortingStrategy } from "@dnd-kit/sortable";
import type { ReactNode } from "react";

interface Props {
  readonly id: string;
  /** Its rows, from the top down. */
  readonly rows: readonly { readonly id: string; readonly name: string }[];
  /** A row was let go where another is. */
  readonly onMove: (id: string, to: string) => void;
  readonly children: ReactNode;
}

const INSTRUCTIONS = {
  draggable:
    "Press Space to take it up, arrows to move it, Space to put it down, Escape to leave it where it was.",
};

/** A list whose rows are dragged, or moved by keys, into an order of one's own; what happens is said aloud. */
export function SortedList({ id, rows, onMove, children }: Props) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const onDragEnd = ({ active, over }: DragEndEvent) => {
    if (over && active.id !== over.id) onMove(String(active.id), String(over.id));
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={onDragEnd}
      accessibility={{ announcements: wordsFor(rows), screenReaderInstructions: INSTRUCTIONS }}
    >
      <SortableContext items={rows.map((row) => row.id)} strategy={verticalListSortingStrategy}>
        {children}
      </SortableContext>
    </DndContext>
  );
}

function wordsFor(rows: Props["rows"]): Announcements {
  const placeOf = (id: UniqueIdentifier) => rows.findIndex((row) => row.id === id) + 1;
  const named = (id: UniqueIdentifier) => rows[placeOf(id) - 1]?.name ?? "It";
  return {
    onDragStart: ({ active }) =>
      `${named(active.id)} taken up, place ${placeOf(active.id)} of ${rows.length}.`,
    onDragOver: ({ active, over }) =>
      over ? `${named(active.id)} at place ${placeOf(over.id)} of ${rows.length}.` : undefined,
    onDragEnd: ({ active, over }) =>
      `${named(active.id)} put down at place ${placeOf((over ?? active).id)} of ${rows.length}.`,
    onDragCancel: ({ active }) => `${named(active.id)} stays where it was.`,
  };
}
