/** Packs the built files, so that the server need not do it at every request. */
import { readdirSync, readFileSync, writeFileSync } from "node:fs";
import { gzipSync } from "node:zlib";

const CLIENT = "build/client";
const PACKABLE = /\.(js|css|svg|webmanifest)$/;

for (const name of readdirSync(CLIENT, { recursive: true, encoding: "utf8" }).filter((one) =>
  PACKABLE.test(one),
))
  writeFileSync(`${CLIENT}/${name}.gz`, gzipSync(readFileSync(`${CLIENT}/${name}`), { level: 9 }));
