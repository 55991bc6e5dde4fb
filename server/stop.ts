import type { Server } from 'node:http';
import type { Log } from './log';

/** What is under way has so long to be answered, and all is over after the second time: milliseconds. */
const WAIT = 2_500;
const AT_THE_LATEST = 4_500;

/** Stops a server: no new connections, answers to what is under way as long as there is time, then the end. */
export async function stopGracefully(
  server: Server,
  work: { close(): Promise<void> },
  log: Log,
): Promise<void> {
  const late = new Promise<'late'>((resolve) => setTimeout(() => resolve('late'), AT_THE_LATEST));
  const closed = new Promise<void>((resolve) => server.close(() => resolve()));
  server.closeIdleConnections();
  const inTime = new Promise<void>((resolve) => setTimeout(resolve, WAIT));
  const all = (async () => {
    await Promise.race([closed, inTime]);
    await work.close();
    server.closeAllConnections();
    await closed;
  })();
  if ((await Promise.race([all, late])) === 'late') log({ what: 'stopped-late' });
}
