/** The pocket worker's work in the same thread, for tests: stand-ins for Comlink and for the workers' clients. */
import { FormWork } from "./form-work.ts";
import type { PocketWork } from "./pockets.worker.ts";

/** What `Comlink.expose` was given last. */
let exposed: PocketWork | undefined;

/** Stands in for Comlink: hands the worker's work over as it is. */
export const mockedComlink = {
  expose: (work: PocketWork) => {
    exposed = work;
  },
  wrap: () => exposed,
  transfer: <T>(value: T): T => value,
  proxy: <T>(value: T): T => value,
};

/** Stands in for the workers' clients. */
export async function inThread() {
  await import("./pockets.worker.ts");
  const work = Object.fromEntries(
    Object.entries(exposed!).map(([name, act]) => [
      name,
      async (...args: unknown[]) => (act as (...given: unknown[]) => unknown)(...args),
    ]),
  );
  return {
    pocketClient: () => ({ work, stop: () => {} }),
    lightClient: () => {
      const forms = new FormWork();
      return {
        work: { tones: async (request: Parameters<FormWork["answer"]>[0]) => forms.answer(request) },
        stop: () => {},
      };
    },
    pictureClient: () => ({ work: {}, stop: () => {} }),
    artWorker: () => ({ postMessage: () => {}, terminate: () => {} }),
  };
}
