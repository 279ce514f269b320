import { Link } from "react-router";
import { storedFile } from "../keep/shelf.ts";
import { Button } from "../ui/button.tsx";
import { downloadFile } from "../ui/download.ts";

/** In place of the desk for a drawing that a later version of the application has kept. */
export function NewerPage({ id }: { readonly id: string }) {
  const save = async () => {
    const text = await storedFile(id);
    if (text) downloadFile(new Blob([text], { type: "application/json" }), "drawing as it was stored.json");
  };
  return (
    <main className="mx-auto max-w-lg px-6 py-24">
      <h1 className="font-display text-3xl">Kept by a newer Fern Pocket</h1>
      <p className="mt-4 text-quiet">
        This drawing was changed by a newer version than this page. It is left just as it is. Load the page
        again to get the newer version, or save what is stored as a file.
      </p>
      <div className="mt-6 flex items-center gap-4">
        <Button onClick={() => location.reload()}>Load again</Button>
        <Button onClick={() => void save()}>Save what is stored</Button>
        <Link to="/" className="text-fern underline underline-offset-4">
          Back to the drawer
        </Link>
      </div>
    </main>
  );
}
