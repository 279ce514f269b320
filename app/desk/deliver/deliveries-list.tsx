import { useLiveQuery } from "dexie-react-hooks";
import { RotateCw, Trash2 } from "lucide-react";
import { FILE_KINDS } from "#core/deliver/kinds.ts";
import type { Drawing } from "#core/drawing/drawing.ts";
import { deliveriesOf, forgetDelivery } from "../../keep/deliveries.ts";
import { Button } from "../../ui/button.tsx";
import { IconButton } from "../../ui/icon-button.tsx";
import { useDesk } from "../store/use-desk.ts";
import { bytesWord } from "./hand-over.ts";
import { CONTACT, EVERY, SEEN, SHARE_WORDS, type TakeHome } from "./request.ts";

interface Props {
  /** Makes the same files again, of the drawing as it is now. */
  readonly onAgain: (request: TakeHome) => void;
  readonly busy: boolean;
}

/** What was taken home of this drawing: when, which files, how large. */
export function DeliveriesList({ onAgain, busy }: Props) {
  const id = useDesk((s) => s.id);
  const drawing = useDesk((s) => s.drawing);
  const rows = useLiveQuery(() => deliveriesOf(id), [id]);
  return (
    <section aria-label="Taken home so far">
      <h3 className="mb-1 font-display text-base">Taken home so far</h3>
      {!rows || rows.length === 0 ? (
        <p className="text-xs text-quiet">Nothing yet. What you save is listed here, to be made again.</p>
      ) : (
        <ol className="grid gap-0.5">
          {rows.map(({ id: row, at, wish, files }) => {
            const past = wish as TakeHome;
            const what = wordsOf(past, drawing);
            const bytes = files.reduce((sum, file) => sum + file.bytes, 0);
            const when = new Date(at).toLocaleString("en-GB", { dateStyle: "medium", timeStyle: "short" });
            return (
              <li key={row} className="flex items-center gap-2 rounded-md px-2 py-1 hover:bg-well">
                <span className="min-w-0 flex-1 truncate" title={files.map(({ name }) => name).join(", ")}>
                  {what}
                  <span className="pl-2 text-xs text-quiet tabular-nums">
                    {when}, {past.ppi} ppi, {bytesWord(bytes)}
                  </span>
                </span>
                <Button
                  size="small"
                  disabled={busy}
                  aria-label={`Make again: ${what}, ${when}`}
                  onClick={() => onAgain(past)}
                >
                  <RotateCw size={13} aria-hidden /> Again
                </Button>
                <IconButton
                  small
                  label={`Forget: ${what}, ${when}`}
                  onClick={() => void forgetDelivery(row!)}
                >
                  <Trash2 size={14} aria-hidden />
                </IconButton>
              </li>
            );
          })}
        </ol>
      )}
    </section>
  );
}

/** Which files of what: the sheets, the part and the colourway where it was not all of them, or as it is seen. */
function wordsOf({ kinds, share, part, way }: TakeHome, { parts, colourways }: Drawing): string {
  const files = kinds.map((kind) => FILE_KINDS[kind]?.word ?? kind).join(", ");
  const ways: Readonly<Record<string, string>> = { [EVERY]: "each colourway", [CONTACT]: "on one sheet" };
  const of = [
    share === "all" ? "" : (SHARE_WORDS[share] ?? share),
    part === "" ? "" : (parts[part]?.name ?? "a part that is gone"),
    way === SEEN ? "" : (ways[way] ?? colourways[way]?.name ?? "a colourway that is gone"),
  ].filter(Boolean);
  return of.length > 0 ? `${files}: ${of.join(", ")}` : files;
}
