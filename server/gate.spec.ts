import http from 'node:http';
import type { AddressInfo } from 'node:net';
import request from 'supertest';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { LogEntry } from './log';
import { createTestApp } from './testing/work-here';

const app = createTestApp(new Map(), { hosts: ['localhost', '127.0.0.1', '[::1]', 'ewer.test'] });
let server: http.Server;
beforeAll(async () => {
  server = app.listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
});
afterAll(() => {
  server.closeAllConnections();
  server.close();
});

const ask = (headers: Record<string, string>, path = '/api/standins'): Promise<number> =>
  new Promise((resolve, reject) => {
    const { port } = server.address() as AddressInfo;
    http
      .get({ host: '127.0.0.1', port, path, headers, agent: false }, (response) => {
        response.resume();
        resolve(response.statusCode ?? 0);
      })
      .on('error', reject);
  });

describe('the gate', () => {
  it.each([
    ['localhost:4600', 200],
    ['127.0.0.1:4600', 200],
    ['127.0.0.1', 200],
    ['[::1]:4600', 200],
    ['EWER.test', 200],
    ['rebound.test:4600', 421],
    ['localhost.rebound.test', 421],
    ['127.0.0.1.rebound.test:4600', 421],
    ['rebound.test:127.0.0.1', 421],
    ['10.0.0.1', 421],
  ])('host %s: %i', async (Host, status) => {
    expect(await ask({ Host })).toBe(status);
    // Not even the page is given under another name.
    expect(await ask({ Host }, '/')).toBe(status === 200 ? 404 : status);
  });

  it.each([
    [{ 'Sec-Fetch-Site': 'same-origin' }, 200],
    [{ 'Sec-Fetch-Site': 'none' }, 200],
    [{}, 200],
    [{ 'Sec-Fetch-Site': 'same-site' }, 403],
    [{ 'Sec-Fetch-Site': 'cross-site' }, 403],
    [{ 'Sec-Fetch-Site': 'something new' }, 403],
    [{ Origin: 'http://localhost:4600' }, 200],
    [{ Origin: 'http://localhost:4601' }, 403],
    [{ Origin: 'http://rebound.test' }, 403],
    [{ Origin: 'null' }, 403],
  ])('%j: %i, for SRU as well', async (headers, status) => {
    expect(await ask({ Host: 'localhost:4600', ...headers })).toBe(status);
    const sru = await ask({ Host: 'localhost:4600', ...headers }, '/sru/northern');
    expect(sru).toBe(status === 200 ? 404 : status);
  });

  it('lets no page frame the application or give it another base', async () => {
    const { headers } = await request(app).get('/api/health').expect(200);
    for (const part of ["frame-ancestors 'none'", "base-uri 'none'", "form-action 'self'"])
      expect(headers['content-security-policy']).toContain(part);
    expect(headers['cross-origin-resource-policy']).toBe('same-origin');
  });

  it('has no faults to switch where that was not asked for at the start', async () => {
    const plain = createTestApp(new Map(), {}, false);
    const answer = await request(plain).post('/api/standins/gantry/fault').send({ kind: 'fail' });
    expect(answer.status).toBe(404);
  });
});

describe('the log', () => {
  const collect = async (logsSearches: boolean): Promise<LogEntry[]> => {
    const log: LogEntry[] = [];
    const failing = createTestApp(new Map(), {
      log: (entry) => log.push(entry),
      logsSearches,
      fetchOutside: () => Promise.reject(new Error('broken inside')),
    });
    const endpoint = { address: 'http://library.test/sru', version: '1.2' };
    await request(failing).post('/api/sru/explain').send({ endpoint }).expect(500);
    await request(failing).get('/api/elsewhere?query=secret').expect(404);
    return log;
  };

  it('says what failed, never what was asked', async () => {
    const log = await collect(false);
    expect(log).toMatchObject([
      {
        what: 'request-failed',
        method: 'POST',
        route: '/api/sru/explain',
        status: 500,
        code: 'server-fault',
      },
    ]);
    expect(log[0]?.detail).toContain('broken inside');
    expect(JSON.stringify(log)).not.toMatch(/library\.test|secret/);
  });

  it('says what was asked where that is switched on', async () => {
    expect(JSON.stringify(await collect(true))).toContain('library.test');
  });
});
