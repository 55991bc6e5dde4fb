import { describeProblem, describeRemedy } from '../problem';
import type { ReviewMark } from '../project';
import { CHECKS } from './checks';
import { REVIEW_ELEMENTS, type Finding } from './finding';

/** One point of the report: what was found, and what the reviewer said. */
export interface ReportPoint {
  readonly finding: Finding;
  readonly mark: ReviewMark | undefined;
}

/** One element of the report with its points and what was looked for. */
export interface ReportElement {
  readonly id: string;
  readonly name: string;
  readonly looksFor: readonly string[];
  readonly points: readonly ReportPoint[];
  /** What the reviewer said of the element as a whole. */
  readonly mark: ReviewMark | undefined;
}

/** The key under which remarks on a whole element are kept. */
export function createElementKey(element: string): string {
  return `element ${element}`;
}

/** The findings by the elements that peer review looks at. */
export function createReport(
  findings: readonly Finding[],
  review: Readonly<Record<string, ReviewMark>>,
): ReportElement[] {
  return REVIEW_ELEMENTS.map(({ id, name }) => ({
    id,
    name,
    looksFor: CHECKS.filter((check) => check.element === id).map((check) => check.looksFor),
    points: findings
      .filter((finding) => finding.element === id)
      .map((finding) => ({ finding, mark: review[finding.key] })),
    mark: review[createElementKey(id)],
  }));
}

/** What stands at the head of an exported report. */
export interface ReportHead {
  readonly name: string;
  readonly question: string;
  readonly draft: string;
  readonly limiters: readonly string[];
  readonly counts: readonly { readonly database: string; readonly total: string; readonly string: string }[];
  /** The day, as it is to be printed. */
  readonly date: string;
}

/** The report as a text document (CommonMark), with boxes to tick. */
export function printReport(head: ReportHead, elements: readonly ReportElement[]): string {
  const lines = [
    `# Review of the search: ${head.name}`,
    '',
    `${head.date}. Question: ${head.question || 'not written down'}`,
    '',
    ...fence(head.draft),
    '',
    `Limited to: ${head.limiters.join(', ') || 'nothing'}`,
    '',
    '| Database | Records | String |',
    '| --- | ---: | --- |',
    ...head.counts.map(
      ({ database, total, string }) => `| ${database} | ${total} | ${string.replaceAll('|', '\\|')} |`,
    ),
  ];
  for (const { name, looksFor, points, mark } of elements) {
    lines.push('', `## ${name}`, '', `Looked for: ${looksFor.join('; ')}.`, '');
    if (points.length === 0) lines.push('Nothing was found.');
    for (const { finding, mark: said } of points) {
      const box = said?.isDone === true ? '[x]' : '[ ]';
      lines.push(`- ${box} ${describeProblem(finding.problem)} ${describeRemedy(finding.problem)}`);
      for (const remark of finding.remarks) lines.push(`  ${remark}`);
      if (said && said.comment !== '') lines.push(`  Comment: ${said.comment.replace(/\s+/g, ' ')}`);
    }
    if (mark) lines.push('', `${mark.isDone ? 'Reviewed. ' : ''}${mark.comment.replace(/\s+/g, ' ')}`.trim());
  }
  return `${lines.join('\n')}\n`;
}

/** A text as it is, whatever signs it holds. */
function fence(text: string): string[] {
  const longest = Math.max(2, ...[...text.matchAll(/`+/g)].map(([ticks]) => ticks.length));
  const ticks = '`'.repeat(longest + 1);
  return [ticks, text, ticks];
}
