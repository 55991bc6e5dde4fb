import type { HeadingNode } from './node';

/** A label, and the qualifier that it was given with. */
type Label = Pick<HeadingNode, 'label' | 'qualifier'>;

/** A label without what only lets its signs stand there, and its qualifier behind a slash between blanks. */
export function readLabel(raw: string, scope: HeadingNode['scope']): Label {
  const tidy = (text: string): string => text.replace(/\\(.)/gs, '$1').trim().replace(/\s+/g, ' ');
  const at = scope === 'heading' ? raw.search(/\s\/\s/) : -1;
  const [label, qualifier] = at < 0 ? [tidy(raw), ''] : [tidy(raw.slice(0, at)), tidy(raw.slice(at + 3))];
  return label === '' || qualifier === '' ? { label: tidy(raw) } : { label, qualifier };
}

/** The label as it stands between quotation marks: `readLabel` gives it again. */
export function printLabel({ scope, label, qualifier }: HeadingNode): string {
  const escape = (text: string): string => text.replace(/["\\“”„«»‟]/g, '\\$&');
  const own = scope === 'heading' ? escape(label).replaceAll(' / ', ' \\/ ') : escape(label);
  return qualifier === undefined ? own : `${own} / ${escape(qualifier)}`;
}
