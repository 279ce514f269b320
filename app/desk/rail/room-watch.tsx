import { useEffect, useRef } from "react";
import { isNearlyFull, roomLeft } from "../../keep/room.ts";
import { useNotice } from "../../ui/notices.tsx";
import { useDesk } from "../store/use-desk.ts";

/** Steps between two looks. */
const EVERY = 25;

/** Says once that storage is nearly full, while there is still room for the work at hand. */
export function RoomWatch() {
  const tell = useNotice();
  const looks = useDesk((s) => Math.floor(s.history.steps.length / EVERY));
  const said = useRef(false);
  const full = useDesk((s) => s.keeping === "full" || s.keeping === "memory");
  // biome-ignore lint/correctness/useExhaustiveDependencies: it looks again now and then
  useEffect(() => {
    if (full || said.current) return;
    void roomLeft().then((room) => {
      if (!room || !isNearlyFull(room) || said.current) return;
      said.current = true;
      tell(
        "The browser’s storage is nearly full. Take the drawer home from its foot, then delete some drawings.",
        { tone: "warn" },
      );
    });
  }, [looks, full, tell]);
  return null;
}
