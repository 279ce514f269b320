import { demoThumbnail, isDemo, readDemo, typeOf } from "../drawer/demos.server.ts";
import type { Route } from "./+types/demo.ts";

/** A shipped drawing's file, or with ?picture its picture. */
export async function loader({ params, request }: Route.LoaderArgs) {
  if (!isDemo(params.file)) throw new Response("No such demo drawing", { status: 404 });
  const drawn = new URL(request.url).searchParams.has("picture") && !params.file.endsWith(".png");
  const body = drawn ? await demoThumbnail(params.file) : new Uint8Array(await readDemo(params.file));
  return new Response(body, {
    headers: {
      "Content-Type": drawn ? "image/svg+xml" : typeOf(params.file),
      "Content-Security-Policy": "default-src 'none'; style-src 'unsafe-inline'",
    },
  });
}
