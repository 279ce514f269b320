import { CircleQuestionMark } from "lucide-react";
import type { HelpTopic } from "../help/help-page.ts";
import { helpAbout } from "../help/pages.ts";
import { IconButton } from "../ui/icon-button.tsx";
import { useDeskStore } from "./store/use-desk.ts";

/** Opens the page of Help that tells about something of the desk. */
export function HelpButton({ about, small }: { about: HelpTopic; small?: boolean }) {
  const { openHelp } = useDeskStore().getState();
  const page = helpAbout(about);
  if (!page) return null;
  return (
    <IconButton small={small} label={`Help: ${page.title}`} onClick={() => openHelp(page.name)}>
      <CircleQuestionMark size={16} aria-hidden className="text-quiet" />
    </IconButton>
  );
}
