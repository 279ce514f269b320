import "@fontsource-variable/fraunces/opsz.css";
import "@fontsource-variable/inter/index.css";
import "./app.css";
import { type ReactNode, useContext, useEffect } from "react";
import { isRouteErrorResponse, Link, Links, Meta, Outlet, Scripts, ScrollRestoration } from "react-router";
import type { Route } from "./+types/root.ts";
import { OfflineSign } from "./offline/offline-sign.tsx";
import { applyPrefs } from "./prefs/apply-prefs.ts";
import { loadPrefs } from "./prefs/prefs-store.ts";
import { NonceContext } from "./ui/nonce.ts";
import { Notices } from "./ui/notices.tsx";

export const links: Route.LinksFunction = () => [
  { rel: "icon", href: "/fern.svg", type: "image/svg+xml" },
  { rel: "manifest", href: "/fern-pocket.webmanifest" },
];

export function Layout({ children }: { children: ReactNode }) {
  const nonce = useContext(NonceContext);
  return (
    <html lang="en-GB">
      <head>
        <meta charSet="utf-8" />
        <meta name="viewport" content="width=device-width, initial-scale=1" />
        <Meta />
        <Links />
      </head>
      <body>
        {children}
        <ScrollRestoration nonce={nonce} />
        <Scripts nonce={nonce} />
      </body>
    </html>
  );
}

export default function Root() {
  useEffect(() => {
    void loadPrefs();
    return applyPrefs();
  }, []);
  return (
    <Notices>
      <Outlet />
      <OfflineSign />
    </Notices>
  );
}

export function ErrorBoundary({ error }: Route.ErrorBoundaryProps) {
  const missing = isRouteErrorResponse(error) && error.status === 404;
  return (
    <main className="mx-auto max-w-lg px-6 py-24">
      <h1 className="font-display text-3xl">{missing ? "Nothing here" : "Something went wrong"}</h1>
      <p className="mt-4 text-quiet">
        {missing
          ? "There is no drawing at this address. It may have been deleted, or kept in another browser."
          : "The page could not be shown. Your drawings are kept in this browser and were not changed."}
      </p>
      <Link to="/" className="mt-8 inline-block text-fern underline underline-offset-4">
        Back to the drawer
      </Link>
    </main>
  );
}
