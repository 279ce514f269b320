/** A file that cannot be read, told so that a person knows what to do; nothing has been changed by it. */
export class FileProblem extends Error {
  constructor(
    readonly kind: "empty" | "broken" | "not-svg" | "no-lines" | "too-large" | "not-ours",
    message: string,
  ) {
    super(message);
    this.name = "FileProblem";
  }
}

/** Files larger than this are not read. */
export const LARGEST_FILE = 32 * 1024 * 1024;

export function checkSize(bytes: number): void {
  if (bytes === 0) throw new FileProblem("empty", "The file is empty.");
  if (bytes > LARGEST_FILE) {
    const megabytes = Math.round(bytes / 1024 / 1024);
    throw new FileProblem(
      "too-large",
      `The file has ${megabytes} MB; Fern Pocket reads up to ${LARGEST_FILE / 1024 / 1024} MB.`,
    );
  }
}
