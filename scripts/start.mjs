// Starts Ewer with the demo data; on a fresh clone it installs and builds first, saying what it does.
import { buildAll, installPackages, run } from './prepare.mjs';

await installPackages();
await buildAll();
// The C library keeps heaps of its own for threads; with two for all of them, what one gave back another uses.
await run('npm', ['run', '--silent', 'serve'], { env: { MALLOC_ARENA_MAX: '2' } });
