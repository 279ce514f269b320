import { demoThumbnail, isDemo, readDemo } from "../drawer/demos.server.ts";
import type { Route } from "./+types/demo.ts";

/** A shipped drawing's file, or with ?picture its picture. */
export async function loader({ params, request }: Route.LoaderArgs) {
  if (!isDemo(params.file)) throw new Response("No such demo drawing", { status: 404 });
  const picture = new URL(request.url).searchParams.has("picture");
  const text = picture ? await demoThumbnail(params.file) : await readDemo(params.file);
  const type = picture || params.file.endsWith(".svg") ? "image/svg+xml" : "application/json";
  return new Response(text, {
    headers: {
      "Content-Type": type,
      "Content-Security-Policy": "default-src 'none'; style-src 'unsafe-inline'",
    },
  });
}
