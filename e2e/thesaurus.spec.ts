import { expect, test } from '@playwright/test';
import { Workbench } from './pages/workbench';

const PREFIXES = '@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n@prefix t: <urn:t:> .\n';
const OWN = `${PREFIXES}
t:animals a skos:Concept ; skos:prefLabel "Beasts"@en ; skos:scopeNote "All that lives and moves."@en .
t:bats a skos:Concept ; skos:prefLabel "Night flyers"@en ; skos:altLabel "Noctules and kin"@en, "Nachtflieger"@de ; skos:broader t:animals .
t:moths a skos:Concept ; skos:prefLabel "Moths of the dusk"@en ; skos:broader t:animals ; skos:related t:bats .
`;

test('a database’s thesaurus is walked with counts, and headings and entry terms are taken', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Thesaurus, for bats' });
  await dialog.getByLabel('Look up a word').fill('horseshoe bats');
  const region = (name: string) => dialog.getByRole('region', { name: `Heading ${name}` });
  await expect(region('Rhinolophus')).toBeVisible();
  await dialog
    .getByRole('list', { name: 'Broader' })
    .getByRole('button', { name: 'Chiroptera', exact: true })
    .click();
  await expect(region('Chiroptera')).toContainText('Bats of all families');
  const whole = await workbench.countByHand('heronsmere', 'under:"Chiroptera" AND year:2000..2026');
  await expect(
    region('Chiroptera').getByRole('button', { name: /^Chiroptera with narrower headings/ }),
  ).toHaveText(whole.toLocaleString('en'));
  await dialog
    .getByRole('list', { name: 'Narrower' })
    .getByRole('button', { name: 'Myotis', exact: true })
    .click();
  await expect(region('Myotis')).toBeVisible();
  await dialog.getByRole('button', { name: 'Back' }).click();
  await expect(region('Chiroptera')).toBeVisible();
  await dialog.getByRole('button', { name: '+ Flying mammals' }).click();
  await dialog.getByRole('button', { name: /^\+ Murciélagos/ }).click();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(workbench.line('bats', '"Flying mammals"')).toBeVisible();
  await expect(workbench.line('bats', 'Murciélagos')).toHaveAccessibleName('other language');
});

test('a thesaurus that does not come says why, and is asked for again; the word can be typed at once', async ({
  page,
}) => {
  const workbench = new Workbench(page);
  await page.route('**/heronsmere/vocabulary', (route) => route.fulfill({ status: 503, body: '' }));
  await workbench.start();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: 'Thesaurus, for bats' });
  await expect(dialog.getByRole('alert')).toContainText('503');
  await expect(dialog.getByLabel('Look up a word')).toBeFocused();
  await page.keyboard.type('horseshoe bats');
  await page.unroute('**/heronsmere/vocabulary');
  await dialog.getByRole('button', { name: 'Try again' }).click();
  await expect(dialog.getByRole('region', { name: 'Heading Rhinolophus' })).toBeVisible();
  await expect(dialog.getByRole('alert')).toHaveCount(0);
});

test('a file of one’s own is loaded, walked, kept, and mended where it is broken', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: /^Thesaurus/ });
  const load = (name: string, content: string) =>
    dialog
      .getByLabel('A thesaurus file in SKOS')
      .setInputFiles({ name, mimeType: 'text/turtle', buffer: Buffer.from(content) });
  await load('beasts.ttl', OWN);
  await expect(dialog.getByRole('radio', { name: 'beasts' })).toHaveAttribute('aria-checked', 'true');
  await dialog.getByLabel('Look up a word').fill('nachtflieger');
  await expect(dialog.getByRole('region', { name: 'Heading Night flyers' })).toBeVisible();
  await dialog.getByRole('list', { name: 'Broader' }).getByRole('button', { name: 'Beasts' }).click();
  await expect(dialog.getByRole('region', { name: 'Heading Beasts' })).toContainText(
    'All that lives and moves.',
  );
  await dialog.getByRole('list', { name: 'Narrower' }).getByRole('button', { name: 'Night flyers' }).click();
  await dialog.getByRole('button', { name: 'take all of them' }).click();

  await load('broken.ttl', `${OWN}t:x a skos:Concept ; skos:prefLabel "never ends .\n`);
  await expect(dialog.getByRole('alert').filter({ hasText: 'broken at line 7' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Use what there is' }).click();
  await expect(dialog.getByRole('radio', { name: 'broken' })).toHaveAttribute('aria-checked', 'true');
  await load('photo.ttl', 'not a thesaurus at all');
  await expect(dialog.getByRole('alert').filter({ hasText: 'not a thesaurus in SKOS' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Done', exact: true }).click();
  await expect(workbench.line('bats', '"Noctules and kin"')).toBeVisible();

  await workbench.waitUntilSaved();
  await page.reload();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  await dialog.getByRole('radio', { name: 'beasts' }).click();
  await dialog.getByLabel('Look up a word').fill('moths');
  await expect(dialog.getByRole('region', { name: 'Heading Moths of the dusk' })).toBeVisible();
  await dialog.getByRole('button', { name: 'Remove beasts' }).click();
  await expect(dialog.getByRole('radio', { name: 'beasts' })).toHaveCount(0);
});

test('a large file shows how far it is, and can be cancelled', async ({ page }) => {
  const workbench = new Workbench(page);
  await workbench.start();
  await workbench.addField('bats').focus();
  await page.getByRole('button', { name: 'Thesaurus', exact: true }).click();
  const dialog = page.getByRole('dialog', { name: /^Thesaurus/ });
  const concepts = Array.from(
    { length: 50_000 },
    (_, at) =>
      `t:c${at} a skos:Concept ; skos:prefLabel "Heading ${at}"@en ; skos:broader t:c${Math.floor(at / 8)} .`,
  );
  const file = {
    name: 'large.ttl',
    mimeType: 'text/turtle',
    buffer: Buffer.from(PREFIXES + concepts.join('\n')),
  };
  await dialog.getByLabel('A thesaurus file in SKOS').setInputFiles(file);
  await expect(dialog.getByRole('progressbar')).toBeVisible();
  await dialog.getByRole('button', { name: 'Cancel', exact: true }).click();
  await expect(dialog.getByRole('progressbar')).toHaveCount(0);
  await expect(dialog.getByRole('radio', { name: 'large' })).toHaveCount(0);
  await dialog.getByLabel('A thesaurus file in SKOS').setInputFiles(file);
  await expect(dialog.getByRole('radio', { name: 'large' })).toHaveAttribute('aria-checked', 'true');
  await dialog.getByLabel('Look up a word').fill('heading 49999');
  await expect(dialog.getByRole('region', { name: 'Heading Heading 49999' })).toBeVisible();
});
