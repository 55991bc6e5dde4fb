// Everything that has to pass: types, lint, format, lock file, unit tests, then the browser tests.
// Ends with one line, "N passed, N failed"; on a fresh machine it installs what it needs, the browser included.
import fs from 'node:fs';
import { buildAll, installPackages, run, runFor } from './prepare.mjs';

const started = Date.now();
await installPackages();
await installBrowser();

let passed = 0;
let failed = 0;
for (const check of ['typecheck', 'lint', 'format:check', 'lockcheck']) {
  console.log(`\n== ${check}`);
  if ((await runFor('npm', ['run', '--silent', check])) === 0) passed++;
  else failed++;
}
await countUnitTests();
await countViewTests();
await buildAll();
await run('node', ['dist/server/build-demo.js']);
await countBrowserTests();

console.log(`\nin ${Math.round((Date.now() - started) / 1000)} s`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

async function countUnitTests() {
  console.log('\n== unit tests');
  const file = 'test-results/unit.json';
  const reporters = ['--reporter=default', '--reporter=json', `--outputFile.json=${file}`];
  addUnitTests(await runAndRead('npx', ['vitest', 'run', ...reporters], file, {}));
}

/** Components as they are drawn: their templates need Angular's compiler. */
async function countViewTests() {
  console.log('\n== tests of drawn components');
  const file = 'test-results/views.json';
  const reporters = ['--reporters=json', '--reporters=default', `--output-file=${file}`];
  addUnitTests(await runAndRead('npx', ['ng', 'test', ...reporters], file, {}));
}

function addUnitTests({ code, report }) {
  // A file of tests that cannot be read has no tests to fail: it counts as one.
  const broken = report?.testResults.filter(
    (one) => one.status === 'failed' && one.assertionResults.length === 0,
  );
  add(code, report?.numPassedTests ?? 0, (report?.numFailedTests ?? 0) + (broken?.length ?? 0));
}

async function countBrowserTests() {
  console.log('\n== browser tests');
  const file = 'test-results/browser.json';
  const { code, report } = await runAndRead('npx', ['playwright', 'test'], file, {
    EWER_TEST_REPORT: file,
  });
  const tests = (report?.suites ?? []).flatMap(listTests);
  const slowest = [...tests].sort((a, b) => b.seconds - a.seconds).slice(0, 10);
  console.log('\nThe ten slowest browser tests:');
  for (const { seconds, title } of slowest) console.log(`${seconds.toFixed(1).padStart(6)} s  ${title}`);
  const unsure = tests.filter(({ status }) => status === 'flaky');
  if (unsure.length > 0) console.log('\nFailed, though they passed when tried again:');
  for (const { title } of unsure) console.log(`  ${title}`);
  const count = (status) => tests.filter((one) => one.status === status).length;
  add(code, count('expected'), count('unexpected') + unsure.length);
}

/** The tests of a suite of the browser's runner, with those of the suites in it. */
function listTests({ specs = [], suites = [], file }) {
  return [
    ...specs.flatMap(({ title, tests }) =>
      tests.map(({ status, results }) => ({
        title: `${file}: ${title}`,
        status,
        seconds: results.reduce((sum, { duration }) => sum + duration, 0) / 1000,
      })),
    ),
    ...suites.flatMap(listTests),
  ];
}

/** Runs a test runner and reads the report that it wrote; none if it wrote none. */
async function runAndRead(command, args, file, env) {
  fs.rmSync(file, { force: true });
  const code = await runFor(command, args, { env: { FORCE_COLOR: '0', NO_COLOR: '1', ...env } });
  const report = fs.existsSync(file) ? JSON.parse(fs.readFileSync(file, 'utf8')) : undefined;
  return { code, report };
}

/** A runner that fails without a failure in its report is one failure. */
function add(code, good, bad) {
  passed += good;
  failed += code !== 0 && bad === 0 ? 1 : bad;
}

/** Chromium from Debian's packages, if none is there. */
async function installBrowser() {
  if (fs.existsSync(process.env['CHROMIUM'] ?? '/usr/bin/chromium')) return;
  console.log('Installing Chromium from Debian’s packages …');
  const sudo = process.getuid?.() === 0 ? [] : ['sudo'];
  const apt = async (...args) => {
    const [command, ...rest] = [...sudo, 'apt-get', ...args];
    await run(command, rest, { env: { DEBIAN_FRONTEND: 'noninteractive' } });
  };
  await apt('update', '-qq');
  await apt('install', '-y', '-qq', '--no-install-recommends', 'chromium');
}
