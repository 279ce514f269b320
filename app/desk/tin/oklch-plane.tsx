import { type KeyboardEvent, type PointerEvent, useEffect, useRef } from "react";
import { MOST_CHROMA, mostChroma } from "#core/colour/gamut.ts";
import { hexOf, type Oklch } from "#core/colour/oklch.ts";

/** CSS pixels. */
const WIDTH = 250;
const HEIGHT = 160;
/** Colours are worked out for a grid this much coarser, and spread smoothly. */
const COARSE = 5;

interface Neighbour {
  readonly id: string;
  readonly name: string;
  readonly value: string;
  readonly at: Oklch;
}

interface Props {
  readonly at: Oklch;
  readonly neighbours: readonly Neighbour[];
  readonly onShow: (at: Oklch) => void;
  readonly onDone: () => void;
}

const toScreen = ({ l, c }: Oklch): readonly [number, number] => [
  (c / MOST_CHROMA) * WIDTH,
  (1 - l) * HEIGHT,
];

/** A press this many CSS pixels from a neighbour takes its lightness and chroma. */
const SNAP = 7;

/**
 * All colours of one hue, lightness upwards and chroma to the right, as far as screens show them; beyond that edge there is nothing. The
 * other colours of the tin stand where they would: those of this hue large, others small.
 */
export function OklchPlane({ at, neighbours, onShow, onDone }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const hue = Math.round(at.h);
  useEffect(() => paintPlane(canvas.current!, hue), [hue]);
  const [x, y] = toScreen(at);
  const take = ({ clientX, clientY, currentTarget }: PointerEvent<HTMLElement>) => {
    const box = currentTarget.getBoundingClientRect();
    const [px, py] = [clientX - box.left, clientY - box.top];
    const near = neighbours.find((one) => {
      const [nx, ny] = toScreen(one.at);
      return Math.hypot(nx - px, ny - py) < SNAP;
    });
    const { l, c } = near?.at ?? { l: within(1 - py / HEIGHT), c: within(px / WIDTH) * MOST_CHROMA };
    onShow({ l, c: Math.min(c, mostChroma(l, at.h)), h: at.h });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const step = event.shiftKey ? 5 : 1;
    const by = { ArrowUp: [1, 0], ArrowDown: [-1, 0], ArrowRight: [0, 1], ArrowLeft: [0, -1] }[event.key];
    if (!by) return;
    event.preventDefault();
    const l = within(at.l + by[0] * step * 0.01);
    const c = Math.max(0, Math.min(at.c + by[1] * step * 0.005, mostChroma(l, at.h)));
    onShow({ l, c, h: at.h });
  };
  return (
    <div
      className="relative touch-none overflow-hidden rounded-md border border-line bg-well"
      style={{ width: WIDTH + 2, height: HEIGHT + 2 }}
      onPointerDown={(event) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        take(event);
      }}
      onPointerMove={(event) => event.buttons > 0 && take(event)}
      onPointerUp={onDone}
      onPointerCancel={onDone}
    >
      <canvas ref={canvas} width={WIDTH} height={HEIGHT} className="pointer-events-none" />
      {neighbours.map((one) => (
        <Dot key={one.id} neighbour={one} hue={at.h} />
      ))}
      <div
        role="slider"
        tabIndex={0}
        aria-label="Lightness and chroma"
        aria-valuenow={Math.round(at.l * 100)}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuetext={`lightness ${Math.round(at.l * 100)} %, chroma ${at.c.toFixed(3)}`}
        onKeyDown={onKeyDown}
        onKeyUp={onDone}
        className="absolute grid h-small w-small -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full"
        style={{ left: x, top: y }}
      >
        <span
          className="h-4 w-4 rounded-full border-2 border-white shadow-[0_0_0_1px_#0009]"
          style={{ background: hexOf(at) }}
        />
      </div>
    </div>
  );
}

const within = (share: number): number => Math.max(0, Math.min(1, share));

/** Of the same hue where it is this many degrees off, or grey. */
const SAME_HUE = 20;

function Dot({ neighbour, hue }: { neighbour: Neighbour; hue: number }) {
  const [x, y] = toScreen(neighbour.at);
  const off = Math.abs(((neighbour.at.h - hue + 540) % 360) - 180);
  const size = off < SAME_HUE || neighbour.at.c < 0.02 ? 10 : 6;
  return (
    <span
      aria-hidden="true"
      title={neighbour.name}
      className="absolute -translate-x-1/2 -translate-y-1/2 rounded-full border border-white shadow-[0_0_0_1px_#0006]"
      style={{ left: x, top: y, width: size, height: size, background: neighbour.value }}
    />
  );
}

/** The gamut of a hue, coloured, with its edge drawn. */
function paintPlane(canvas: HTMLCanvasElement, hue: number): void {
  const context = canvas.getContext("2d")!;
  const edge = edgeOf(hue);
  context.clearRect(0, 0, WIDTH, HEIGHT);
  context.save();
  context.clip(edge);
  context.drawImage(coarsePlane(hue), 0, 0, WIDTH, HEIGHT);
  context.restore();
  context.strokeStyle = "#0006";
  context.stroke(edge);
}

function edgeOf(hue: number): Path2D {
  const edge = new Path2D();
  edge.moveTo(0, 0);
  for (let y = 0; y <= HEIGHT; y += 2)
    edge.lineTo(...toScreen({ l: 1 - y / HEIGHT, c: mostChroma(1 - y / HEIGHT, hue), h: hue }));
  edge.lineTo(0, HEIGHT);
  edge.closePath();
  return edge;
}

function coarsePlane(hue: number): OffscreenCanvas {
  const [width, height] = [WIDTH / COARSE, HEIGHT / COARSE];
  const plane = new OffscreenCanvas(width, height);
  const context = plane.getContext("2d")!;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      context.fillStyle = hexOf({ l: 1 - (y + 0.5) / height, c: ((x + 0.5) / width) * MOST_CHROMA, h: hue });
      context.fillRect(x, y, 1, 1);
    }
  return plane;
}
