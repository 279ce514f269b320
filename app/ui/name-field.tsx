import { useEffect, useRef, useState } from "react";
import { plainText } from "#core/drawing/plain-text.ts";

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (name: string) => void;
  readonly maxLength?: number;
  /** For a field that is there only while a name is being written: called when it is done, by a key or not; it takes the focus. */
  readonly onDone?: (byKey: boolean) => void;
  readonly className?: string;
}

/** A name, kept on Enter, on leaving the field and when what holds it closes, also by Escape. */
export function NameField({ label, value, onChange, maxLength = 60, onDone, className }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = (byKey = false) => {
    const name = plainText(typed ?? "");
    if (name !== "" && name !== value) onChange(name);
    setTyped(null);
    onDone?.(byKey);
  };
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => () => latest.current(), []);
  const field = useRef<HTMLInputElement>(null);
  const takesFocus = onDone !== undefined;
  useEffect(() => {
    if (takesFocus) field.current?.select();
  }, [takesFocus]);
  return (
    <input
      ref={field}
      aria-label={label}
      value={typed ?? value}
      maxLength={maxLength}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={() => take()}
      onKeyDown={(event) => {
        if (event.key === "Enter" || (event.key === "Escape" && onDone)) take(true);
      }}
      className={className}
    />
  );
}
