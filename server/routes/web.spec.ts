import express from 'express';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import request from 'supertest';
import { afterAll, describe, expect, it } from 'vitest';
import { serveWeb } from './web';

const folder = mkdtempSync(join(tmpdir(), 'ewer-web-'));
const script = 'console.log("a script");'.repeat(20);
writeFileSync(join(folder, 'index.html'), '<p>the page</p>');
writeFileSync(join(folder, 'main-ABCDEFGH.js'), script);
writeFileSync(join(folder, 'main-ABCDEFGH.js.br'), brotliCompressSync(script));
writeFileSync(join(folder, 'plain.js'), script);
writeFileSync(join(folder, 'words.en.json'), '{}');
writeFileSync(join(folder, 'words.en.json.br'), brotliCompressSync('{}'));

const app = express();
serveWeb(app, folder);

afterAll(() => rmSync(folder, { recursive: true }));

describe('the built application', () => {
  it('is sent packed to whoever takes it so', async () => {
    const answer = await request(app).get('/main-ABCDEFGH.js').set('Accept-Encoding', 'gzip, br').expect(200);
    expect(answer.headers).toMatchObject({
      'content-encoding': 'br',
      'content-type': 'text/javascript; charset=utf-8',
      'cache-control': 'public, max-age=31536000, immutable',
      vary: 'Accept-Encoding',
    });
    expect(Number(answer.headers['content-length'])).toBeLessThan(script.length);
  });

  it('is sent as it is to others, and where nothing is packed', async () => {
    const others = await request(app).get('/main-ABCDEFGH.js').set('Accept-Encoding', 'identity').expect(200);
    expect(others.headers['content-encoding']).toBeUndefined();
    expect(others.text).toBe(script);
    const plain = await request(app).get('/plain.js').set('Accept-Encoding', 'br').expect(200);
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.text).toBe(script);
  });

  it('is asked for again where its name does not change with what is in it', async () => {
    for (const coding of ['br', 'identity']) {
      const words = await request(app).get('/words.en.json').set('Accept-Encoding', coding).expect(200);
      expect(words.headers['cache-control']).toBe('no-cache');
      await request(app)
        .get('/words.en.json')
        .set('Accept-Encoding', coding)
        .set('If-None-Match', words.headers['etag'] ?? '')
        .expect(304);
    }
  });

  it('answers every other address with the page, never kept', async () => {
    for (const address of ['/', '/p/demo/topic', '/main-ABCDEFGH.js.map', '/%2e%2e/secret.js']) {
      const answer = await request(app).get(address).expect(200);
      expect(answer.text).toBe('<p>the page</p>');
      expect(answer.headers['cache-control']).toBe('no-store');
    }
  });
});
