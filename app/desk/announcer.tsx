import { useDesk } from "./store/desk-store.ts";

/** Says what has happened to those who listen rather than look. */
export function Announcer() {
  const said = useDesk((s) => s.said);
  return (
    <p role="status" aria-live="polite" className="sr-only">
      {said}
    </p>
  );
}
