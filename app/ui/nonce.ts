import { createContext } from "react";

/** The nonce that marks our own inline scripts in one response; empty in the browser, which hides it anyway. */
export const NonceContext = createContext<string | undefined>(undefined);

export function contentPolicy(nonce: string): string {
  return [
    "default-src 'none'",
    `script-src 'self' 'nonce-${nonce}'`,
    `style-src 'self' 'nonce-${nonce}'`,
    // Positions and colours of wells, slabs and pop-ups are inline style attributes.
    "style-src-attr 'unsafe-inline'",
    "font-src 'self'",
    "img-src 'self' blob: data:",
    "connect-src 'self'",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
}
