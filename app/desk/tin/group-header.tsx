import clsx from "clsx";
import { useState } from "react";
import { renameGroup } from "#core/drawing/colour-edits.ts";
import { NameField } from "../../ui/name-field.tsx";
import { useDeskStore } from "../store/use-desk.ts";
import { Grip } from "./grip.tsx";
import { useRow } from "./use-row.ts";

/** The name of a group, above its colours. */
export function GroupHeader({ id, name }: { id: string; name: string }) {
  const { edit } = useDeskStore().getState();
  const [naming, setNaming] = useState(false);
  const { row, grip, isDragging } = useRow(id);
  return (
    <li
      {...row}
      className={clsx(
        "group mt-2 flex items-center border-b border-line pl-1",
        isDragging && "relative z-10 bg-raised shadow-md",
      )}
    >
      {naming ? (
        <NameField
          label="Name of the group"
          value={name}
          onChange={(next) => edit(renameGroup(name, next))}
          onDone={() => setNaming(false)}
          className="h-small min-w-0 flex-1 rounded border border-edge bg-field px-1 text-xs"
        />
      ) : (
        <button
          type="button"
          title="Rename the group"
          onClick={() => setNaming(true)}
          className="h-small min-w-0 flex-1 truncate text-left text-xs text-quiet"
        >
          {name}
        </button>
      )}
      <Grip name={`group ${name}`} {...grip} />
    </li>
  );
}
