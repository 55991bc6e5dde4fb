import { readFileSync, readdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { expect, it } from 'vitest';

const WEB = resolve(import.meta.dirname, '../../web/src/app');
const CONTROL =
  /<(input|select|textarea|progress|datalist|option|details|dialog|meter)\b((?:[^">]|"[^"]*")*)>/g;
const TYPE = /\stype="(number|date|month|week|time|datetime-local|range|color)"/;

/** The templates by file, in files of their own and in components. */
function listTemplates(): [string, string][] {
  return readdirSync(WEB, { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.component\.(html|ts)$/.test(file))
    .map((file) => {
      const text = readFileSync(join(WEB, file), 'utf8');
      return [file, file.endsWith('.html') ? text : (/template: `([^`]*)`/.exec(text)?.[1] ?? '')];
    });
}

it('no control is the browser’s own: fields and lists are those of the set of parts', () => {
  const found = listTemplates().flatMap(([file, template]) =>
    [...template.matchAll(CONTROL)]
      .filter(
        ([, , attributes = '']) =>
          // A field that is part of a line or a heading has no frame, so there is nothing of Material about it.
          !/\s(matInput|matSlider(Start|End)Thumb)\b|\[matChipInputFor\]|\sclass="line-field\b/.test(
            attributes,
          ) || TYPE.test(attributes),
      )
      .map(([, name]) => `${file.replaceAll('\\', '/')}: ${name}`),
  );
  // Only the browser can open a file: its control is there, unseen, behind a button.
  expect(found).toEqual(['ui/file-button.component.ts: input']);
});

it('a button has the look of the parts, or none of its own', () => {
  const bare = listTemplates().flatMap(([file, template]) =>
    [...template.matchAll(/<button\b((?:[^">]|"[^"]*")*)>/g)]
      .filter(
        ([, attributes = '']) =>
          !/\s(mat-[a-z-]+|matChipRemove|cdk[A-Z]\w*)[\s=]|class="[^"]*plain/.test(`${attributes} `),
      )
      .map(([whole]) => `${file}: ${whole}`),
  );
  expect(bare).toEqual([]);
});
