import { Eraser, Undo2 } from "lucide-react";
import { type PointerEvent, useRef, useState } from "react";
import { ranked } from "#core/drawing/drawing.ts";
import { pathData } from "#core/formats/svg-path.ts";
import type { Point } from "#core/geometry/point.ts";
import { drawnLine, type HandSample } from "#core/lines/drawn-line.ts";
import { nibOutline } from "#core/lines/nib-outline.ts";
import { Button } from "../../ui/button.tsx";
import { useDesk } from "../store/use-desk.ts";
import type { Signature } from "./signing.ts";

const WIDTH = 480;
const HEIGHT = 150;
const LINE = 5;
const TOLERANCE = 0.8;

interface Props {
  readonly signature: Signature;
  readonly onChange: (signature: Signature) => void;
}

/** A signature drawn with a nib, stroke by stroke. */
export function SignaturePad({ signature, onChange }: Props) {
  const nibs = ranked(useDesk((s) => s.drawing.nibs));
  const [nib, setNib] = useState(
    nibs.find(({ strands, profile }) => strands === 1 && profile.length > 4)?.id,
  );
  const [strokes, setStrokes] = useState<readonly number[]>([]);
  const [samples, setSamples] = useState<readonly HandSample[]>([]);
  const frame = useRef<SVGSVGElement>(null);
  const sampleOf = (event: PointerEvent): HandSample => {
    const box = frame.current!.getBoundingClientRect();
    const at: Point = [
      ((event.clientX - box.left) / box.width) * WIDTH,
      ((event.clientY - box.top) / box.height) * HEIGHT,
    ];
    return { at, pressure: event.pressure || 0.5 };
  };
  const finish = () => {
    const line = drawnLine(samples, {
      tolerance: TOLERANCE,
      pressed: false,
      closeWithin: 0,
    });
    setSamples([]);
    if (!line) return;
    const own = nibs.find(({ id }) => id === nib);
    const chains = nibOutline({
      ...line,
      cap: "round",
      width: LINE,
      profile: own?.profile ?? [0, 1, 1, 1],
      strands: own?.strands ?? 1,
    });
    setStrokes((before) => [...before, chains.length]);
    onChange({ chains: [...signature.chains, ...chains] });
  };
  const takeBack = () => {
    const last = strokes[strokes.length - 1] ?? signature.chains.length;
    setStrokes((before) => before.slice(0, -1));
    onChange({ chains: signature.chains.slice(0, signature.chains.length - last) });
  };
  return (
    <div className="grid gap-2">
      <svg
        ref={frame}
        role="img"
        aria-label="Pad to draw the signature on"
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full cursor-crosshair touch-none rounded-md border border-edge bg-paper"
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          setSamples([sampleOf(event)]);
        }}
        onPointerMove={(event) => {
          if (samples.length > 0) setSamples([...samples, sampleOf(event)]);
        }}
        onPointerUp={finish}
      >
        <line x1="20" x2={WIDTH - 20} y1={HEIGHT - 32} y2={HEIGHT - 32} className="stroke-line" />
        <path d={signature.chains.map((chain) => pathData(chain, true, 2)).join("")} className="fill-text" />
        <polyline
          points={samples.map(({ at }) => at.join(" ")).join(" ")}
          fill="none"
          strokeWidth={LINE / 2}
          strokeLinecap="round"
          className="stroke-text"
        />
      </svg>
      <div className="flex items-center gap-2">
        <select
          aria-label="Nib"
          value={nib}
          onChange={({ target }) => setNib(target.value)}
          className="h-target rounded-md border border-edge bg-field px-2"
        >
          {nibs.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
        <Button disabled={signature.chains.length === 0} onClick={takeBack}>
          <Undo2 size={14} aria-hidden /> Last stroke away
        </Button>
        <Button
          disabled={signature.chains.length === 0}
          onClick={() => {
            setStrokes([]);
            onChange({ chains: [] });
          }}
        >
          <Eraser size={14} aria-hidden /> Begin anew
        </Button>
      </div>
    </div>
  );
}
