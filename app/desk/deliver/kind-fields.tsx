import { FILE_KINDS, type FileKind, KINDS } from "#core/deliver/kinds.ts";
import { isMade, type RequestFields } from "./request.ts";
import { useSizes } from "./use-sizes.ts";

/** The kinds of files there are, with how large each will be. */
export function KindFields({ request, onChange }: RequestFields) {
  const sizes = useSizes(request);
  const toggled = (kind: FileKind, on: boolean) =>
    onChange({ kinds: KINDS.filter((one) => (one === kind ? on : request.kinds.includes(one))) });
  return (
    <fieldset className="grid gap-0.5 touch:gap-apart">
      <legend className="mb-1 font-display text-base">Files</legend>
      {KINDS.map((kind) => {
        const { word, hint } = FILE_KINDS[kind];
        const made = isMade(kind, request);
        return (
          <label
            key={kind}
            className="flex items-start gap-3 rounded-md px-2 py-1.5 hover:bg-well has-disabled:text-quiet has-disabled:hover:bg-transparent"
          >
            <input
              type="checkbox"
              checked={made && request.kinds.includes(kind)}
              disabled={!made}
              onChange={({ target }) => toggled(kind, target.checked)}
              className="mt-1 h-4 w-4 accent-fern"
            />
            <span className="min-w-0 flex-1">
              <span className="font-medium">{word}</span>
              <span className="block text-xs text-quiet">{hint}</span>
            </span>
            <span className="text-xs whitespace-nowrap text-quiet tabular-nums">{sizes[kind] ?? ""}</span>
          </label>
        );
      })}
    </fieldset>
  );
}
