// What start, test and bench share: installing what is missing and building what is out of date.
import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import zlib from 'node:zlib';

/** Runs a command with its output shown; ends the process if it fails. */
export async function run(command, args, options = {}) {
  const code = await runFor(command, args, options);
  if (code !== 0) {
    console.error(`“${command} ${args.join(' ')}” failed (${code}).`);
    process.exit(code);
  }
}

/** Runs a command and gives its exit code. */
export function runFor(command, args, { env = {} } = {}) {
  return new Promise((resolve) => {
    const child = spawn(command, args, {
      stdio: ['ignore', 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    });
    child.on('error', () => resolve(127));
    child.on('close', (code) => resolve(code ?? 1));
  });
}

/** Installs the packages of the lock file unless they are there. */
export async function installPackages() {
  const stamp = 'node_modules/.ewer-lock';
  const lock = hashFiles(['package-lock.json']);
  if (readText(stamp) === lock) return;
  console.log('Installing packages (about a minute) …');
  await run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error']);
  fs.writeFileSync(stamp, lock);
}

/** Builds the web application and the server unless what is there was made from the same sources. */
export async function buildAll() {
  fs.mkdirSync('dist', { recursive: true });
  const web = hashFiles(
    listFiles(['core', 'demo', 'web']).concat(
      'angular.json',
      'package-lock.json',
      'scripts/prepare.mjs',
      'tsconfig.json',
    ),
  );
  if (readText('dist/web.stamp') !== web) {
    console.log('Building the web application (half a minute or more) …');
    await run('npx', ['ng', 'build']);
    packFiles('dist/web');
    fs.writeFileSync('dist/web.stamp', web);
  }
  const server = hashFiles(listFiles(['core', 'demo', 'server', 'scripts']).concat('package-lock.json'));
  if (readText('dist/server.stamp') !== server) {
    console.log('Building the server …');
    await run('node', ['scripts/build-server.mjs']);
    fs.writeFileSync('dist/server.stamp', server);
  }
}

/** Packs what the server sends, as small as it gets: that takes too long for each request. */
function packFiles(folder) {
  for (const name of fs.readdirSync(folder).filter((one) => /\.(js|json|css|svg)$/.test(one))) {
    const content = fs.readFileSync(path.join(folder, name));
    const packed = zlib.brotliCompressSync(content, {
      params: { [zlib.constants.BROTLI_PARAM_SIZE_HINT]: content.length },
    });
    if (packed.length < content.length) fs.writeFileSync(path.join(folder, `${name}.br`), packed);
  }
}

function listFiles(folders) {
  return folders.flatMap((folder) =>
    fs
      .readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && !entry.name.endsWith('.spec.ts'))
      .map((entry) => path.join(entry.parentPath ?? entry.path, entry.name)),
  );
}

function hashFiles(files) {
  const hash = createHash('sha256');
  for (const file of [...files].sort()) hash.update(file).update(fs.readFileSync(file));
  return hash.digest('hex');
}

function readText(file) {
  return fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : undefined;
}
