import { isDemo, readDemo, readPicture, typeOf } from "../drawer/demos.server.ts";
import type { Route } from "./+types/demo.ts";

/** A shipped drawing's file, or with ?picture its picture. */
export async function loader({ params, request }: Route.LoaderArgs) {
  if (!isDemo(params.file)) throw new Response("No such demo drawing", { status: 404 });
  const small = new URL(request.url).searchParams.has("picture");
  const bytes = await (small ? readPicture(params.file) : readDemo(params.file));
  return new Response(new Uint8Array(bytes), {
    headers: {
      "Content-Type": small ? "image/png" : typeOf(params.file),
      "Content-Security-Policy": "default-src 'none'; style-src 'unsafe-inline'",
    },
  });
}
