import { useEffect, useRef, useState } from "react";
import { plainText } from "#core/drawing/plain-text.ts";

interface Props {
  readonly label: string;
  readonly value: string;
  readonly onChange: (name: string) => void;
  readonly maxLength?: number;
  readonly className?: string;
}

/** A name, kept on Enter, on leaving the field and when what holds it closes, also by Escape. */
export function NameField({ label, value, onChange, maxLength = 60, className }: Props) {
  const [typed, setTyped] = useState<string | null>(null);
  const take = () => {
    const name = plainText(typed ?? "");
    if (name !== "" && name !== value) onChange(name);
    setTyped(null);
  };
  const latest = useRef(take);
  latest.current = take;
  useEffect(() => () => latest.current(), []);
  return (
    <input
      aria-label={label}
      value={typed ?? value}
      maxLength={maxLength}
      onChange={(event) => setTyped(event.target.value)}
      onBlur={take}
      onKeyDown={(event) => event.key === "Enter" && take()}
      className={className}
    />
  );
}
