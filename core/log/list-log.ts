import { listSingleChanges } from '../compare/draft';
import type { Project, SearchState, Tally } from '../project';
import type { RichText } from '../text';
import { writeNumber, writeTally } from './describe-tally';
import { byMoment, splitByRests } from './groups';
import type { LogEntry, LogKind, LogPoint } from './log-entry';
import { listPoints, type Point } from './points';
import { describeRun } from './describe-run';

/** A line of the log that is written when it is read: a log may have thousands. */
export interface LogLine {
  readonly id: string;
  /** ISO 8601, UTC. */
  readonly moment: string;
  readonly kind: LogKind;
  read(): LogEntry;
  /** What it holds beyond its sentence: one line each. */
  readDetails(): readonly RichText[];
}

/** What the log calls a database, by its short name. */
export type NameDatabase = (database: string) => string;

/** What was done without a longer rest is one entry, in milliseconds. */
const SITTING = 30 * 60_000;
/** So many single changes and titles are told; of the others their number. */
const TOLD = 12;
const NOTHING: SearchState = { concepts: [], blocks: [], draft: '', limiters: {}, databases: [] };

/** The log of a project, the earliest line first. It is made of what the project keeps; nothing is typed for it. */
export function listLog(project: Project, nameDatabase: NameDatabase): LogLine[] {
  return [
    line('began', project.id, project.created, () => ['Project begun.']),
    ...listPointLines(project, nameDatabase),
    ...project.runs.map((run) =>
      line('run', run.id, run.moment, () => describeRun(run, project), {
        details: () => listRunDetails(run.id, project),
        point: { kind: 'variant', id: run.variant },
      }),
    ),
    ...project.asideLooks.map((look, at) =>
      line('must-finds', `look ${at}`, look.moment, () => [
        'Must-finds that are put aside: ',
        { strong: nameVariant(project, look.variant) },
        ` finds ${look.found} of ${look.there}.`,
      ]),
    ),
    ...listJudgedLines(project),
    ...splitByRests(
      project.kept.map((work) => ({ moment: work.kept, title: work.record.title })),
      SITTING,
    ).map((works) =>
      line(
        'kept',
        `kept ${works[0]!.moment}`,
        works[0]!.moment,
        () => [`${count(works.length, 'work')} kept.`],
        {
          details: () => tellSome(works.map(({ title }): RichText => [title])),
        },
      ),
    ),
    ...project.leads.map((lead) =>
      line('lead', lead.id, lead.created, () => [
        'Lead: ',
        { strong: lead.name },
        lead.note === '' ? '' : `, ${lead.note}`,
        lead.isDone ? '; followed.' : '.',
      ]),
    ),
    ...Object.entries(project.requests).map(([key, { asked, title }]) =>
      line('request', `request ${key}`, asked, () => ['Full text asked for: ', title, '.']),
    ),
    ...listReviewLines(project),
    ...project.sources.map((source) =>
      line('source', source.id, source.moment, () => describeSource(source)),
    ),
    ...project.notes.map((note) => line('note', note.id, note.moment, () => [note.text])),
  ].sort(byMoment);
}

function line(
  kind: LogKind,
  id: string,
  moment: string,
  write: () => RichText,
  more: { readonly details?: () => readonly RichText[]; readonly point?: LogPoint } = {},
): LogLine {
  let entry: LogEntry | undefined;
  let details: readonly RichText[] | undefined;
  return {
    id: `${kind} ${id}`,
    moment,
    kind,
    read: () =>
      (entry ??= {
        id: `${kind} ${id}`,
        moment,
        kind,
        text: write(),
        hasDetails: more.details !== undefined,
        ...(more.point && { point: more.point }),
      }),
    readDetails: () => (details ??= more.details?.() ?? []),
  };
}

function listPointLines(project: Project, nameDatabase: NameDatabase): LogLine[] {
  const lines: LogLine[] = [];
  const counted = new Map<string, Tally>();
  let before: Point | undefined;
  let question = '';
  for (const point of listPoints(project)) {
    const { kept, moment, state } = point;
    if (kept?.question !== undefined && kept.question !== question) {
      question = kept.question;
      const text = question.trim();
      lines.push(
        line('question', point.id, moment, () =>
          text === '' ? ['Question taken away.'] : ['Question: ', { strong: text }],
        ),
      );
    }
    const from = before?.state ?? NOTHING;
    const reasons = kept?.reasons ?? {};
    if (from.databases.join() !== state.databases.join())
      lines.push(
        line('databases', point.id, moment, () => describeDatabases(from, state, reasons, nameDatabase)),
      );
    const earlier = new Map(point.tallies.map((tally) => [tally.id, counted.get(tally.database)]));
    for (const tally of point.tallies) counted.set(tally.database, tally);
    const counts = (): RichText[] =>
      point.tallies.map((tally) => tellCount(tally, earlier.get(tally.id), nameDatabase));
    const numbers = (): string[] =>
      point.tallies.map(
        (tally) => `${nameDatabase(tally.database)} ${tellNumber(tally, earlier.get(tally.id))}`,
      );
    before = point;
    // A state in which nothing can be seen to have changed, and nothing was counted, tells nothing.
    if (!point.variant && point.tallies.length === 0 && listSingleChanges(from, state).length === 0) continue;
    let told: readonly RichText[] | undefined;
    const changes = (): readonly RichText[] => (told ??= tellChanges(from, state));
    lines.push(
      point.variant
        ? line('frozen', point.id, moment, () => describeFrozen(point, from), {
            details: () => [...tellSome(changes()), ...counts()],
            point: { kind: 'variant', id: point.variant.id },
          })
        : line('changed', point.id, moment, () => describeChanges(changes(), numbers()), {
            details: () => [...tellSome(changes().slice(1)), ...counts()],
            point: { kind: 'state', id: kept?.id ?? point.id },
          }),
    );
  }
  return lines;
}

function describeDatabases(
  from: SearchState,
  to: SearchState,
  reasons: Readonly<Record<string, string>>,
  nameDatabase: NameDatabase,
): RichText {
  const tell = (database: string): string => {
    const reason = reasons[database];
    return reason ? `${nameDatabase(database)} (${reason})` : nameDatabase(database);
  };
  const chosen = to.databases.filter((database) => !from.databases.includes(database));
  const left = from.databases.filter((database) => !to.databases.includes(database));
  const parts = [
    ...(chosen.length > 0 ? [`chosen: ${chosen.map(tell).join(', ')}`] : []),
    ...(left.length > 0 ? [`left out: ${left.map(tell).join(', ')}`] : []),
  ];
  return [parts.length > 0 ? `Databases ${parts.join('; ')}.` : 'Databases put into another order.'];
}

function describeFrozen({ variant, tallies }: Point, from: SearchState): RichText {
  const changes = variant ? listSingleChanges(from, variant.frozen).length : 0;
  const totals = tallies.map(writeTally).join(', ');
  return [
    'Frozen as ',
    { strong: variant?.name ?? '' },
    changes > 0 ? `, ${count(changes, 'change')}` : '',
    variant && variant.note !== '' ? `: “${variant.note}”` : '',
    totals === '' ? '' : `: ${totals}`,
    '.',
  ];
}

/** The first change and the counts in a sentence; the others are among the details. */
function describeChanges([first, ...others]: readonly RichText[], counts: readonly string[]): RichText {
  const told = counts.length > 0 ? [`; ${counts.join(', ')}.`] : ['.'];
  if (first) return [...first, others.length > 0 ? `, and ${others.length} more` : '', ...told];
  return ['Counted again', ...told];
}

const SIGNS = { added: 'Added: ', removed: 'Taken away: ', changed: 'Changed: ' } as const;

function tellChanges(from: SearchState, to: SearchState): RichText[] {
  const changes = listSingleChanges(from, to);
  return changes.map(({ sign, words }): RichText => [SIGNS[sign], words]);
}

/** A count, with the one before it of the same database where that was another one. */
function tellNumber(tally: Tally, before: Tally | undefined): string {
  const now = writeTally(tally);
  const was = before && writeTally(before);
  return was === undefined || was === now ? now : `${was} → ${now}`;
}

function tellCount(tally: Tally, before: Tally | undefined, nameDatabase: NameDatabase): RichText {
  return [
    `${nameDatabase(tally.database)}: ${tellNumber(tally, before)}${tally.source === 'typed' ? ', typed in' : ''}, `,
    { code: tally.string.replaceAll('\n', ' ⏎ ') },
  ];
}

function listRunDetails(id: string, project: Project): RichText[] {
  const run = project.runs.find((one) => one.id === id);
  return (run?.databases ?? []).map(({ name, string }) => [
    `${name}: `,
    { code: string.replaceAll('\n', ' ⏎ ') },
  ]);
}

function listJudgedLines({ judgements }: Project): LogLine[] {
  const judged = Object.values(judgements).flatMap(({ moment, ...judgement }) =>
    moment === undefined ? [] : [{ ...judgement, moment }],
  );
  return splitByRests(judged, SITTING).map((group) => {
    const said = (verdict: string): number => group.filter((one) => one.verdict === verdict).length;
    const { moment } = group.at(-1)!;
    return line('judged', `judged ${moment}`, moment, () => [
      `${count(group.length, 'record')} judged: ${said('on')} on topic, ${said('off')} off topic, ${said('unsure')} not sure.`,
    ]);
  });
}

function listReviewLines({ review }: Project): LogLine[] {
  const marks = Object.entries(review).flatMap(([key, mark]) =>
    mark.moment === undefined ? [] : [{ key, ...mark, moment: mark.moment }],
  );
  return splitByRests(marks, SITTING).map((group) => {
    const { moment } = group.at(-1)!;
    const done = group.filter(({ isDone }) => isDone).length;
    return line(
      'review',
      `review ${moment}`,
      moment,
      () => [`${count(group.length, 'point')} of the report answered, ${done} done.`],
      {
        details: () =>
          tellSome(group.filter(({ comment }) => comment !== '').map(({ comment }): RichText => [comment])),
      },
    );
  });
}

const SOURCE_WORDS: Readonly<Record<Project['sources'][number]['kind'], string>> = {
  journal: 'Journal read through',
  website: 'Website searched',
  expert: 'Person asked',
  references: 'References followed',
  other: 'Other source',
};

/** A source without a string in one sentence. */
export function describeSource({ kind, name, how, by, looked, kept }: Project['sources'][number]): RichText {
  const numbers = [
    ...(looked === undefined ? [] : [`${writeNumber(looked)} looked at`]),
    ...(kept === undefined ? [] : [`${writeNumber(kept)} kept`]),
  ];
  return [
    `${SOURCE_WORDS[kind]}: `,
    { strong: name },
    how === '' ? '' : `, ${how}`,
    by === '' ? '' : `, by ${by}`,
    numbers.length > 0 ? `; ${numbers.join(', ')}.` : '.',
  ];
}

function tellSome(lines: readonly RichText[]): RichText[] {
  const more = lines.length - TOLD;
  return more > 0 ? [...lines.slice(0, TOLD), [`and ${more} more`]] : [...lines];
}

function nameVariant({ variants }: Project, id: string): string {
  return variants.find((variant) => variant.id === id)?.name ?? 'a variant that was removed';
}

function count(number: number, thing: string): string {
  return `${writeNumber(number)} ${thing}${number === 1 ? '' : 's'}`;
}
