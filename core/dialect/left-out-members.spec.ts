import { expect, it } from 'vitest';
import { parseQuery, printQuery } from '../query';
import { listLeftOutMembers } from './left-out-members';
import { findDialect } from './profiles';
import { writeQuery } from './writer';

it.each([
  ['cardinal', 'branch: "Chiroptera" AND lamp', ['branch: "Chiroptera"']],
  ['heronsmere', 'keywords: (bat OR bats) AND lamp', ['keywords: (bat OR bats)']],
  ['cardinal', '(bat OR branch: "Chiroptera") AND lamp', []],
  ['heronsmere', 'lamp AND (bat OR keywords: bats)', []],
  ['cardinal', 'lamp NOT heading: "X"', []],
  ['heronsmere', 'branch: "Chiroptera" AND lamp', []],
])('%s goes without members of %s: %j', (database, text, wanted) => {
  const { root } = parseQuery(text);
  const left = listLeftOutMembers(root, writeQuery(root, findDialect(database)!));
  expect(left.map((node) => printQuery(node))).toEqual(wanted);
});
