import clsx from "clsx";
import { type KeyboardEvent, useId, useState } from "react";
import { numberIn } from "./number-in.ts";

interface Props {
  readonly label: string;
  readonly value: number;
  /** Hears a number once it is meant: on Enter, on leaving the field, and for each step by the arrow keys. */
  readonly onChange: (value: number) => void;
  readonly min?: number;
  readonly max?: number;
  readonly step?: number;
  /** Decimals shown; with none only whole numbers are taken. */
  readonly digits?: number;
  readonly unit?: string;
  readonly className?: string;
  /** The label above its field instead of before it. */
  readonly above?: boolean;
  /** A small figure beside something that says what it is: the label is told, not seen. */
  readonly bare?: boolean;
  readonly disabled?: boolean;
}

/** A number to be typed in peace: nothing is taken or changed meanwhile, and Escape puts the old one back. */
export function NumberField({
  label,
  value,
  onChange,
  min = Number.NEGATIVE_INFINITY,
  max = Number.POSITIVE_INFINITY,
  step = 1,
  digits = 2,
  unit,
  className = "w-16",
  above = false,
  bare = false,
  disabled,
}: Props) {
  const id = useId();
  const [typed, setTyped] = useState<string | null>(null);
  const shown = String(Number(value.toFixed(digits)));
  const put = (number: number) => {
    const meant = Math.min(max, Math.max(min, digits === 0 ? Math.round(number) : number));
    if (meant !== Number(shown)) onChange(meant);
  };
  const take = () => {
    const number = typed === null ? undefined : numberIn(typed);
    setTyped(null);
    if (number !== undefined) put(number);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const by = { ArrowUp: step, ArrowDown: -step }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      setTyped(null);
      put(Number(((numberIn(typed ?? "") ?? value) + by).toFixed(digits)));
    } else if (event.key === "Enter") take();
    else if (event.key === "Escape") setTyped(null);
  };
  const field = (
    <input
      id={id}
      type="text"
      inputMode="decimal"
      role="spinbutton"
      autoComplete="off"
      aria-label={bare ? label : undefined}
      aria-valuenow={value}
      aria-valuemin={Number.isFinite(min) ? min : undefined}
      aria-valuemax={Number.isFinite(max) ? max : undefined}
      disabled={disabled}
      value={typed ?? shown}
      onChange={(event) => setTyped(event.target.value)}
      onFocus={(event) => event.target.select()}
      onBlur={take}
      onKeyDown={onKeyDown}
      className={clsx(
        "min-w-small rounded-md border tabular-nums",
        bare
          ? "h-small w-10 shrink-0 border-transparent bg-transparent px-0.5 text-right text-xs text-quiet hover:border-edge focus:bg-field focus:text-text touch:w-target"
          : "border-edge bg-field",
        !bare && (above ? "h-large w-full px-3" : clsx("h-target px-1.5", className)),
      )}
    />
  );
  if (bare) return field;
  return (
    <label
      htmlFor={id}
      className={above ? "grid gap-1" : "flex items-center gap-1.5 text-xs whitespace-nowrap"}
    >
      {label}
      {field}
      {unit && <span className="text-quiet">{unit}</span>}
    </label>
  );
}
