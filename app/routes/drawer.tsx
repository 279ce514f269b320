import { useLiveQuery } from "dexie-react-hooks";
import { redirect } from "react-router";
import { takeUpGuided } from "../desk/show-me/guided.ts";
import type { Card } from "../drawer/card.ts";
import { DrawerPage } from "../drawer/drawer-page.tsx";
import { openDemo } from "../drawer/open-demo.ts";
import { mendDrawer } from "../keep/mend.ts";
import {
  clearDeleted,
  deleteDrawing,
  duplicateDrawing,
  listDrawings,
  renameDrawing,
  restoreDrawing,
  type Shown,
} from "../keep/shelf.ts";
import type { Route } from "./+types/drawer.ts";

export const meta: Route.MetaFunction = () => [
  { title: "Fern Pocket" },
  { name: "description", content: "Colours vector line art for spot illustrations." },
];

export async function clientLoader() {
  await clearDeleted().catch(() => {});
  await mendDrawer().catch(() => {});
  const { rows, storage } = await listDrawings();
  return { cards: rows.map(cardOf), storage };
}
clientLoader.hydrate = true as const;

const cardOf = ({ id, name, changedAt, thumbnail, strokes }: Shown): Card => ({
  id,
  name,
  changedAt,
  thumbnail,
  strokes,
});

export async function clientAction({ request }: Route.ClientActionArgs) {
  const form = await request.formData();
  const id = String(form.get("id") ?? "");
  switch (form.get("intent")) {
    case "open-demo":
      if (String(form.get("file")).endsWith(".png")) return redirect(`/scan?demo=${form.get("file")}`);
      return redirect(`/desk/${await openDemo(String(form.get("file")), String(form.get("title")))}`);
    case "show-me":
      return redirect(`/desk/${await takeUpGuided()}`);
    case "rename":
      await renameDrawing(id, String(form.get("name")).trim() || "Untitled");
      break;
    case "duplicate":
      await duplicateDrawing(id);
      break;
    case "delete":
      await deleteDrawing(id);
      break;
    case "restore":
      await restoreDrawing(id);
      break;
  }
  return { done: true };
}

export function HydrateFallback() {
  return <DrawerPage cards={[]} storage="browser" waiting />;
}

export default function Drawer({ loaderData }: Route.ComponentProps) {
  // What comes in while the drawer is open, the picture of the drawing just left above all.
  const rows = useLiveQuery(async () => (await listDrawings()).rows);
  const cards = rows?.map(cardOf) ?? loaderData.cards;
  return <DrawerPage cards={cards} storage={loaderData.storage} />;
}
