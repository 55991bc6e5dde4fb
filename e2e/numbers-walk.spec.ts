import { expect, test, type Page } from '@playwright/test';
import { WALK_PROJECTS, anyOf, createWhole, writeWalkFile, type WalkProject } from './numbers/projects';
import { NAMES, Truths, type DatabaseId, type Tree } from './numbers/truth';
import { CompareView, type ToolName } from './pages/compare-view';

/** A number on the screen: what is said of it, and whether it bears the sign of a count of something else. */
interface ShownNumber {
  readonly label: string;
  readonly words: string;
  readonly isMarked: boolean;
  /** What stands beside it in its cell. */
  readonly beside: string;
}

/** All numbers that stand in a part of the page, once none is on its way any more. */
async function readNumbers(page: Page, part: string): Promise<ShownNumber[]> {
  await expect(page.locator(`${part} app-count.waiting`)).toHaveCount(0);
  return page.locator(`${part} app-count`).evaluateAll((counts) =>
    counts.flatMap((count): ShownNumber[] => {
      const button = count.querySelector('button.number');
      const name = /^(.*): ([\d,≈–]+) records$/.exec(button?.getAttribute('aria-label') ?? '');
      if (!name) return [];
      const cell = count.closest('td');
      const beside = [...(cell?.querySelectorAll(':scope > .quiet, :scope > .removed') ?? [])];
      return [
        {
          label: name[1] ?? '',
          words: name[2] ?? '',
          isMarked: count.querySelector('.sign') !== null,
          beside: beside.map((one) => one.textContent.trim()).join(' '),
        },
      ];
    }),
  );
}

const sign = (difference: number): string =>
  difference === 0 ? '0' : `${difference > 0 ? '+' : '−'}${Math.abs(difference).toLocaleString('en')}`;

/** One project opened in an empty browser, with what its numbers have to be. */
class Walk {
  readonly truths: Truths;
  readonly whole: Tree;
  checked = 0;

  constructor(
    readonly page: Page,
    readonly project: WalkProject,
  ) {
    this.truths = new Truths(page.request);
    this.whole = createWhole(project.members);
  }

  async open(): Promise<void> {
    await this.page.goto('/projects');
    await this.page.getByLabel('Project file to import').setInputFiles({
      name: 'p.json',
      mimeType: 'application/json',
      buffer: Buffer.from(writeWalkFile(this.project)),
    });
    await this.page.getByRole('link', { name: this.project.title, exact: true }).first().click();
    await expect(this.page.getByRole('region', { name: 'Counts of the draft' })).toBeVisible();
  }

  /** A database that does not have a limiter counts without it, and each of its numbers says so. */
  isUnlimited(database: DatabaseId): boolean {
    return database === 'cardinal' && this.project.limiters?.peerReviewed === true;
  }

  async size(database: DatabaseId, tree: Tree, limiters = this.project.limiters ?? {}): Promise<number> {
    return (await this.truths.find(database, tree, limiters)).records.size;
  }

  /** A number is the size of its set, or bears the sign that something of it is not searched. */
  async check(shown: ShownNumber, database: DatabaseId, tree: Tree, limiters = this.project.limiters ?? {}) {
    const { records, isOff } = await this.truths.find(database, tree, limiters);
    const place = `${this.project.title}: ${shown.label}`;
    this.checked++;
    if (isOff) return expect(shown.isMarked, place).toBe(true);
    const isUnlimited = this.isUnlimited(database) && limiters.peerReviewed === true;
    expect(`${place}: ${shown.words}${shown.isMarked ? ' !' : ''}`).toBe(
      `${place}: ${records.size.toLocaleString('en')}${isUnlimited ? ' !' : ''}`,
    );
  }

  /** What stands beside a number: the difference of two sets, or words where one of them cannot be searched. */
  async checkDifference(
    { beside, label }: ShownNumber,
    database: DatabaseId,
    now: Tree,
    then: Tree,
    limiters = this.project.limiters ?? {},
  ): Promise<void> {
    const [a, b] = [
      await this.truths.find(database, now, limiters),
      await this.truths.find(database, then, limiters),
    ];
    const place = `${this.project.title}: ${label}`;
    const difference = sign(a.records.size - b.records.size);
    this.checked++;
    // Where something wider finds nothing, so does what is meant: then the true difference may stand there.
    if (a.isOff || b.isOff)
      return expect(['a part left out', difference], place).toContain(firstWords(beside));
    expect(`${place}: ${firstWords(beside)}`).toBe(`${place}: ${difference}`);
  }

  /** What a term, a concept or a row is, by what it is called. */
  findTree(name: string): Tree | undefined {
    const concept = this.project.concepts.find((one) =>
      [
        one.name,
        `@${one.name}`,
        `any of @${one.name}`,
        `without @${one.name}`,
        `without any of @${one.name}`,
      ].includes(name),
    );
    if (concept) return anyOf(concept);
    const row = this.project.rows?.[name];
    if (row) return row;
    if (name === 'all of' || name === 'any of') return this.whole;
    for (const { terms } of this.project.concepts) {
      const term = terms.find(({ text }) => text === name);
      if (term) return term.tree;
    }
    return undefined;
  }
}

/** Words without a ratio or a note behind them. */
function firstWords(beside: string): string {
  return beside.replace(/ ×[\d.,]+$/, '').trim();
}

/** “bats in Gantry Engineering Abstracts” as its two parts. */
function splitLabel(label: string): { name: string; database: DatabaseId } | undefined {
  for (const [full, database] of Object.entries(NAMES))
    if (label === full || label.endsWith(` in ${full}`))
      return { name: label.slice(0, Math.max(0, label.length - full.length - 4)), database };
  return undefined;
}

test.describe('every number is the number of what stands beside it', () => {
  for (const project of WALK_PROJECTS) {
    test(project.title, async ({ page }) => {
      const walk = new Walk(page, project);
      await walk.open();
      await checkGauges(walk);
      await checkTopic(walk);
      await checkQuery(walk);
      await checkCompare(walk);
      // The walk has seen numbers: a page that shows none proves nothing.
      expect(walk.checked).toBeGreaterThan(40);
    });
  }
});

async function checkGauges(walk: Walk): Promise<void> {
  const first = anyOf(walk.project.concepts[0]!);
  for (const [name, database] of Object.entries(NAMES)) {
    const gauge = walk.page
      .getByRole('region', { name: 'Counts of the draft' })
      .getByRole('button', { name: new RegExp(`^${name}: [\\d,]+ records`) });
    await expect(gauge).toBeVisible();
    const said = (await gauge.getAttribute('aria-label')) ?? '';
    const { records, isOff } = await walk.truths.find(database, walk.whole, walk.project.limiters ?? {});
    if (isOff) {
      expect(said).toContain('a part left out');
      expect(said).not.toMatch(/[+−]\d/);
      continue;
    }
    expect(said).toContain(`${name}: ${records.size.toLocaleString('en')} records`);
    const then = await walk.size(database, first);
    expect(said).toContain(`, ${sign(records.size - then)} to the compared variant`);
    if (walk.isUnlimited(database)) expect(said).toContain('without peer-reviewed');
    walk.checked++;
  }
}

async function checkTopic(walk: Walk): Promise<void> {
  await new CompareView(walk.page).workbench.goTo('Topic');
  await walk.page.getByText('side by side').click();
  for (const shown of await readNumbers(walk.page, 'app-concept-column')) {
    const label = splitLabel(shown.label.replace(/^Concept /, ''));
    const tree = label && walk.findTree(label.name);
    if (!label || !tree) throw new Error(`Topic shows a number of nothing known: ${shown.label}`);
    await walk.check(shown, label.database, tree);
  }
}

async function checkQuery(walk: Walk): Promise<void> {
  await new CompareView(walk.page).workbench.goTo('Query');
  await expect(walk.page.getByRole('treegrid', { name: 'Rows of the query' })).toBeVisible();
  const numbers = await readNumbers(walk.page, 'app-query-outline');
  const seen = new Map<string, number>();
  for (const shown of numbers) {
    const label = splitLabel(shown.label);
    // Groups have no names: of those that are called alike the outer one comes first.
    const turn = (seen.get(shown.label) ?? 0) + 1;
    seen.set(shown.label, turn);
    const again = label && walk.project.rows?.[`${label.name} ${turn}`];
    const tree = again ?? (label && walk.findTree(label.name));
    if (!label || !tree) throw new Error(`Query shows a number of nothing known: ${shown.label}`);
    await walk.check(shown, label.database, tree);
  }
  // What the last exclusion removes from what stands before it.
  const excluded = walk.project.members.filter(({ sign: one }) => one === 'not').at(-1);
  if (!excluded) return;
  const before = createWhole(walk.project.members.filter((one) => one !== excluded));
  const row = walk.page.getByRole('row', { name: /^without/ }).last();
  const said = await row.locator('.removed').allTextContents();
  for (const [at, database] of Object.values(NAMES).entries()) {
    const [then, now] = [
      await walk.truths.find(database, before, walk.project.limiters ?? {}),
      await walk.truths.find(database, walk.whole, walk.project.limiters ?? {}),
    ];
    const removed = then.records.size - now.records.size;
    walk.checked++;
    expect(said[at]?.trim()).toBe(
      now.isOff
        ? 'a part left out'
        : removed === 0
          ? 'removes none'
          : `removes ${removed.toLocaleString('en')}`,
    );
  }
}

async function openTool(walk: Walk, tool: ToolName): Promise<void> {
  await new CompareView(walk.page).open(tool);
}

async function checkCompare(walk: Walk): Promise<void> {
  const { project, page } = walk;
  const required = project.members.filter(({ sign: one }) => one === 'and');
  const excluded = project.members.filter(({ sign: one }) => one === 'not');

  await openTool(walk, 'Staircase');
  const first = anyOf(project.concepts[0]!);
  for (const shown of await readNumbers(page, 'app-variants-table')) {
    const label = splitLabel(shown.label);
    if (!label) throw new Error(shown.label);
    const tree = label.name === 'The draft' ? walk.whole : first;
    await walk.check(shown, label.database, tree);
    if (label.name === 'The draft') await walk.checkDifference(shown, label.database, walk.whole, first);
  }
  await checkStaircase(walk);

  await openTool(walk, 'Each term');
  for (const shown of await readNumbers(page, 'app-each-term')) {
    const label = splitLabel(shown.label);
    const tree = label && walk.findTree(label.name);
    if (!label || !tree) throw new Error(`Each term shows a number of nothing known: ${shown.label}`);
    await walk.check(shown, label.database, tree);
    const concept = project.concepts.find(({ terms }) => terms.some(({ text }) => text === label.name))!;
    const others = anyOf({ ...concept, terms: concept.terms.filter(({ text }) => text !== label.name) });
    const [all, rest] = [
      await walk.size(label.database, anyOf(concept)),
      await walk.size(label.database, others),
    ];
    expect(shown.beside).toContain(`unique: ${(all - rest).toLocaleString('en')} in the concept`);
  }

  if (required.length > 1) {
    await openTool(walk, 'Combinations');
    await expect(page.locator('app-combinations tbody tr').first()).toBeVisible();
    for (const shown of await readNumbers(page, 'app-combinations')) {
      const label = splitLabel(shown.label);
      if (!label) throw new Error(shown.label);
      const members = label.name.split(' + ').map((name) => {
        const found = required.find((one) => one.name === name);
        if (!found) throw new Error(`Combinations has ${name}, which the query does not ask for`);
        return found;
      });
      await walk.check(shown, label.database, createWhole([...members, ...excluded]));
    }
  }

  await openTool(walk, 'Overlap');
  for (const shown of await readNumbers(page, 'app-overlap')) {
    const label = splitLabel(shown.label);
    if (label) await walk.check(shown, label.database, walk.whole);
  }

  await openTool(walk, 'Gained and lost');
  for (const shown of await readNumbers(page, 'app-gained-lost')) {
    const label = splitLabel(shown.label);
    const parts: Readonly<Record<string, Tree>> = {
      gained: { not: [walk.whole, first] },
      lost: { not: [first, walk.whole] },
      'in both': { and: [walk.whole, first] },
    };
    const tree = label && parts[label.name];
    if (!label || !tree) throw new Error(`Gained and lost shows a number of nothing known: ${shown.label}`);
    await walk.check(shown, label.database, tree);
  }

  if (project.limiters?.years) {
    await openTool(walk, 'Years');
    for (const shown of await readNumbers(page, 'app-years')) {
      const label = splitLabel(shown.label);
      const year = Number(label?.name);
      if (!label || !Number.isInteger(year)) throw new Error(shown.label);
      await walk.check(shown, label.database, walk.whole, { years: { from: year, to: year } });
    }
  }
  await checkChanges(walk, 'Swap', 'app-swap');
  await checkChanges(walk, 'What to try', 'app-what-to-try');
}

async function checkStaircase(walk: Walk): Promise<void> {
  const { members, limiters } = walk.project;
  const numbers = await readNumbers(walk.page, 'app-staircase');
  const steps = members.flatMap((member, at) => {
    const before = members.slice(0, at);
    const after = { words: member.words, tree: createWhole([...before, member]) };
    if (!member.bare) return [after];
    const { tree, fields } = member.bare;
    return [
      { words: member.words, tree: createWhole([...before, { ...member, tree }]) },
      { ...after, words: `${member.words} in ${fields}` },
    ];
  });
  for (const shown of numbers) {
    const label = splitLabel(shown.label);
    if (!label?.name.startsWith('After ')) continue;
    const at = steps.findIndex(({ words }) => label.name === `After ${words}`);
    const isLimiter = at < 0 && limiters !== undefined;
    const tree = steps[at]?.tree ?? walk.whole;
    // Members are counted without limiters; these come last.
    await walk.check(shown, label.database, tree, isLimiter ? limiters : {});
    if (at > 0) await walk.checkDifference(shown, label.database, tree, steps[at - 1]!.tree, {});
    if (isLimiter && walk.isUnlimited(label.database)) expect(shown.beside).toBe('a limiter missing');
  }
}

/** Changes that are tried: a term that is switched off or stands alone, a member that is left out. */
async function checkChanges(walk: Walk, tool: ToolName, part: string): Promise<void> {
  await openTool(walk, tool);
  await expect(walk.page.locator(`${part} tbody tr`).first()).toBeVisible();
  if (tool === 'What to try') await expect(walk.page.getByText(/(\d+) of \1 changes tried/)).toBeVisible();
  for (const shown of await readNumbers(walk.page, part)) {
    const label = splitLabel(shown.label);
    const tree = label && findChanged(walk.project, label.name);
    if (!label || !tree) continue;
    await walk.check(shown, label.database, tree);
    if (label.name !== 'As it is') await walk.checkDifference(shown, label.database, tree, walk.whole);
  }
}

function findChanged({ members, concepts }: WalkProject, words: string): Tree | undefined {
  if (words === 'As it is') return createWhole(members);
  const out = members.find((one) =>
    [`leave out ${one.words}`, `do not exclude ${one.words}`].includes(words),
  );
  if (out) return createWhole(members.filter((one) => one !== out));
  for (const concept of concepts) {
    const term = concept.terms.find(({ text }) => words === `leave out ${text} in ${concept.name}`);
    const used = members.find(({ name }) => name === concept.name);
    if (!term || !used || concept.off) continue;
    const rest = anyOf({ ...concept, terms: concept.terms.filter((one) => one !== term) });
    return createWhole(members.map((one) => (one === used ? { ...one, tree: rest } : one)));
  }
  return undefined;
}
