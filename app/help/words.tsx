/** What a page of Help says of the desk: tests hold that controls, keys and pages are there. */
import { createContext, type ReactNode, useContext } from "react";
import { showCombo } from "../desk/keys/combo.ts";
import { KEYS } from "../desk/keys/keys.ts";
import { comboFor, ownKeysFrom } from "../desk/keys/own-keys.ts";
import { usePrefs } from "../prefs/prefs-store.ts";

/** A control by its name in the desk. */
export const C = ({ children }: { children: string }) => (
  <b data-control={children} className="font-semibold whitespace-nowrap">
    {children}
  </b>
);

/** What is pressed for a key of the sheet on this device. */
export function K({ name }: { name: string }) {
  const own = usePrefs((now) => now.keys);
  const entry = KEYS.find((one) => one.name === name)!;
  return <Kbd>{showCombo(comboFor(entry, ownKeysFrom(own)))}</Kbd>;
}

/** A key that is the same for everybody. */
export const Fixed = ({ children }: { children: string }) => <Kbd>{children}</Kbd>;

const Kbd = ({ children }: { children: ReactNode }) => (
  <kbd className="rounded border border-edge bg-field px-1 font-sans text-[0.9em] whitespace-nowrap">
    {children}
  </kbd>
);

export const GoToPage = createContext<(page: string) => void>(() => {});

/** Leads to another page. */
export function See({ page, children }: { page: string; children: string }) {
  const go = useContext(GoToPage);
  return (
    <button
      type="button"
      data-see={page}
      onClick={() => go(page)}
      className="font-medium text-fern underline underline-offset-3"
    >
      {children}
    </button>
  );
}
