// Prints "passed failed" of a Vitest or Playwright JSON report.
import { readFileSync } from "node:fs";

const report = JSON.parse(readFileSync(process.argv[2], "utf8"));
const passed = report.numPassedTests ?? report.stats.expected;
const failed = report.numFailedTests ?? report.stats.unexpected + report.stats.flaky;
const broken = report.success === false && failed === 0 ? 1 : 0;
console.log(`${passed} ${failed + broken + (report.errors?.length ?? 0)}`);
