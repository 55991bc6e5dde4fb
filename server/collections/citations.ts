import type { BibliographicRecord } from '#core/record/index';

/** Who cites whom among the records of one database, by record numbers. */
export interface Citations {
  readonly references: readonly (readonly number[])[];
  readonly citedBy: readonly (readonly number[])[];
}

/** Reads the citations of all records; long work. */
export function readCitations(size: number, getRecord: (number: number) => BibliographicRecord): Citations {
  const numbers = new Map<string, number>();
  const cited: (readonly string[])[] = [];
  for (let number = 0; number < size; number++) {
    const { id, references } = getRecord(number);
    const work = /-(\d+)$/.exec(id)?.[1];
    if (work !== undefined && !/-\d+-\d+$/.test(id)) numbers.set(work, number);
    cited.push(references);
  }
  const references = cited.map((works) => works.flatMap((work) => numbers.get(work) ?? []));
  const citedBy = Array.from({ length: size }, () => [] as number[]);
  references.forEach((list, number) => list.forEach((other) => citedBy[other]!.push(number)));
  return { references, citedBy };
}
