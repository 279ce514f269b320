import { Link, useNavigate } from "react-router";
import { HelpBook } from "../help/help-book.tsx";
import { FrondMark } from "../ui/frond-mark.tsx";
import type { Route } from "./+types/help.ts";

export const meta: Route.MetaFunction = () => [{ title: "Help, Fern Pocket" }];

/** In the browser alone, so that one page stands for all of them offline. */
export const clientLoader = ({ params }: Route.ClientLoaderArgs) => Promise.resolve({ page: params.page });

export function HydrateFallback() {
  return (
    <main className="grid h-full place-items-center">
      <p className="text-quiet" role="status">
        Opening Help… <Link to="/">Back to the drawer</Link>
      </p>
    </main>
  );
}

/** Help beside the drawer; on a desk it opens over the press. */
export default function Help({ loaderData }: Route.ComponentProps) {
  const navigate = useNavigate();
  return (
    <main className="min-h-full px-8 py-7">
      <div className="mx-auto max-w-2xl">
        <header className="flex items-center gap-4 px-5">
          <FrondMark className="h-10 w-10 text-fern" />
          <h1 className="flex-1 font-display text-3xl leading-none">Help</h1>
          <Link
            to="/"
            className="inline-flex h-target items-center rounded-md border border-edge bg-raised px-3 hover:bg-well"
          >
            Back to the drawer
          </Link>
        </header>
        <HelpBook page={loaderData.page} onGo={(to) => void navigate(to ? `/help/${to}` : "/help")} />
      </div>
    </main>
  );
}
