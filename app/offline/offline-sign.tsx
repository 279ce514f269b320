import { useEffect } from "react";
import { useNotice } from "../ui/notices.tsx";

/** Keeps Fern Pocket for times without the server, and offers a newer one when it is there: it is never forced. */
export function OfflineSign() {
  const tell = useNotice();
  useEffect(() => {
    if (!import.meta.env.PROD || !("serviceWorker" in navigator)) return;
    let open = true;
    const offer = (waiting: ServiceWorker) =>
      tell("A newer Fern Pocket is here. Your drawings stay as they are.", {
        tone: "warn",
        action: { label: "Take it now", run: () => takeOver(waiting) },
      });
    void navigator.serviceWorker
      .register("/service-worker.js")
      .then((registration) => {
        if (!open) return;
        if (registration.waiting) offer(registration.waiting);
        registration.addEventListener("updatefound", () => {
          const fresh = registration.installing;
          fresh?.addEventListener("statechange", () => {
            // The very first one takes nobody's place.
            if (open && fresh.state === "installed" && navigator.serviceWorker.controller) offer(fresh);
          });
        });
      })
      .catch(() => {});
    return () => {
      open = false;
    };
  }, [tell]);
  return null;
}

/** Everything is kept as it happens, so the page can be reloaded. */
function takeOver(waiting: ServiceWorker): void {
  navigator.serviceWorker.addEventListener("controllerchange", () => location.reload(), { once: true });
  waiting.postMessage("take over");
}
