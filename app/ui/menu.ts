/** How menus that open from a button look. */
export const MENU =
  "z-40 min-w-48 max-h-(--radix-popper-available-height) overflow-y-auto rounded-md border border-line bg-raised p-1 shadow-xl";

export const MENU_ITEM =
  "flex min-h-small cursor-default items-center gap-2 rounded px-3 py-1.5 outline-none data-[disabled]:text-edge data-[highlighted]:bg-well touch:my-2 touch:min-h-target";
