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
await countTests('unit tests', 'npx', ['vitest', 'run']);
await buildAll();
await run('node', ['dist/server/build-demo.js']);
await countTests('browser tests', 'npx', ['playwright', 'test']);

console.log(`\nin ${Math.round((Date.now() - started) / 1000)} s`);
console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);

/** Runs a test runner and adds up what it counts; a runner that fails without a count is one failure. */
async function countTests(name, command, args) {
  console.log(`\n== ${name}`);
  let text = '';
  const code = await runFor(command, args, {
    env: { FORCE_COLOR: '0', NO_COLOR: '1' },
    onText: (chunk) => (text += chunk),
  });
  const summary =
    command === 'npx' && args[0] === 'vitest' ? (/^\s*Tests\s.*$/m.exec(text)?.[0] ?? '') : text;
  const sum = (word) =>
    [...summary.matchAll(new RegExp(`(\\d+) ${word}\\b`, 'g'))].reduce(
      (all, [, count]) => all + Number(count),
      0,
    );
  const unsure = sum('flaky');
  if (unsure > 0) console.log(`\n${unsure} of these passed only when tried again: see above which, and why.`);
  passed += sum('passed') + unsure;
  const failures = sum('failed');
  failed += code !== 0 && failures === 0 ? 1 : failures;
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
