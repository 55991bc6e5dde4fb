// Starts Ewer with the demo data; on a fresh clone it installs and builds first, saying what it does.
import fs from 'node:fs';
import { buildAll, installPackages, run } from './prepare.mjs';

await installPackages();
await buildAll();
// How the C library keeps memory: two heaps for all threads, so that what one gave back another uses, and what is
// large goes back to the system at once (mallopt(3)).
const env = JSON.parse(fs.readFileSync('server/memory-settings.json', 'utf8'));
await run('npm', ['run', '--silent', 'serve'], { env });
