import { Link } from "react-router";
import { heldScan } from "../scan/held-scan.ts";
import { ScanPage } from "../scan/scan-page.tsx";
import type { Route } from "./+types/scan.ts";

export const meta: Route.MetaFunction = () => [{ title: "Scan, Fern Pocket" }];

/** `?demo=` brings in a scan that ships with Fern Pocket. */
export async function clientLoader({ request }: Route.ClientLoaderArgs) {
  const demo = new URL(request.url).searchParams.get("demo");
  if (!demo) return { file: heldScan() };
  const response = await fetch(`/demo/${encodeURIComponent(demo)}`);
  if (!response.ok) return { file: null };
  return { file: new File([await response.blob()], "Bunch of radishes.png", { type: "image/png" }) };
}
clientLoader.hydrate = true as const;

export function HydrateFallback() {
  return (
    <main className="grid h-full place-items-center">
      <p className="text-quiet" role="status">
        Laying the scan on the glass… <Link to="/">Back to the drawer</Link>
      </p>
    </main>
  );
}

export default function Scan({ loaderData }: Route.ComponentProps) {
  return <ScanPage file={loaderData.file} />;
}
