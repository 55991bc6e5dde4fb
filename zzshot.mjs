import { chromium } from 'playwright-core';
const [out, w, h, path, ...steps] = process.argv.slice(2);
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox','--disable-gpu'] });
const page = await (await browser.newContext({ viewport: { width: +w, height: +h }, reducedMotion: 'reduce', colorScheme: process.env.DARK ? 'dark' : 'light' })).newPage();
page.on('pageerror', (e) => console.log('PAGEERROR', e.message));
page.on('console', (m) => m.type() === 'error' && console.log('CONSOLE', m.text()));
await page.goto('http://127.0.0.1:4600/'); await page.getByTestId('gauge').or(page.locator('app-gauge')).first().waitFor(); await page.waitForTimeout(1200); await page.goto('http://127.0.0.1:4600' + path);
await page.waitForLoadState('networkidle');
for (const step of steps) {
  const [kind, ...rest] = step.split('=');
  const arg = rest.join('=');
  if (kind === 'click') await page.getByRole('button', { name: new RegExp(arg) }).first().click();
  else if (kind === 'menu') await page.getByRole('menuitem', { name: new RegExp(arg) }).first().click();
  else if (kind === 'mradio') await page.getByRole('menuitemradio', { name: new RegExp(arg) }).first().click();
  else if (kind === 'radio') await page.getByRole('radio', { name: new RegExp(arg) }).first().click();
  else if (kind === 'text') await page.getByText(new RegExp(arg)).first().click();
  else if (kind === 'css') await page.locator(arg).first().click();
  else if (kind === 'key') for (const k of arg.split(',')) await page.keyboard.press(k);
  else if (kind === 'goto') await page.goto('http://127.0.0.1:4600' + arg);
  else if (kind === 'check') await page.getByRole('checkbox', { name: new RegExp(arg), disabled: false }).nth(globalThis.nth = (globalThis.nth ?? -1) + 1).click();
  else if (kind === 'option') { await page.getByRole('combobox', { name: /How to take/ }).click(); await page.getByRole('option', { name: new RegExp(arg) }).first().click(); }
  else if (kind === 'wait') await page.waitForTimeout(+arg);
  else if (kind === 'said') console.log(await page.locator(arg).allInnerTexts());
  await page.waitForTimeout(250);
}
await page.waitForTimeout(600);
await page.screenshot({ path: out });
console.log(page.url());
await browser.close();
