// Starts Ewer with the demo data; on a fresh clone it installs and builds first, saying what it does.
import { buildAll, installPackages, run } from './prepare.mjs';

await installPackages();
await buildAll();
await run('npm', ['run', '--silent', 'serve']);
