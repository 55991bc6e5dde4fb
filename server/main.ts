import { join } from 'node:path';
import { availableParallelism } from 'node:os';
import { createApp } from './app';
import { DEMO_CORPUS, buildCollections, readCollectionFiles } from './collections/index';
import type { Fault } from './faults';
import { LOOPBACK_HOSTS } from './gate';
import { createLog } from './log';
import { listServed } from './standins/served';
import { USUAL_LIMITS, createFetchOutside } from './sru/fetch-outside';
import { stopGracefully } from './stop';
import { WorkPool } from './threads/pool';

const port = Number(process.env['PORT'] ?? 4600);
const demoFolder = process.env['EWER_DEMO'] ?? join('dist', 'demo');
const webFolder = join(process.cwd(), 'dist', 'web');
const isSet = (name: string): boolean => process.env[name] === '1';
const allowsPrivate = isSet('EWER_ALLOW_PRIVATE');
const moreHosts = (process.env['EWER_HOSTS'] ?? '').split(',').flatMap((name) => name.trim() || []);

await buildCollections(demoFolder, DEMO_CORPUS, (line) => console.log(line));
const files = await readCollectionFiles(demoFolder);
const log = createLog(
  (line) => console.error(line),
  () => new Date(),
);
const cores = availableParallelism();
const half = Math.max(1, Math.floor(cores / 2));
const work = new WorkPool({
  script: new URL('./thread.js', import.meta.url),
  files,
  threads: { quick: Math.max(2, cores), middle: half, slow: half },
  log,
});
const app = createApp({
  standins: listServed(files),
  work,
  webFolder,
  wallClock: () => Date.now(),
  hosts: [...LOOPBACK_HOSTS, ...moreHosts],
  log,
  logsSearches: isSet('EWER_LOG_SEARCHES'),
  ...(isSet('EWER_FAULTS') && { faults: new Map<string, Fault>() }),
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
  void work.whenReady.then(() => console.log(`Ewer is ready: http://127.0.0.1:${port}/`));
});

for (const signal of ['SIGINT', 'SIGTERM'] as const)
  process.once(signal, () => void stopGracefully(server, work, log).then(() => process.exit(0)));
