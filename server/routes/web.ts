import express, { type Express, type Request, type Response } from 'express';
import { existsSync, readdirSync } from 'node:fs';
import { extname, join } from 'node:path';

const ONE_YEAR = 365 * 24 * 3600;

/**
 * Serves the built application. Hashed files are kept for a year, others are asked for again; the page is never
 * kept. Files that the build has packed beforehand (`.br` beside them, RFC 7932) are sent packed.
 */
export function serveWeb(app: Express, folder: string): void {
  const packed = listPacked(folder);
  app.get('/{*path}', (request, response, next) => {
    const name = request.path.slice(1);
    if (!packed.has(name) || request.acceptsEncodings('br') !== 'br') return next();
    describeFile(name, response);
    response.type(extname(name)).set({ 'Content-Encoding': 'br', Vary: 'Accept-Encoding' });
    return sendFrom(folder, `${name}.br`, request, response);
  });
  app.use(
    express.static(folder, { index: false, setHeaders: (response, path) => describeFile(path, response) }),
  );
  app.get('/{*path}', (_, response) =>
    response.set('Cache-Control', 'no-store').sendFile(join(folder, 'index.html')),
  );
}

function sendFrom(root: string, name: string, request: Request, response: Response): void {
  response.sendFile(name, { root, cacheControl: false }, (error?: Error) => {
    if (error && !response.headersSent) request.next?.(error);
  });
}

/** A file without a hash in its name is asked for again each time: after an update it has to fit the scripts. */
function describeFile(path: string, response: Response): void {
  const isHashed = /-[A-Z0-9]{8}\./.test(path);
  response.set('Cache-Control', isHashed ? `public, max-age=${ONE_YEAR}, immutable` : 'no-cache');
}

/** The files that are there packed, too. */
function listPacked(folder: string): ReadonlySet<string> {
  if (!existsSync(folder)) return new Set();
  return new Set(
    readdirSync(folder)
      .filter((name) => name.endsWith('.br'))
      .map((name) => name.slice(0, -'.br'.length)),
  );
}
