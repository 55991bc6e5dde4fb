import { build } from 'esbuild';
import { mkdir } from 'node:fs/promises';
import { resolve } from 'node:path';
import { pathToFileURL } from 'node:url';

/** Bundles the script of a thread, so that tests have threads as the server has them. */
export async function buildThread(entry: string): Promise<URL> {
  // Beside the packages, where a bundle finds those that stay outside of it.
  const folder = resolve('node_modules', '.cache', 'ewer-threads');
  await mkdir(folder, { recursive: true });
  const outfile = resolve(folder, `${entry.replace(/\W+/g, '-')}.mjs`);
  await build({
    entryPoints: [entry],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    logLevel: 'warning',
  });
  return pathToFileURL(outfile);
}
