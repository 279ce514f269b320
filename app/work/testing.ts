/** The pocket worker's work in the same thread, for tests: stand-ins for the workers' clients. */
import { FormWork } from "./form-work.ts";
import { pocketWork } from "./pocket-work.ts";

/** Stands in for the workers' clients. */
export function inThread() {
  const work = Object.fromEntries(
    Object.entries(pocketWork).map(([name, act]) => [
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
