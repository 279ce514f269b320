import { data, Link } from "react-router";
import { DeskPage } from "../desk/desk-page.tsx";
import { NewerPage } from "../desk/newer-page.tsx";
import { STAGE_NAMES } from "../desk/store/desk-state.ts";
import { NewerDrawing, openDrawing } from "../keep/shelf.ts";
import type { Route } from "./+types/desk.ts";

export const meta: Route.MetaFunction = () => [{ title: "Desk, Fern Pocket" }];

/** `?stage=` names the stage to begin at. */
export async function clientLoader({ params, request }: Route.ClientLoaderArgs) {
  const opened = await openDrawing(params.id).catch((error: unknown) => {
    if (error instanceof NewerDrawing) return "newer" as const;
    throw error;
  });
  if (!opened) throw data(null, { status: 404 });
  const asked = new URL(request.url).searchParams.get("stage");
  return { id: params.id, opened, stage: STAGE_NAMES.find((stage) => stage === asked) };
}

export function HydrateFallback() {
  return (
    <main className="grid h-full place-items-center">
      <p className="text-quiet" role="status">
        Laying out the desk… <Link to="/">Back to the drawer</Link>
      </p>
    </main>
  );
}

export default function Desk({ loaderData }: Route.ComponentProps) {
  const { id, opened, stage } = loaderData;
  if (opened === "newer") return <NewerPage id={id} />;
  return <DeskPage key={id} id={id} opened={opened} stage={stage} />;
}
