import type { ReactNode } from "react";

/** A choice of this device with its word before it, in a list of descriptions. */
export const SettingRow = ({ word, children }: { word: string; children: ReactNode }) => (
  <>
    <dt>{word}</dt>
    <dd className="flex flex-wrap">{children}</dd>
  </>
);
