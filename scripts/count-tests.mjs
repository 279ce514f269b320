// Prints "passed failed" of a Vitest or Playwright JSON report, and to the error output what failed. A file that could not be run counts as one.
import { readFileSync } from "node:fs";
import { relative } from "node:path";

const report = JSON.parse(readFileSync(process.argv[2], "utf8"));
const { passed, failed } = report.testResults ? ofVitest(report) : ofPlaywright(report);
for (const name of failed) console.error(name);
console.log(`${passed} ${failed.length}`);

function ofVitest({ numPassedTests, testResults }) {
  const failed = testResults.flatMap(({ name, status, assertionResults }) => {
    const file = relative("", name);
    const tests = assertionResults.filter((test) => test.status === "failed");
    if (tests.length > 0) return tests.map(({ fullName }) => `${file}: ${fullName}`);
    return status === "failed" ? [`${file}: could not be run`] : [];
  });
  return { passed: numPassedTests, failed };
}

function ofPlaywright({ stats, suites, errors }) {
  const specs = (suite) => [...(suite.specs ?? []), ...(suite.suites ?? []).flatMap(specs)];
  const failed = suites
    .flatMap(specs)
    .filter(({ ok, tests }) => !ok || tests.some(({ status }) => status === "flaky"));
  return {
    passed: stats.expected,
    failed: [
      ...failed.map(({ file, line, title }) => `${file}:${line}: ${title}`),
      ...errors.map(({ message }) => message),
    ],
  };
}
