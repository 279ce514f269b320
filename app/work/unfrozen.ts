/**
 * Drawings are frozen by every edit while the program is made and tested, so that nothing changes one by mistake. Not where it
 * is used: to freeze ten thousand strokes takes a quarter of a second, and frozen lists of numbers take twice the room.
 */
import { setAutoFreeze } from "immer";

setAutoFreeze(process.env.NODE_ENV !== "production");
