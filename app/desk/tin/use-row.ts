/** A row of the tin that can be dragged. */
import { useSortable } from "@dnd-kit/sortable";

export function useRow(id: string) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({ id });
  const style = { transform: transform ? `translateY(${transform.y}px)` : undefined, transition };
  return { row: { ref: setNodeRef, style }, grip: { ...attributes, ...listeners }, isDragging };
}
