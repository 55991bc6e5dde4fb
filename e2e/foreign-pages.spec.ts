import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { chromium, expect, test, type APIRequestContext, type Page } from '@playwright/test';

/** A page that tries what it may not; it notes what came of each. */
const PAGE = (
  target: string,
): string => `<!doctype html><title>foreign</title><iframe src="${target}/"></iframe>
<img src="${target}/sru/northern?operation=searchRetrieve&version=1.2&query=light"><pre id="seen"></pre><script>
const json = { 'Content-Type': 'application/json' };
const tries = {
  read: ['/api/standins', {}],
  count: ['/api/standins/gantry/count', { method: 'POST', headers: json, body: '{"strings":["lamp"],"sentLimiters":{}}' }],
  countSimply: ['/api/standins/gantry/count', { method: 'POST', mode: 'no-cors', body: '{"strings":["lamp"],"sentLimiters":{}}' }],
  fault: ['/api/standins/gantry/fault', { method: 'POST', headers: json, body: '{"kind":"fail"}' }],
  faultSimply: ['/api/standins/gantry/fault', { method: 'POST', mode: 'no-cors', body: '{"kind":"fail"}' }],
  confirm: ['/api/sru/endpoints', { method: 'POST', headers: json, body: '{"endpoint":{"address":"http://127.0.0.1:9/sru","version":"1.2"}}' }],
  confirmSimply: ['/api/sru/endpoints', { method: 'POST', mode: 'no-cors', body: '{"endpoint":{"address":"http://127.0.0.1:9/sru","version":"1.2"}}' }],
};
(async () => {
  const seen = {};
  for (const [name, [path, init]] of Object.entries(tries)) {
    seen[name] = await fetch('${target}' + path, init).then(
      async (response) => response.type === 'opaque' ? 'opaque' : response.status + ' ' + (await response.text()).slice(0, 200),
      () => 'refused',
    );
  }
  document.getElementById('seen').textContent = JSON.stringify(seen);
})();
</script>`;

const ARGUMENTS = ['--no-sandbox', '--disable-gpu', '--host-resolver-rules=MAP *.test 127.0.0.1'];

/** A server of another origin with one page; what it is told to try goes to `target`. */
const servePage = async (target: string): Promise<{ port: number; close(): void }> => {
  const server = http.createServer((_, response) => {
    response.writeHead(200, { 'Content-Type': 'text/html' }).end(PAGE(target));
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  return {
    port: (server.address() as AddressInfo).port,
    close: () => {
      server.closeAllConnections();
      server.close();
    },
  };
};

const withBrowser = async (use: (page: Page) => Promise<void>): Promise<void> => {
  const browser = await chromium.launch({
    executablePath: process.env['CHROMIUM'] ?? '/usr/bin/chromium',
    args: ARGUMENTS,
  });
  try {
    await use(await browser.newPage());
  } finally {
    await browser.close();
  }
};

const readSeen = async (page: Page): Promise<Record<string, string>> => {
  await expect(page.locator('#seen')).not.toBeEmpty();
  return JSON.parse((await page.locator('#seen').textContent()) ?? '') as Record<string, string>;
};

/** Nothing that was tried has had any effect. */
const expectUntouched = async (request: APIRequestContext): Promise<void> => {
  const counted = await request.post('/api/standins/gantry/count', {
    data: { strings: ['lamp'], sentLimiters: {} },
  });
  expect(counted.status()).toBe(200);
  const endpoint = { address: 'http://127.0.0.1:9/sru', version: '1.2' };
  const asked = await request.post('/api/sru/count', { data: { endpoint, strings: ['a'] } });
  expect(asked.status()).toBe(403);
};

for (const host of ['127.0.0.1', 'foreign.test'])
  test(`a page of another origin (${host}) can neither read, count, switch a fault nor confirm a server`, async ({
    baseURL,
    request,
  }) => {
    const foreign = await servePage(baseURL ?? '');
    const statuses: number[] = [];
    try {
      await withBrowser(async (page) => {
        page.on('response', (response) => {
          if (/\/(api|sru)\//.test(response.url())) statuses.push(response.status());
        });
        await page.goto(`http://${host}:${foreign.port}/`);
        const seen = await readSeen(page);
        for (const name of ['read', 'count', 'fault', 'confirm']) expect(seen[name], name).toBe('refused');
        for (const name of ['countSimply', 'faultSimply', 'confirmSimply'])
          expect(['opaque', 'refused'], name).toContain(seen[name]);
        // What came through to the server, it refused; and it does not let itself be framed.
        expect(statuses.filter((status) => status < 400)).toEqual([]);
        const frame = page.frames().find((one) => one !== page.mainFrame());
        expect(await frame?.locator('app-root').count()).toBe(0);
      });
    } finally {
      foreign.close();
    }
    await expectUntouched(request);
  });

test('a name that was made to lead here is refused, whatever it asks for', async ({ baseURL, request }) => {
  const port = new URL(baseURL ?? '').port;
  const rebound = `http://rebound.test:${port}`;
  await withBrowser(async (page) => {
    const answer = await page.goto(`${rebound}/`);
    expect(answer?.status()).toBe(421);
    // As a page of that name would ask, before the name was made to lead here.
    await page.route(`${rebound}/page`, (route) =>
      route.fulfill({ contentType: 'text/html', body: PAGE(rebound) }),
    );
    const statuses: number[] = [];
    page.on('response', (response) => {
      if (/\/(api|sru)\//.test(response.url())) statuses.push(response.status());
    });
    await page.goto(`${rebound}/page`);
    const seen = await readSeen(page);
    // The browser itself does not hand on an answer that says that another server was meant.
    for (const name of ['read', 'count', 'fault', 'confirm'])
      expect(seen[name], name).toMatch(/^(refused|421 .*host-refused)/);
    expect(statuses.filter((status) => status !== 421)).toEqual([]);
  });
  await expectUntouched(request);
});
