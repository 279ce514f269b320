import {
  type MouseEvent as ReactMouseEvent,
  type PointerEvent as ReactPointerEvent,
  useEffect,
  useRef,
} from "react";
import { distance, type Point } from "#core/geometry/point.ts";
import { pocketAt } from "#core/scene/scene.ts";
import { toPagePoint } from "../../painting/view.ts";
import { prefs } from "../../prefs/prefs-store.ts";
import { filterFor } from "../judge/looks.ts";
import { describeDrawing } from "../pockets/describe.ts";
import { stageOf, toolOf } from "../stages/index.ts";
import type { Desk } from "../store/desk-state.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { lookTool } from "../tools/look/look.ts";
import type { Press } from "../tools/tool.ts";
import type { Hand } from "./hand.ts";
import { Hands } from "./hands.ts";
import { PaperMenu } from "./paper-menu.tsx";
import { leanOf, penButton, pressureOf, toolOfButton } from "./pen-press.ts";
import { Repainter } from "./repainter.ts";
import { TwoFingers } from "./two-fingers.ts";
import { listenToWheel } from "./wheel.ts";

/** The mat with the paper on it: canvases for the mat, for the art, for what is drawn over it, and for the end of a line under the hand. */
export function Paper({ hand, panning }: { hand: Hand; panning: boolean }) {
  const desk = useDeskStore();
  const frame = useRef<HTMLDivElement>(null);
  const mat = useRef<HTMLCanvasElement>(null);
  const art = useRef<HTMLDivElement>(null);
  const overlay = useRef<HTMLCanvasElement>(null);
  const wetEnd = useRef<HTMLCanvasElement>(null);
  const fingers = useRef<TwoFingers>(null);
  fingers.current ??= new TwoFingers(desk);
  const hands = useRef<Hands>(null);
  hands.current ??= new Hands(() => prefs().besidePen);
  const tool = useDesk(toolOf);

  useEffect(() => {
    const painter = new Repainter(desk, mat.current!, art.current!, overlay.current!, wetEnd.current!, hand);
    const observer = new ResizeObserver(([entry]) => painter.resize(entry.contentRect));
    observer.observe(frame.current!);
    const stopWheel = listenToWheel(frame.current!, desk);
    return () => {
      observer.disconnect();
      stopWheel();
      painter.stop();
    };
  }, [desk, hand]);

  const pressOf = (event: ReactPointerEvent | PointerEvent): Press => {
    const box = frame.current!.getBoundingClientRect();
    const { view, heldKeys } = desk.getState();
    const at = toPagePoint(view, [event.clientX - box.left, event.clientY - box.top]);
    const native = "nativeEvent" in event ? event.nativeEvent : event;
    const lean = prefs().flatNib ? leanOf(native) : undefined;
    return {
      desk,
      at,
      screen: [event.clientX, event.clientY],
      pixel: 1 / view.scale,
      pressure: pressureOf(native, prefs()),
      ...(lean === undefined ? {} : { lean: lean - (view.turn ?? 0) }),
      shift: event.shiftKey || heldKeys.shift,
      alt: event.altKey || heldKeys.alt,
    };
  };

  const matPoint = ({ clientX, clientY }: { clientX: number; clientY: number }): Point => {
    const box = frame.current!.getBoundingClientRect();
    return [clientX - box.left, clientY - box.top];
  };

  /** Takes up the tool, or the paper itself. */
  const begin = (event: PointerEvent) => {
    const does = penButton(event, prefs());
    const isMoving = panning || event.button === 1 || hands.current!.movesPaper(event);
    const taken = isMoving ? lookTool : does && does !== "menu" ? toolOfButton(desk, does) : tool;
    if (!taken) return;
    hands.current!.take(event);
    hand.press(pressOf(event), taken);
  };

  /** A first finger waits: a second may come, and then none of them draws. */
  const waiting = useRef<PointerEvent | null>(null);
  const startWaiting = () => {
    const event = waiting.current;
    waiting.current = null;
    if (event) begin(event);
  };

  const onPointerDown = (event: ReactPointerEvent<HTMLDivElement>) => {
    const { pointer, hush, standAt, walkTo } = desk.getState();
    const isPalm = hands.current!.isPalm(event.nativeEvent, true);
    // What is held still opens the menu unless its default is prevented: a pen rests where it draws, and a palm asks for nothing.
    if (isPalm || event.pointerType === "pen") event.preventDefault();
    if (isPalm) return;
    if (event.pointerType === "pen") frame.current!.focus({ preventScroll: true });
    pointer.at = matPoint(event);
    hush();
    standAt(null);
    if (
      event.pointerType === "touch" &&
      fingers.current!.down(event.pointerId, pointer.at, event.timeStamp)
    ) {
      waiting.current = null;
      pointer.cancel?.();
      return;
    }
    // A palm may come down before the pen: what it began gives way.
    if (event.pointerType === "pen" && fingers.current!.count > 0) {
      waiting.current = null;
      fingers.current!.letGo();
      pointer.cancel?.();
    }
    const does = penButton(event.nativeEvent, prefs());
    const isMeant = does ? does !== "menu" : event.button === 0 || event.button === 1;
    if (hand.gesture || waiting.current || !isMeant) return;
    frame.current!.setPointerCapture(event.pointerId);
    walkTo(null);
    if (event.pointerType !== "touch") {
      begin(event.nativeEvent);
      return;
    }
    const first = event.nativeEvent;
    waiting.current = first;
    setTimeout(() => waiting.current === first && startWaiting(), FINGER_WAITS_MS);
  };

  const onPointerMove = (event: ReactPointerEvent<HTMLDivElement>) => {
    const { pointer, derived, hover } = desk.getState();
    if (hands.current!.isPalm(event.nativeEvent)) return;
    pointer.at = matPoint(event);
    if (event.pointerType === "touch") {
      fingers.current!.move(event.pointerId, pointer.at);
      if (fingers.current!.count >= 2) return;
      const from = waiting.current;
      if (from && distance([from.clientX, from.clientY], [event.clientX, event.clientY]) > FINGER_SLACK)
        startWaiting();
    }
    if (hand.gesture && !hands.current!.owns(event.nativeEvent)) return;
    if (hand.gesture) {
      const moves = event.nativeEvent.getCoalescedEvents?.() ?? [];
      const foreseen = event.nativeEvent.getPredictedEvents?.() ?? [];
      hand.move((moves.length > 0 ? moves : [event.nativeEvent]).map(pressOf), foreseen.map(pressOf));
      return;
    }
    if (!panning) tool.hover?.(pressOf(event));
    const pocket = tool.lights && !panning ? (pocketAt(derived.pockets, pressOf(event).at) ?? null) : null;
    hover.getState().overPocket(pocket);
  };

  const finish = (event: ReactPointerEvent<HTMLDivElement>, cancelled: boolean) => {
    fingers.current!.up(event.pointerId, event.timeStamp);
    const isWaiting = waiting.current?.pointerId === event.pointerId;
    if (isWaiting && !cancelled) startWaiting();
    if (isWaiting) waiting.current = null;
    const isOwn = hands.current!.owns(event.nativeEvent);
    hands.current!.letGo(event.nativeEvent);
    if (!isOwn) return;
    if (cancelled) desk.getState().pointer.cancel?.();
    else if (hand.gesture) hand.lift(pressOf(event));
  };

  /** Whether what the menu is for is known already: by key it opens for what is chosen, wherever the pointer is. */
  const aimed = useRef(false);
  const onContextMenu = (event: ReactMouseEvent<HTMLDivElement>) => {
    const { menu } = stageOf(desk.getState());
    const native = event.nativeEvent as PointerEvent;
    const isOfGesture = hand.gesture && hands.current!.owns(native);
    // The button on the pen, or a finger beside one, does something else, and a palm nothing.
    if (hands.current!.isPalm(native) || (isOfGesture && (native.pointerType === "pen" || panning))) {
      event.preventDefault();
      return;
    }
    if (event.button === 2 || ["touch", "pen"].includes(native.pointerType)) menu?.aim(pressOf(native));
    aimed.current = menu !== undefined && menu.entries(desk).length > 0;
    if (!aimed.current) event.preventDefault();
  };
  const onMenu = () => {
    const state = desk.getState();
    waiting.current = null;
    // A press that has become a menu draws nothing.
    if (hand.gesture) hand.cancel();
    const { at } = state.pointer;
    if (!aimed.current && at) stageOf(state).menu?.aim(hand.pressAt(toPagePoint(state.view, at)));
    aimed.current = false;
  };

  return (
    <PaperMenu onOpen={onMenu}>
      <div
        ref={frame}
        id="paper"
        role="application"
        aria-roledescription="drawing"
        aria-label={useDesk(describeDrawing)}
        // biome-ignore lint/a11y/noNoninteractiveTabindex: pockets are walked by keyboard from here
        tabIndex={0}
        className="absolute inset-0 touch-none overflow-hidden select-none focus-visible:-outline-offset-2 focus-visible:after:pointer-events-none focus-visible:after:absolute focus-visible:after:inset-[2px] focus-visible:after:border-2 focus-visible:after:border-white"
        style={{ cursor: panning ? "grab" : tool.cursor }}
        onPointerDown={onPointerDown}
        onPointerMove={onPointerMove}
        onPointerUp={(event) => finish(event, false)}
        onPointerCancel={(event) => finish(event, true)}
        onContextMenu={onContextMenu}
        onDoubleClick={(event) => tool.doublePress?.(pressOf(event.nativeEvent as PointerEvent))}
        onPointerLeave={() => {
          if (hand.gesture) return;
          const { pointer, hover } = desk.getState();
          pointer.at = null;
          hover.getState().leave();
        }}
      >
        <canvas ref={mat} className={LAYER} data-layer="mat" />
        <div ref={art} className={LAYER} style={{ filter: useDesk(artFilter) }} />
        <canvas ref={overlay} className={LAYER} data-layer="overlay" />
        <canvas
          ref={wetEnd}
          hidden
          className="absolute top-0 left-0 will-change-transform"
          data-layer="wet end"
        />
      </div>
    </PaperMenu>
  );
}

const artFilter = ({ look, drawing, view }: Desk): string | undefined =>
  filterFor(look, drawing.page.box.width * view.scale);

/** How long a first finger waits for a second, unless it goes farther than this many pixels. */
const FINGER_WAITS_MS = 140;
const FINGER_SLACK = 8;

const LAYER = "absolute inset-0 h-full w-full";
