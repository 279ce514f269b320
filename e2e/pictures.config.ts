import base from "../playwright.config.ts";

/** Takes the pictures in docs/screenshots: `npm run screenshots`. */
export default {
  ...base,
  testDir: ".",
  testMatch: "pictures.ts",
  workers: 1,
  webServer: { ...base.webServer, cwd: ".." },
};
