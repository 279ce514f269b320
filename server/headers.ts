/** What every answer tells the browser, whether page, file or error: nobody frames, opens or embeds us. */
import type { RequestHandler } from "express";
import onHeaders from "on-headers";

const HEADERS: Readonly<Record<string, string>> = {
  // Pages bring their own with a nonce (app/ui/nonce.ts).
  "Content-Security-Policy": [
    "default-src 'self'",
    "script-src 'self'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "object-src 'none'",
    "base-uri 'none'",
    "frame-ancestors 'none'",
  ].join("; "),
  "Cross-Origin-Opener-Policy": "same-origin",
  "Cross-Origin-Resource-Policy": "same-origin",
  "Permissions-Policy":
    "camera=(), display-capture=(), geolocation=(), microphone=(), payment=(), usb=(), serial=()",
  "Referrer-Policy": "no-referrer",
  "X-Content-Type-Options": "nosniff",
  "X-Frame-Options": "DENY",
};

/** Sets them as the answer leaves, added to the headers it has by then. */
export const ownHeaders: RequestHandler = (_request, response, next) => {
  onHeaders(response, () => {
    for (const [name, value] of Object.entries(HEADERS))
      if (!response.hasHeader(name)) response.setHeader(name, value);
  });
  next();
};
