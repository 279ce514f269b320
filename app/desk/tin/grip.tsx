import { GripVertical } from "lucide-react";
import type { HTMLAttributes } from "react";

/** What a row is dragged by, with a pointer or with Space and the arrows. */
export function Grip({ name, ...grip }: { name: string } & HTMLAttributes<HTMLButtonElement>) {
  return (
    <button
      type="button"
      {...grip}
      aria-label={`Move ${name}`}
      title="Drag to reorder"
      className="grid h-small w-small shrink-0 cursor-grab touch-none place-items-center rounded-md text-quiet opacity-35 group-hover:opacity-100 focus-visible:opacity-100 touch:opacity-100"
    >
      <GripVertical size={14} aria-hidden />
    </button>
  );
}
