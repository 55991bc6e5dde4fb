import { Injectable, inject } from '@angular/core';
import { createMustFindKey } from '#core/must-finds/index';
import { createProblem, describeInFull, describeProblem } from '#core/problem/index';
import type { MustFind } from '#core/project/index';
import { readRecordFile } from '#core/record/file/index';
import { decodeText } from '../data/decode-text';
import { OpenProject } from '../state/open-project';

/** Larger files are no lists of must-finds; reading them would hold the page up. */
const LARGEST_FILE = 5_000_000;

/** What came of files of must-finds. */
export interface MustFindImport {
  readonly added: number;
  /** What could not be read, each with its file, line and reason. */
  readonly faults: readonly string[];
}

/** Takes must-finds from files of records. */
@Injectable({ providedIn: 'root' })
export class MustFindFiles {
  private readonly open = inject(OpenProject);

  async take(files: readonly File[]): Promise<MustFindImport> {
    const faults: string[] = [];
    const seen = new Set(this.open.project().mustFinds.map((one) => createMustFindKey(one)));
    const mustFinds: MustFind[] = [];
    for (const file of files) {
      const fail = (words: string): number => faults.push(`${file.name}: ${words}`);
      if (file.size > LARGEST_FILE) {
        fail(describeInFull(createProblem('file-too-large', 'error', { most: `${LARGEST_FILE / 1e6} MB` })));
        continue;
      }
      const content = await file.arrayBuffer().catch(() => undefined);
      const { text } = content ? decodeText(content) : { text: '' };
      const { records, skipped, problem } = readRecordFile(file.name, text, String);
      if (problem) fail(describeInFull(problem));
      for (const one of skipped) faults.push(`${one.file}, ${one.line}: ${describeProblem(one.problem)}`);
      for (const { title, doi } of records) {
        const work = { title, ...(doi !== undefined && { identifier: doi }) };
        const key = createMustFindKey(work);
        if (title === '' || seen.has(key)) continue;
        seen.add(key);
        mustFinds.push({ id: this.open.createId(), ...work });
      }
    }
    if (mustFinds.length > 0) this.open.change({ kind: 'add-must-finds', mustFinds });
    return { added: mustFinds.length, faults };
  }
}
