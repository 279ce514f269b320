import "reflect-metadata";
import { Resvg } from "@resvg/resvg-js";
import { plainToInstance } from "class-transformer";
import { IsInt, IsString, Max, MaxLength, Min, validate } from "class-validator";
import type { Route } from "./+types/proof.ts";

class ProofRequest {
  @IsString() @MaxLength(32 * 1024 * 1024) svg!: string;
  @IsInt() @Min(16) @Max(4000) width!: number;
}

/**
 * The print shop stand-in: draws a delivered SVG with a second, independent engine, as other people's programs
 * will, and sends the proof back. It runs on the server because that engine is native code.
 */
export async function action({ request }: Route.ActionArgs) {
  const body = plainToInstance(ProofRequest, await request.json().catch(() => ({})));
  const errors = await validate(body);
  if (errors.length > 0)
    return new Response("The print shop stand-in needs an SVG and a width in pixels.", { status: 400 });
  try {
    const picture = new Resvg(body.svg, {
      fitTo: { mode: "width", value: body.width },
      font: { loadSystemFonts: false },
    });
    const png = new Uint8Array(picture.render().asPng());
    return new Response(png, { headers: { "Content-Type": "image/png" } });
  } catch {
    return new Response("The print shop stand-in could not read this SVG.", { status: 422 });
  }
}
