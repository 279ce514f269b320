import { useEffect, useState } from "react";
import { useDesk } from "../store/use-desk.ts";
import type { TakeHome } from "./request.ts";
import { useTakenPicture } from "./use-taken-picture.ts";

/** What is taken home as it will look, with its proportions. */
export function TakenPicture({ request }: { request: TakeHome }) {
  const taken = useTakenPicture(request);
  const { unit } = useDesk((s) => s.drawing.page);
  const [address, setAddress] = useState<string | null>(null);
  useEffect(() => {
    if (!taken) return;
    const made = URL.createObjectURL(new Blob([taken.svg], { type: "image/svg+xml" }));
    setAddress(made);
    return () => URL.revokeObjectURL(made);
  }, [taken]);
  if (!taken || !address) return <p className="text-quiet">Laying it out…</p>;
  const rounded = (n: number) => String(Number(n.toFixed(unit === "in" ? 2 : 1)));
  return (
    <>
      <img
        src={address}
        alt="What is taken home"
        className="max-h-[52vh] w-full border border-line bg-paper object-contain"
      />
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm tabular-nums">
        <dt className="text-quiet">Printed</dt>
        <dd>
          {rounded(taken.width)} × {rounded(taken.height)} {unit}
        </dd>
        <dt className="text-quiet">Pixels</dt>
        <dd>
          {taken.pixels.width} × {taken.pixels.height}
        </dd>
        <dt className="text-quiet">Proportions</dt>
        <dd>{proportions(taken.width, taken.height)}</dd>
      </dl>
    </>
  );
}

/** The ratio in small whole numbers, where those come near enough. */
function proportions(width: number, height: number): string {
  for (let b = 1; b <= 24; b++) {
    const a = Math.round((width / height) * b);
    if (a > 0 && Math.abs(a / b / (width / height) - 1) < 0.003) return `${a} : ${b}`;
  }
  return `${(width / height).toFixed(2)} : 1`;
}
