import { DropdownMenu } from "radix-ui";
import { useEffect, useState } from "react";
import type { DrawingRow } from "../keep/database.ts";
import { listDrawings } from "../keep/shelf.ts";
import { MENU_ITEM } from "../ui/menu.ts";
import { useDeskStore } from "./store/use-desk.ts";

/** The other drawings of the drawer as items of a menu, looked up once it is open. */
export function OtherDrawings({ onChoose }: { onChoose: (id: string) => void }) {
  const desk = useDeskStore();
  const [rows, setRows] = useState<readonly DrawingRow[]>([]);
  useEffect(() => {
    const own = desk.getState().id;
    void listDrawings().then((found) => setRows(found.rows.filter(({ id }) => id !== own)));
  }, [desk]);
  if (rows.length === 0)
    return (
      <DropdownMenu.Item disabled className={MENU_ITEM}>
        There is no other drawing
      </DropdownMenu.Item>
    );
  return rows.map(({ id, name }) => (
    <DropdownMenu.Item key={id} className={MENU_ITEM} onSelect={() => onChoose(id)}>
      <span className="max-w-60 truncate">{name}</span>
    </DropdownMenu.Item>
  ));
}
