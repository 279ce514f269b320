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
      className="cursor-grab rounded-md py-1 text-quiet opacity-35 group-hover:opacity-100 focus-visible:opacity-100"
    >
      <GripVertical size={14} aria-hidden />
    </button>
  );
}
