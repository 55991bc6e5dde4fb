// Bundles the server and the maker of the demo data; packages stay outside the bundle.
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { build } from 'esbuild';

/** A mark that changes with the sources that make the corpus and its indexes. */
function hashSources(folders) {
  const hash = createHash('sha256');
  for (const folder of folders) {
    for (const entry of fs
      .readdirSync(folder, { recursive: true, withFileTypes: true })
      .sort((a, b) => (a.name < b.name ? -1 : 1))) {
      const file = path.join(entry.parentPath ?? entry.path, entry.name);
      if (entry.isFile() && /\.ts$/.test(file) && !/\.spec\.ts$/.test(file))
        hash.update(file).update(fs.readFileSync(file));
    }
  }
  return hash.digest('hex');
}

/** Packages stay outside the bundle; one of which nothing is used is not asked for either. */
const packagesOutside = {
  name: 'packages-outside',
  setup({ onResolve }) {
    onResolve({ filter: /^[^.#/]/ }, ({ path: name, kind }) =>
      kind === 'entry-point' ? undefined : { path: name, external: true, sideEffects: false },
    );
  },
};

await build({
  entryPoints: {
    main: 'server/main.ts',
    'build-demo': 'server/build-demo.ts',
    thread: 'server/threads/thread.ts',
  },
  outdir: 'dist/server',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  plugins: [packagesOutside],
  sourcemap: true,
  define: {
    EWER_CORPUS_VERSION: JSON.stringify(
      hashSources(['demo', 'core/collection', 'core/limiter', 'core/text', 'core/record']),
    ),
  },
  logLevel: 'warning',
});
