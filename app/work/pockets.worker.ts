/** The pocket worker: what it can do stands in pocket-work.ts. */
import * as Comlink from "comlink";
import "./unfrozen.ts";
import { pocketWork } from "./pocket-work.ts";
import { warmUp } from "./warm-up.ts";

warmUp();

Comlink.expose(pocketWork);
