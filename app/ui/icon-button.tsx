import clsx from "clsx";
import type { ReactNode } from "react";

interface Props {
  readonly label: string;
  readonly onClick: () => void;
  readonly disabled?: boolean;
  readonly pressed?: boolean;
  readonly small?: boolean;
  /** For one of many in a list that is walked by other keys than Tab. */
  readonly tabIndex?: number;
  readonly children: ReactNode;
}

/** A button that is an icon; its name is its tooltip too. */
export function IconButton({ label, onClick, disabled, pressed, small, tabIndex, children }: Props) {
  return (
    <button
      type="button"
      aria-label={label}
      title={label}
      aria-pressed={pressed}
      disabled={disabled}
      tabIndex={tabIndex}
      onClick={onClick}
      className={clsx(
        "grid place-items-center rounded-md text-text hover:bg-well disabled:text-edge disabled:hover:bg-transparent",
        small ? "h-small w-small" : "h-target w-target",
      )}
    >
      {children}
    </button>
  );
}
