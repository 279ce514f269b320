/** The server: built files, and the pages and actions of the application. */
import { resolve } from "node:path";
import { pathToFileURL } from "node:url";
import { createRequestHandler } from "@react-router/express";
import compression from "compression";
import express, { type ErrorRequestHandler } from "express";
import staticPacked from "express-static-gzip";
import type { ServerBuild } from "react-router";
import type { ServeStaticOptions } from "serve-static";
import { ownHeaders } from "./headers.ts";

const FILES = resolve("build/client");
const { HOST = "127.0.0.1", PORT = "4180" } = process.env;

const build: ServerBuild = await import(pathToFileURL(resolve("build/server/index.js")).href);

const onProblem: ErrorRequestHandler = (error, _request, response, next) => {
  if (response.headersSent) return next(error);
  const status = error.status >= 400 && error.status < 500 ? error.status : 500;
  const sentence = status === 500 ? "Something went wrong on the server." : "This address cannot be read.";
  response.status(status).type("text/plain").send(sentence);
};

const app = express();
app.disable("x-powered-by");
app.use(ownHeaders);
// Built files were packed when they were built (scripts/pack-files.ts); pages are packed as they are sent.
const packed = (folder: string, serveStatic: ServeStaticOptions) =>
  staticPacked(folder, { enableBrotli: false, index: false, serveStatic });
app.use("/assets", packed(`${FILES}/assets`, { immutable: true, maxAge: "1y" }));
app.use(packed(FILES, { maxAge: "1h" }));
// What browsers ask for beside a file that names no icon.
app.get("/favicon.ico", (_, response) => response.redirect(301, "/fern.svg"));
app.use(compression());
app.use(createRequestHandler({ build, mode: "production" }));
app.use(onProblem);

const server = app.listen(Number(PORT), HOST);
for (const signal of ["SIGTERM", "SIGINT"] as const) process.once(signal, () => server.close());
