/// <reference lib="WebWorker" />
/**
 * The service worker: after the first visit everything opens and works without the server. All files of one build are kept
 * together; a newer build waits beside them until the person takes it.
 */
import { matchPrecache, type PrecacheEntry, precacheAndRoute } from "workbox-precaching";
import { NavigationRoute, registerRoute } from "workbox-routing";

declare const self: ServiceWorkerGlobalScope & { readonly __WB_MANIFEST: (PrecacheEntry | string)[] };

precacheAndRoute(self.__WB_MANIFEST, { ignoreURLParametersMatching: [/^(?!picture$)/], directoryIndex: "" });

/** The page that stands for an address: which drawing it shows is read from the address itself. */
const shellFor = (path: string): string | undefined => {
  if (path === "/" || path === "/scan") return path;
  if (path.startsWith("/help")) return "/help/any";
  return path.startsWith("/desk/") ? "/desk/any" : undefined;
};

registerRoute(
  new NavigationRoute(async ({ request, url }) => {
    const shell = shellFor(url.pathname);
    const kept = shell && (await matchPrecache(shell));
    return kept || fetch(request);
  }),
);

self.addEventListener("message", ({ data }) => {
  if (data === "take over") void self.skipWaiting();
});

// The first of all takes the pages that are open already: they came from the same build.
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));
