import { PERHAPS_SAME, SAME_WORK, compareWorks, speaksAgainst } from './compare-works';
import { findPairs } from './find-pairs';
import type { RecordKeys } from './identity';
import { readWorkSigns, type WorkSigns } from './work-signs';

/** By what a record was told to be of the same work as one before it. */
export type SameWorkRule = 'identifier' | 'work' | 'answer';

/** A record by its list and its place in it. */
export interface RecordPlace {
  readonly list: number;
  readonly place: number;
}

/** The records of several lists, told apart by their works. */
export interface Deduplicated {
  /** The number of works. */
  readonly works: number;
  /** The work of each record, list by list; works are numbered from 0 in the order of their first record. */
  readonly workOf: readonly Uint32Array[];
  /** How many records were matched by each rule. */
  readonly matched: Readonly<Record<SameWorkRule, number>>;
  /** The rule by which a record was matched, list by list; nothing for the first of its work. */
  readonly ruleOf: readonly (readonly (SameWorkRule | undefined)[])[];
  /** Records of two works that may be one, the most alike first. */
  readonly doubtful: readonly (readonly [RecordPlace, RecordPlace])[];
  /** Records of two works that are versions of one, such as a preprint and its article. */
  readonly versions: readonly (readonly [RecordPlace, RecordPlace])[];
}

/**
 * What a person said of two records, by `createPairKey`: that they are of one work, or that they are not. It holds
 * wherever these records turn up.
 */
export type SameWorkAnswers = Readonly<Record<string, boolean>>;

/** The key of two records, whatever their order. */
export function createPairKey(one: RecordKeys, other: RecordKeys): string {
  return joinNames(nameRecord(one), nameRecord(other));
}

/** The same for records that cannot be told apart. */
function nameRecord({ identifier, signs }: RecordKeys): string {
  return identifier === 0 ? signs : String(identifier);
}

function joinNames(one: string, other: string): string {
  return one < other ? `${one}\n${other}` : `${other}\n${one}`;
}

/** Records that cannot be told apart: the same identifier, or, without one, the same signs. */
interface Cluster {
  readonly identifier: number;
  readonly name: string;
  /** What its records say of the work, each once, in the order of the alphabet. */
  readonly signs: readonly WorkSigns[];
  readonly first: RecordPlace;
}

/**
 * Finds the records of one work in several lists. The same identifier makes one work; else what they say is
 * compared (`compareWorks`), title by title, and added up. Two different identifiers are never one work, and a work
 * never grows by a record that speaks against another of its records. What a person answered comes before all that.
 * The works are the same whatever the order of lists and records.
 */
export function deduplicateRecords(
  lists: readonly (readonly RecordKeys[])[],
  answers: SameWorkAnswers = {},
): Deduplicated {
  const { clusters, clusterOf } = formClusters(lists);
  const compared = compareClusters(clusters, answers);
  const { groupOf, isTogether } = joinClusters(clusters, compared, answers);
  const apart = compared.filter(({ a, b }) => !isTogether(a, b));
  const placesOf = ({ a, b }: Compared): readonly [RecordPlace, RecordPlace] => [
    clusters[a]!.first,
    clusters[b]!.first,
  ];
  return {
    ...numberWorks(
      lists,
      clusterOf.map((list) => list.map((cluster) => groupOf[cluster]!)),
      answers,
    ),
    doubtful: apart.filter((one) => !one.areVersions && one.points >= PERHAPS_SAME).map(placesOf),
    versions: apart.filter(({ areVersions }) => areVersions).map(placesOf),
  };
}

function formClusters(lists: readonly (readonly RecordKeys[])[]): {
  readonly clusters: readonly Cluster[];
  readonly clusterOf: readonly (readonly number[])[];
} {
  const numbers = new Map<string | number, number>();
  const made: { identifier: number; name: string; texts: Set<string>; first: RecordPlace }[] = [];
  const clusterOf = lists.map((list, at) =>
    list.map((record, place) => {
      const { identifier, signs } = record;
      // A record that tells nothing is a work of its own.
      const key = identifier !== 0 ? identifier : isTelling(signs) ? signs : `${at} ${place}`;
      let number = numbers.get(key);
      if (number === undefined) {
        number = made.length;
        numbers.set(key, number);
        made.push({ identifier, name: nameRecord(record), texts: new Set(), first: { list: at, place } });
      }
      made[number]!.texts.add(signs);
      return number;
    }),
  );
  return {
    clusters: made.map(({ texts, ...cluster }) => ({
      ...cluster,
      signs: [...texts].sort().map(readWorkSigns),
    })),
    clusterOf,
  };
}

/** Whether two records that say just this are of one work. */
function isTelling(text: string): boolean {
  const signs = readWorkSigns(text);
  return compareWorks(signs, signs).points >= SAME_WORK;
}

/** Two clusters that were compared. */
interface Compared {
  readonly a: number;
  readonly b: number;
  readonly points: number;
  /** Alike, but with identifiers of their own or of different kinds. */
  readonly areVersions: boolean;
}

/** The clusters that may be of one work, the most alike first; the order of the records does not matter. */
function compareClusters(clusters: readonly Cluster[], answers: SameWorkAnswers): Compared[] {
  const owners: number[] = [];
  const signs = clusters.flatMap((cluster, at) =>
    cluster.signs.map((one) => {
      owners.push(at);
      return one;
    }),
  );
  const best = new Map<number, Compared>();
  for (const [one, other] of findPairs(signs)) {
    const [a, b] = [owners[one]!, owners[other]!];
    if (a === b) continue;
    const compared = compareTwo(clusters, a, b, signs[one]!, signs[other]!, answers);
    const key = Math.min(a, b) * clusters.length + Math.max(a, b);
    const known = best.get(key);
    if (compared && (!known || known.points < compared.points)) best.set(key, compared);
  }
  const nameOf = ({ a, b }: Compared): string => joinNames(clusters[a]!.name, clusters[b]!.name);
  const named = [...best.values()].map((one) => ({ one, name: nameOf(one) }));
  return named
    .sort((a, b) => b.one.points - a.one.points || (a.name < b.name ? -1 : a.name > b.name ? 1 : 0))
    .map(({ one }) => one);
}

function compareTwo(
  clusters: readonly Cluster[],
  a: number,
  b: number,
  one: WorkSigns,
  other: WorkSigns,
  answers: SameWorkAnswers,
): Compared | undefined {
  const answer = answers[joinNames(clusters[a]!.name, clusters[b]!.name)];
  if (answer !== undefined) return answer ? { a, b, points: Infinity, areVersions: false } : undefined;
  const { agreements, points } = compareWorks(one, other);
  const areIdentified = clusters[a]!.identifier !== 0 && clusters[b]!.identifier !== 0;
  const isAlike = (sign: 'title' | 'author' | 'year'): boolean =>
    agreements[sign] === 'same' || agreements[sign] === 'alike';
  const isOtherKind = agreements.kind === 'different' && points < SAME_WORK;
  const areVersions =
    (areIdentified || isOtherKind) && isAlike('title') && isAlike('author') && isAlike('year');
  // Two identifiers are two works, whatever else is the same: that is nothing to ask about.
  const isAsked = !areIdentified && points >= PERHAPS_SAME;
  return areVersions || isAsked ? { a, b, points, areVersions } : undefined;
}

/** Joins clusters, the most alike first, where nothing in one work speaks against anything in the other. */
function joinClusters(
  clusters: readonly Cluster[],
  compared: readonly Compared[],
  answers: SameWorkAnswers,
): { readonly groupOf: readonly number[]; readonly isTogether: (a: number, b: number) => boolean } {
  const groupOf = clusters.map((_, at) => at);
  const members = clusters.map((_, at) => [at]);
  const sure = compared.filter(({ points, areVersions }) => points >= SAME_WORK && !areVersions);
  const likest = listLikest(sure);
  const canChoose = (one: number, other: number, points: number): boolean =>
    (likest.get(one) ?? []).every(
      (like) =>
        like.points < points || like.to === other || fit(clusters[like.to]!, clusters[other]!, answers),
    );
  for (const { a, b, points } of sure) {
    const [one, other] = [groupOf[a]!, groupOf[b]!];
    // What is as much like another work, too, belongs to neither until a person says so.
    if (one === other || !canChoose(a, b, points) || !canChoose(b, a, points)) continue;
    const fitTogether = members[one]!.every((x) =>
      members[other]!.every((y) => fit(clusters[x]!, clusters[y]!, answers)),
    );
    if (!fitTogether) continue;
    for (const member of members[other]!) groupOf[member] = one;
    members[one]!.push(...members[other]!);
    members[other] = [];
  }
  return { groupOf, isTogether: (a, b) => groupOf[a] === groupOf[b] };
}

/** What each cluster is like, with the points. */
function listLikest(compared: readonly Compared[]): Map<number, { to: number; points: number }[]> {
  const likest = new Map<number, { to: number; points: number }[]>();
  const add = (from: number, to: number, points: number): void => {
    const known = likest.get(from);
    if (known) known.push({ to, points });
    else likest.set(from, [{ to, points }]);
  };
  for (const { a, b, points } of compared) {
    add(a, b, points);
    add(b, a, points);
  }
  return likest;
}

/** Whether two clusters can be of one work: not with two identifiers, nor if what they say speaks against it. */
function fit(one: Cluster, other: Cluster, answers: SameWorkAnswers): boolean {
  const answer = answers[joinNames(one.name, other.name)];
  if (answer !== undefined) return answer;
  if (one.identifier !== 0 && other.identifier !== 0) return false;
  return one.signs.some((x) => other.signs.some((y) => !speaksAgainst(compareWorks(x, y))));
}

/** Numbers works in the order of their first records, and tells by what the others were matched. */
function numberWorks(
  lists: readonly (readonly RecordKeys[])[],
  groups: readonly (readonly number[])[],
  answers: SameWorkAnswers,
): Pick<Deduplicated, 'works' | 'workOf' | 'matched' | 'ruleOf'> {
  const numbers = new Map<number, number>();
  /** Identifiers that were seen: what comes after is matched by them. */
  const seen = new Set<number>();
  const matched = { identifier: 0, work: 0, answer: 0 };
  /** What the records of a work are called, where answers may join them. */
  const namesOf = new Map<number, string[]>();
  const isAnswered = (group: number, name: string): boolean => {
    const names = namesOf.get(group) ?? [];
    namesOf.set(group, [...names, name]);
    return names.some((other) => answers[joinNames(name, other)] === true);
  };
  const hasAnswers = Object.values(answers).includes(true);
  const workOf = lists.map((list) => new Uint32Array(list.length));
  const ruleOf = lists.map((list, at) =>
    list.map((record, place): SameWorkRule | undefined => {
      const { identifier } = record;
      const group = groups[at]![place]!;
      const known = numbers.get(group);
      const work = known ?? numbers.size;
      numbers.set(group, work);
      workOf[at]![place] = work;
      const isSeen = seen.has(identifier);
      if (identifier !== 0) seen.add(identifier);
      const isSaid = hasAnswers && isAnswered(group, nameRecord(record));
      if (known === undefined) return undefined;
      const rule = isSeen ? 'identifier' : isSaid ? 'answer' : 'work';
      matched[rule]++;
      return rule;
    }),
  );
  return { works: numbers.size, workOf, matched, ruleOf };
}
