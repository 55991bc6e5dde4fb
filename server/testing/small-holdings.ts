import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { buildCollections } from '../collections/index';

/** Made-up databases over few works, in a folder of their own. */
export interface SmallHoldings {
  /** Where `buildCollections` wrote them. */
  readonly folder: string;
  remove(): Promise<void>;
}

/** Makes the holdings of so many works: the same ones for the same number. */
export async function makeSmallHoldings(count: number): Promise<SmallHoldings> {
  const place = await mkdtemp(join(tmpdir(), 'ewer-'));
  const folder = join(place, 'demo');
  await buildCollections(folder, { seed: 3, count, version: 'test' }, () => undefined);
  return { folder, remove: () => rm(place, { recursive: true, force: true }) };
}
