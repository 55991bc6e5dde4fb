import type { HandStep } from '#core/dialect/index';
import { describeStep } from './rendering/rendering-notes';
import { say } from '../words/say';

/** One database's part of the document. */
export interface DocumentEntry {
  readonly name: string;
  readonly parts: readonly string[];
  readonly steps: readonly HandStep[];
  /** What the rendering does to the meaning, and the count, in words. */
  readonly remarks: readonly string[];
}

/** All strings in one document (CommonMark), each as it is to be pasted. */
export function writeStringsDocument(
  title: string,
  day: string,
  question: string,
  entries: readonly DocumentEntry[],
): string {
  const sections = entries.map(({ name, parts, steps, remarks }) => {
    const strings = parts.map((part, at) =>
      [parts.length > 1 ? say('translate.partOf', { number: at + 1, count: parts.length }) : '', fence(part)]
        .join('\n')
        .trim(),
    );
    const union = parts.length > 1 ? [say('translate.searchEachPartAndJoin')] : [];
    const list = [...remarks, ...steps.map(describeStep), ...union].map((line) => `- ${line}`);
    return [`## ${name}`, ...strings, list.join('\n')].filter((part) => part !== '').join('\n\n');
  });
  const head = [
    say('translate.searchStrings', { title }),
    say('translate.writtenOn', { day }),
    question,
  ].filter((part) => part !== '');
  return `${[...head, ...sections].join('\n\n')}\n`;
}

/** A block of code: its fence is longer than any run of its own sign inside. */
function fence(text: string): string {
  const runs = [...text.matchAll(/`+/g)].map(([run]) => run.length);
  const mark = '`'.repeat(Math.max(3, ...runs.map((run) => run + 1)));
  return `${mark}\n${text}\n${mark}`;
}
