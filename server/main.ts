import { join } from 'node:path';
import { createApp } from './app';
import { buildCollections, openCollections } from './collections';
import { USUAL_LIMITS, createFetchOutside } from './sru/fetch-outside';
import { DEMO_CORPUS } from './corpus-choice';

const port = Number(process.env['PORT'] ?? 4600);
const demoFolder = process.env['EWER_DEMO'] ?? join('dist', 'demo');
const webFolder = join(process.cwd(), 'dist', 'web');

await buildCollections(demoFolder, DEMO_CORPUS, (line) => console.log(line));
const collections = await openCollections(demoFolder);
/** What was measured a moment ago is near enough: measuring costs more than many a piece of the work. */
const MOMENT = 4;
let measured = { at: -Infinity, work: 0 };

/** Milliseconds of computing so far: a busy machine must not make a quick search look slow. */
function measureWork(): number {
  const at = performance.now();
  if (at - measured.at > MOMENT) {
    const { user, system } = process.cpuUsage();
    measured = { at, work: (user + system) / 1_000 };
  }
  return measured.work;
}

const allowsPrivate = process.env['EWER_ALLOW_PRIVATE'] === '1';
const app = createApp({
  collections,
  webFolder,
  clock: measureWork,
  wallClock: () => Date.now(),
  fetchOutside: createFetchOutside({
    ...USUAL_LIMITS,
    allowsPrivate,
    ...(allowsPrivate && { perSecond: 200 }),
  }),
});
const server = app.listen(port, '127.0.0.1', (error?: Error) => {
  if (error) {
    console.error(`Port ${port} cannot be used: ${error.message}. Set PORT to another one.`);
    process.exit(1);
  }
  console.log(`Ewer is ready: http://127.0.0.1:${port}/`);
});
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.once(signal, () => {
    server.close(() => process.exit(0));
    server.closeAllConnections();
  });
}
