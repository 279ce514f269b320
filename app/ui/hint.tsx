import type { ReactNode } from "react";

/** A quiet sentence beside settings. */
export const Hint = ({ children }: { children: ReactNode }) => (
  <p className="max-w-72 text-xs leading-tight text-quiet">{children}</p>
);
