// Counts what a test runner's JSON report tells, and writes what failed, with the first lines of why: test-report.mjs REPORT FAILURES.
// Prints "PASSED FAILED". A file that could not be run at all counts as one that failed.
import { appendFileSync, readFileSync } from 'node:fs';
import { stripVTControlCharacters } from 'node:util';

const [, , from, to] = process.argv;
const report = JSON.parse(readFileSync(from, 'utf8'));
const clean = (text) => stripVTControlCharacters(String(text ?? ''));
const told = (name, why) =>
  appendFileSync(to, `── failed: ${name}\n${clean(why).split('\n').slice(0, 25).join('\n')}\n`);

/** Browser tests: suites within suites, each with its tests and their runs. */
function* browserTests(suites, path = []) {
  for (const suite of suites ?? []) {
    for (const spec of suite.specs ?? []) yield { name: [...path, suite.title, spec.title].join(' › '), spec };
    yield* browserTests(suite.suites, [...path, suite.title]);
  }
}

if (report.stats) {
  for (const { name, spec } of browserTests(report.suites))
    if (!spec.ok)
      told(
        name,
        spec.tests
          .flatMap((test) => test.results)
          .map((run) => run.error?.message)
          .find(Boolean),
      );
  for (const error of report.errors ?? []) told('the run of the browser tests', error.message);
  const { expected, flaky, unexpected, skipped } = report.stats;
  console.log(expected + flaky, unexpected + skipped + (report.errors ?? []).length);
} else {
  let unread = 0;
  for (const file of report.testResults) {
    const failed = file.assertionResults.filter((test) => test.status !== 'passed');
    for (const test of failed) told(`${file.name} › ${test.fullName}`, test.failureMessages[0] ?? test.status);
    if (file.status === 'failed' && failed.length === 0) {
      unread += 1;
      told(file.name, file.message);
    }
  }
  console.log(report.numPassedTests, report.numTotalTests - report.numPassedTests + unread);
}
