import { execFileSync } from 'node:child_process';
import { existsSync, mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join, resolve } from 'node:path';

/** The full-text engine that is measured beside ours, in the same run and on the same texts. */
export interface Peer {
  readonly name: string;
  count(match: string, years?: readonly [number, number]): number;
}

interface Statement {
  run(...values: unknown[]): void;
  pluck(): Statement;
  get(...values: unknown[]): number;
}
interface Database {
  exec(sql: string): void;
  prepare(sql: string): Statement;
}

const FOLDER = '.bench';
const PACKAGE = 'better-sqlite3@12.11.1';

/** Native FTS5 with the texts in it; its package is installed beside the project, not in it. */
export function createPeer(rows: readonly { title: string; abstract: string; year: number }[]): Peer {
  const folder = resolve(FOLDER);
  if (!existsSync(join(folder, 'node_modules', 'better-sqlite3', 'build'))) {
    console.log(`Installing ${PACKAGE} into ${FOLDER}/ (it is compiled: some minutes) …`);
    mkdirSync(folder, { recursive: true });
    const description = { private: true, allowScripts: { 'better-sqlite3': true } };
    writeFileSync(join(folder, 'package.json'), JSON.stringify(description));
    execFileSync('npm', ['install', '--no-audit', '--no-fund', PACKAGE], { cwd: folder, stdio: 'inherit' });
  }
  const open = createRequire(join(folder, 'package.json'))('better-sqlite3') as new (
    path: string,
  ) => Database;
  const database = new open(':memory:');
  database.exec(
    "CREATE VIRTUAL TABLE works USING fts5(title, abstract, year UNINDEXED, tokenize = 'unicode61 remove_diacritics 2')",
  );
  database.exec('BEGIN');
  const insert = database.prepare('INSERT INTO works(title, abstract, year) VALUES (?, ?, ?)');
  for (const { title, abstract, year } of rows) insert.run(title, abstract, year);
  database.exec("COMMIT; INSERT INTO works(works) VALUES ('optimize')");
  const plain = database.prepare('SELECT count(*) FROM works WHERE works MATCH ?').pluck();
  const limited = database
    .prepare('SELECT count(*) FROM works WHERE works MATCH ? AND year BETWEEN ? AND ?')
    .pluck();
  return {
    name: 'FTS5, native',
    count: (match, years) => (years ? limited.get(match, years[0], years[1]) : plain.get(match)),
  };
}
