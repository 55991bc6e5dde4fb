import { spawn } from 'node:child_process';
import { readFileSync } from 'node:fs';
import { once } from 'node:events';
import MEMORY_SETTINGS from '../memory-settings.json' with { type: 'json' };

/** A server in a process of its own, as people run it. */
export interface RunningServer {
  readonly address: string;
  /** The memory that it takes up, in MB. */
  measureMemory(): number;
  /** Asks it to stop; the milliseconds until it has. */
  stop(): Promise<number>;
}

/** Starts the built server and waits until it can count. */
export async function startServer(
  script: string,
  port: number,
  env: Readonly<Record<string, string>> = {},
): Promise<RunningServer> {
  const child = spawn(process.execPath, [script], {
    env: { ...MEMORY_SETTINGS, ...process.env, ...env, PORT: String(port) },
    stdio: ['ignore', 'ignore', 'inherit'],
  });
  const ended = once(child, 'exit');
  const address = `http://127.0.0.1:${port}`;
  for (let isReady = false; !isReady;) {
    if (child.exitCode !== null) throw new Error('The server does not start.');
    isReady = await fetch(`${address}/api/ready`).then(
      ({ ok }) => ok,
      () => false,
    );
    if (!isReady) await new Promise((resolve) => setTimeout(resolve, 50));
  }
  return {
    address,
    measureMemory: () =>
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1]) / 1024,
    stop: async () => {
      const start = performance.now();
      child.kill('SIGTERM');
      await ended;
      return performance.now() - start;
    },
  };
}
