import { useDesk } from "./store/use-desk.ts";

/** Says what has happened to those who listen rather than look. */
export function Announcer() {
  const said = useDesk((s) => s.said);
  return (
    <p role="status" aria-live="polite" className="sr-only">
      {said}
    </p>
  );
}
