/** How full the browser's storage is, and whether it is kept for good. */
export interface Room {
  /** Bytes, as far as the browser tells. */
  readonly used: number;
  readonly most: number;
  /** Whether the browser has promised not to clear it by itself. */
  readonly forGood: boolean;
}

/** From this share on it is time to say so. */
const NEARLY = 0.8;

export const isNearlyFull = ({ used, most }: Room): boolean => most > 0 && used / most >= NEARLY;

/** Null where the browser does not say. */
export async function roomLeft(): Promise<Room | null> {
  const { storage } = navigator;
  if (!storage?.estimate) return null;
  const { usage = 0, quota = 0 } = await storage.estimate().catch(() => ({}) as StorageEstimate);
  const forGood = (await storage.persisted?.().catch(() => false)) ?? false;
  return { used: usage, most: quota, forGood };
}

/** Asks the browser to keep what is stored until the person clears it. */
export const keepForGood = async (): Promise<boolean> =>
  (await navigator.storage?.persist?.().catch(() => false)) ?? false;
