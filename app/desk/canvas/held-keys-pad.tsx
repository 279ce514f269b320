import clsx from "clsx";
import type { ReactNode } from "react";
import { useForFingers } from "../../prefs/apply-prefs.ts";
import { usePrefs } from "../../prefs/prefs-store.ts";
import { useDesk, useDeskStore } from "../store/use-desk.ts";
import { dipTool } from "../tools/dip/dip.ts";

/** What Shift, Alt and D do, held by the hand that does not draw: as long as a finger is on it, or, by a key, until it is pressed again. */
export function HeldKeysPad() {
  const forFingers = useForFingers();
  const wish = usePrefs((now) => now.heldKeys);
  const hand = usePrefs((now) => now.hand);
  const { shift, alt } = useDesk((s) => s.heldKeys);
  const dips = useDesk((s) => s.keyTool === dipTool.name);
  const { holdKeys, takeKeyTool } = useDeskStore().getState();
  if (wish === "hidden" || (wish === "device" && !forFingers)) return null;
  return (
    <fieldset
      aria-label="Keys to hold"
      className={clsx(
        "absolute top-1/2 z-10 grid -translate-y-1/2 gap-2",
        hand === "right" ? "left-(--held-aside)" : "right-(--held-aside)",
      )}
    >
      <HeldKey held={shift} onHold={(on) => holdKeys({ shift: on })}>
        Shift
      </HeldKey>
      <HeldKey held={alt} onHold={(on) => holdKeys({ alt: on })}>
        Alt
      </HeldKey>
      <HeldKey held={dips} onHold={(on) => takeKeyTool(on ? dipTool.name : null)}>
        Dip
      </HeldKey>
    </fieldset>
  );
}

interface KeyProps {
  readonly held: boolean;
  readonly onHold: (held: boolean) => void;
  readonly children: ReactNode;
}

const HeldKey = ({ held, onHold, children }: KeyProps) => (
  <button
    type="button"
    aria-pressed={held}
    onPointerDown={(event) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      onHold(true);
    }}
    onPointerUp={() => onHold(false)}
    onPointerCancel={() => onHold(false)}
    onContextMenu={(event) => event.preventDefault()}
    onClick={({ detail }) => detail === 0 && onHold(!held)}
    className={clsx(
      "h-12 w-14 touch-none rounded-md border border-edge text-xs shadow-sm select-none",
      held ? "bg-fern font-semibold text-on-accent" : "bg-raised",
    )}
  >
    {children}
  </button>
);
