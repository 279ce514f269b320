import { X } from "lucide-react";
import { Toast } from "radix-ui";
import { createContext, type ReactNode, useCallback, useContext, useState } from "react";

interface Notice {
  readonly id: number;
  readonly text: string;
  readonly tone: "plain" | "warn";
  readonly action?: { readonly label: string; readonly run: () => void };
}

type Tell = (text: string, extra?: { tone?: Notice["tone"]; action?: Notice["action"] }) => void;

const NoticeContext = createContext<Tell>(() => {});

/** Says something short above the page; anything lost or changed can be put back from there. */
export const useNotice = (): Tell => useContext(NoticeContext);

let nextId = 1;

export function Notices({ children }: { children: ReactNode }) {
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const tell = useCallback<Tell>((text, { tone = "plain", action } = {}) => {
    setNotices((now) => [...now.slice(-2), { id: nextId++, text, tone, action }]);
  }, []);
  const drop = (id: number) => setNotices((now) => now.filter((notice) => notice.id !== id));
  return (
    <NoticeContext value={tell}>
      <Toast.Provider swipeDirection="up" duration={9000}>
        {children}
        {notices.map(({ id, text, tone, action }) => (
          <Toast.Root
            key={id}
            onOpenChange={(open) => !open && drop(id)}
            duration={tone === "warn" ? 20_000 : undefined}
            className={`flex items-start gap-3 rounded-md border bg-raised px-4 py-3 shadow-lg ${tone === "warn" ? "border-ember" : "border-line"}`}
          >
            <Toast.Description className="max-w-sm flex-1">{text}</Toast.Description>
            {action && (
              <Toast.Action altText={action.label} asChild>
                <button
                  type="button"
                  onClick={action.run}
                  className="min-h-small font-medium text-fern underline underline-offset-4 touch:px-3"
                >
                  {action.label}
                </button>
              </Toast.Action>
            )}
            <Toast.Close
              aria-label="Dismiss"
              className="grid h-small w-small place-items-center text-quiet hover:text-text"
            >
              <X size={16} aria-hidden />
            </Toast.Close>
          </Toast.Root>
        ))}
        <Toast.Viewport className="fixed top-16 left-1/2 z-30 flex w-max max-w-[92vw] -translate-x-1/2 flex-col gap-2 outline-none" />
      </Toast.Provider>
    </NoticeContext>
  );
}
