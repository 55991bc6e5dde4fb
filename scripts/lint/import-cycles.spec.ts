import { existsSync, readFileSync, readdirSync, statSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { expect, it } from 'vitest';

const ROOT = resolve(import.meta.dirname, '../..');
const FOLDERS = ['core', 'server', 'demo', 'bench', 'e2e', 'web/src'];
/** What stands behind `#` in an import. */
const ALIASES: Readonly<Record<string, string>> = {
  '#core/': 'core/',
  '#server/': 'server/',
  '#demo/': 'demo/',
};
const IMPORTS = /(?:\bfrom|\bimport)\s*\(?\s*'([^']+)'/g;

function listFiles(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return listFiles(path);
    return path.endsWith('.ts') && !path.endsWith('.d.ts') ? [path] : [];
  });
}

/** The file of the project that an import means; nothing for a package. */
function findFile(from: string, name: string): string | undefined {
  const alias = Object.keys(ALIASES).find((start) => name.startsWith(start));
  if (!alias && !name.startsWith('.')) return undefined;
  const path = alias
    ? join(ROOT, ALIASES[alias] ?? '', name.slice(alias.length))
    : resolve(ROOT, dirname(from), name);
  const found = [path, `${path}.ts`, join(path, 'index.ts')].find(
    (candidate) => existsSync(candidate) && statSync(candidate).isFile(),
  );
  return found && relative(ROOT, found);
}

/** What each file imports: values, types, and what it fetches later. */
const graph = new Map(
  FOLDERS.flatMap(listFiles).map((file) => {
    const text = readFileSync(join(ROOT, file), 'utf8');
    const imports = [...text.matchAll(IMPORTS)].flatMap(([, name = '']) => findFile(file, name) ?? []);
    return [file, imports] as const;
  }),
);

/** The first circle of imports that is met, as the files on it. */
function findCircle(): string[] | undefined {
  const done = new Set<string>();
  const visit = (file: string, path: readonly string[]): string[] | undefined => {
    const at = path.indexOf(file);
    if (at >= 0) return [...path.slice(at), file];
    if (done.has(file)) return undefined;
    for (const next of graph.get(file) ?? []) {
      const circle = visit(next, [...path, file]);
      if (circle) return circle;
    }
    done.add(file);
    return undefined;
  };
  for (const file of graph.keys()) {
    const circle = visit(file, []);
    if (circle) return circle;
  }
  return undefined;
}

it('no file imports itself by way of others', () => {
  expect(graph.size).toBeGreaterThan(500);
  expect([...graph.values()].flat().length).toBeGreaterThan(2_000);
  expect(findCircle()).toBeUndefined();
});
