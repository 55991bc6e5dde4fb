import { createHash } from 'node:crypto';
import { mkdir, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { NEUTRAL_ANALYSIS, createDocument, createIndexBuilder, writeSnapshot } from '#core/collection/index';
import { createRecordKeys } from '#core/record/same-work/index';
import { createHolding } from '#demo/holdings';
import type { HoldingId } from '#demo/themes/index';
import { createCorpus } from '#demo/works';
import { STANDINS } from '../standins/standins';
import { readText } from './files';

/** Which corpus to make, and a mark that changes when the way of making it does. */
export interface CorpusChoice {
  readonly seed: number;
  readonly count: number;
  readonly version: string;
}

/** Makes the holdings and their indexes and writes them to a folder, unless they are there. */
export async function buildCollections(
  folder: string,
  choice: CorpusChoice,
  tell: (line: string) => void,
): Promise<void> {
  const stamp = createStamp(choice);
  if ((await readText(join(folder, 'stamp'))) === stamp) return;
  tell(`Making the made-up corpus of ${choice.count.toLocaleString('en')} works …`);
  const temporary = `${folder}.new`;
  await rm(temporary, { recursive: true, force: true });
  await mkdir(temporary, { recursive: true });
  const corpus = createCorpus(choice.seed, choice.count);
  for (const standin of STANDINS) {
    tell(`Indexing ${standin.name} …`);
    const holding = createHolding(corpus, standin.id as HoldingId);
    const own = createIndexBuilder(standin.analysis, standin.stem);
    const neutral = createIndexBuilder(NEUTRAL_ANALYSIS);
    const lines: Buffer[] = [];
    const offsets = new Float64Array(holding.works.length + 1);
    const keys = new Float64Array(2 * holding.works.length);
    const signTexts: Buffer[] = [];
    const signOffsets = new Float64Array(holding.works.length + 1);
    holding.works.forEach((_, place) => {
      const record = holding.createRecord(place);
      const document = createDocument(record);
      own.add(document);
      if (standin.analysis !== NEUTRAL_ANALYSIS) neutral.add(document);
      const { identifier, work, signs } = createRecordKeys(record);
      keys.set([identifier, work], 2 * place);
      const signText = Buffer.from(signs);
      signTexts.push(signText);
      signOffsets[place + 1] = signOffsets[place]! + signText.length;
      const line = Buffer.from(JSON.stringify(record));
      lines.push(line);
      offsets[place + 1] = offsets[place]! + line.length;
    });
    await writeFile(join(temporary, `${standin.id}.records`), Buffer.concat(lines));
    await writeFile(join(temporary, `${standin.id}.offsets`), Buffer.from(offsets.buffer));
    await writeFile(join(temporary, `${standin.id}.keys`), Buffer.from(keys.buffer));
    await writeFile(join(temporary, `${standin.id}.signs`), Buffer.concat(signTexts));
    await writeFile(join(temporary, `${standin.id}.sign-offsets`), Buffer.from(signOffsets.buffer));
    await writeFile(join(temporary, `${standin.id}.index`), writeSnapshot(own.finish()));
    if (standin.analysis !== NEUTRAL_ANALYSIS)
      await writeFile(join(temporary, `${standin.id}.neutral`), writeSnapshot(neutral.finish()));
  }
  await writeFile(join(temporary, 'stamp'), stamp);
  await rm(folder, { recursive: true, force: true });
  await rename(temporary, folder);
}

function createStamp({ seed, count, version }: CorpusChoice): string {
  return createHash('sha256').update(`${seed} ${count} ${version}`).digest('hex');
}
