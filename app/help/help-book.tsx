import { ArrowLeft, ArrowRight, List } from "lucide-react";
import type { ReactNode } from "react";
import { Button } from "../ui/button.tsx";
import { figureOf } from "./figures.ts";
import { HELP_GROUPS, type HelpPage } from "./help-page.ts";
import { HELP_PAGES, helpNamed } from "./pages.ts";
import { GoToPage } from "./words.tsx";

interface Props {
  /** The name of the page that is open; all their titles where there is none. */
  readonly page: string | undefined;
  readonly onGo: (page: string | undefined) => void;
  /** Above the titles. */
  readonly children?: ReactNode;
}

/** Help, page by page. */
export function HelpBook({ page, onGo, children }: Props) {
  const open = helpNamed(page);
  if (open)
    return (
      <GoToPage value={onGo}>
        <Page page={open} onGo={onGo} />
      </GoToPage>
    );
  return (
    <div className="px-5 py-4">
      {children}
      {HELP_GROUPS.map((group) => (
        <section key={group} aria-labelledby={`help-${group}`} className="mb-4">
          <h3 id={`help-${group}`} className="font-display text-base">
            {group}
          </h3>
          <ul className="mt-1 grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-x-4 touch:gap-y-apart">
            {HELP_PAGES.filter((one) => one.group === group).map(({ name, title }) => (
              <li key={name}>
                <button
                  type="button"
                  onClick={() => onGo(name)}
                  className="flex min-h-small w-full items-center rounded-md px-2 text-left hover:bg-well touch:min-h-target"
                >
                  {title}
                </button>
              </li>
            ))}
          </ul>
        </section>
      ))}
    </div>
  );
}

function Page({ page, onGo }: { page: HelpPage; onGo: Props["onGo"] }) {
  const { name, title, figure, Body } = page;
  const at = HELP_PAGES.indexOf(page);
  return (
    <article aria-labelledby="help-title" data-help={name} className="px-5 py-4">
      <h3 id="help-title" className="font-display text-xl leading-tight">
        {title}
      </h3>
      <img src={figureOf(name)} alt={figure} className="mt-3 w-full rounded-md border border-line bg-white" />
      <div className="mt-3 grid gap-2.5 text-sm leading-relaxed">
        <Body />
      </div>
      <nav aria-label="Pages of Help" className="mt-5 flex flex-wrap items-center gap-apart">
        <Button size="small" onClick={() => onGo(undefined)}>
          <List size={15} aria-hidden /> All pages
        </Button>
        <span className="grow" />
        <Turn to={HELP_PAGES[at - 1]} onGo={onGo} icon={<ArrowLeft size={15} aria-hidden />} word="Back to" />
        <Turn to={HELP_PAGES[at + 1]} onGo={onGo} icon={<ArrowRight size={15} aria-hidden />} word="On to" />
      </nav>
    </article>
  );
}

interface TurnProps {
  readonly to: HelpPage | undefined;
  readonly onGo: Props["onGo"];
  readonly icon: ReactNode;
  readonly word: string;
}

const Turn = ({ to, onGo, icon, word }: TurnProps) =>
  to && (
    <Button
      size="small"
      className="min-w-target"
      aria-label={`${word} ${to.title}`}
      title={to.title}
      onClick={() => onGo(to.name)}
    >
      {icon}
    </Button>
  );
