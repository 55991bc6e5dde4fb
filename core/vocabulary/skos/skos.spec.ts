import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { createLabelKey } from '../../text';
import { createVocabulary, type Heading } from '../vocabulary';
import { findSkosFormat, readSkos, writeSkos } from './index';

const TURTLE = `@prefix skos: <http://www.w3.org/2004/02/skos/core#> .
@prefix t: <urn:t:> .
t:animals a skos:Concept ; skos:prefLabel "Animals"@en, "Animaux"@fr .
t:bats a skos:Concept ; skos:prefLabel "Bats"@en ; skos:altLabel "Chiroptera"@en, "Fledermäuse"@de ;
  skos:broader t:animals ; skos:related t:echo ; skos:scopeNote "The living animals."@en .
t:echo a skos:Concept ; skos:prefLabel "Echolocation" .
`;
const N_TRIPLES = `# made up
<urn:t:bats> <http://www.w3.org/1999/02/22-rdf-syntax-ns#type> <http://www.w3.org/2004/02/skos/core#Concept> .
<urn:t:bats> <http://www.w3.org/2004/02/skos/core#prefLabel> "Bats"@en .
<urn:t:bats> <http://www.w3.org/2004/02/skos/core#broader> <urn:t:animals> .
<urn:t:animals> <http://www.w3.org/2004/02/skos/core#prefLabel> "Animals"@en .
`;
const RDF_XML = `<?xml version="1.0"?>
<rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#" xmlns:skos="http://www.w3.org/2004/02/skos/core#">
  <skos:Concept rdf:about="urn:t:animals"><skos:prefLabel xml:lang="en">Animals</skos:prefLabel>
    <skos:narrower rdf:resource="urn:t:bats"/></skos:Concept>
  <skos:Concept rdf:about="urn:t:bats"><skos:prefLabel xml:lang="en">Bats</skos:prefLabel></skos:Concept>
</rdf:RDF>
`;
const JSON_LD = JSON.stringify({
  '@context': {
    skos: 'http://www.w3.org/2004/02/skos/core#',
    broader: { '@id': 'skos:broader', '@type': '@id' },
    prefLabel: { '@id': 'skos:prefLabel', '@language': 'en' },
  },
  '@graph': [
    { '@id': 'urn:t:animals', '@type': 'skos:Concept', prefLabel: 'Animals' },
    { '@id': 'urn:t:bats', '@type': 'skos:Concept', prefLabel: 'Bats', broader: 'urn:t:animals' },
  ],
});

const codes = (reading: { problems: readonly { code: string }[] }) =>
  reading.problems.map((problem) => problem.code);

describe('thesauri in SKOS', () => {
  it.each([
    ['turtle', TURTLE],
    ['n-triples', N_TRIPLES],
    ['rdf-xml', RDF_XML],
    ['json-ld', JSON_LD],
  ] as const)('%s is known by its first signs and read', async (format, content) => {
    expect(findSkosFormat(content)).toBe(format);
    const reading = await readSkos(content);
    expect(reading.format).toBe(format);
    expect(reading.problems).toEqual([]);
    const bats = reading.headings.find((heading) => heading.label === 'Bats');
    expect(bats?.broader).toEqual(['Animals']);
  });

  it('keeps entry terms, translations, notes and relations apart by language', async () => {
    const { headings } = await readSkos(TURTLE);
    expect(headings.find((heading) => heading.label === 'Bats')).toEqual({
      address: 'urn:t:bats',
      label: 'Bats',
      entryTerms: ['Chiroptera'],
      broader: ['Animals'],
      related: ['Echolocation'],
      scopeNote: 'The living animals.',
      translations: [{ language: 'de', label: 'Fledermäuse' }],
    });
    const french = await readSkos(TURTLE, { language: 'fr' });
    expect(french.headings[0]?.label).toBe('Animaux');
  });

  it('what is written comes back', async () => {
    const label = fc.stringMatching(/^[A-Z][a-z]{2,8}( [a-z]{2,6})?$/);
    const headings = fc.uniqueArray(label, { minLength: 1, maxLength: 8 }).map((labels) =>
      labels.map((name, at): Heading => ({
        label: name,
        address: `urn:t:${createLabelKey(name).replaceAll(' ', '-')}`,
        ...(at % 2 === 1 && {
          matches: [{ kind: at % 4 === 1 ? 'exact' : 'close', address: `urn:o:${at}` }],
        }),
        entryTerms: at % 2 ? [`${name} "quoted" \\ ü`] : [],
        broader: at > 0 ? [labels[Math.floor(at / 2)]!].filter((other) => other !== name) : [],
        related: [],
        ...(at % 3 === 0 && { scopeNote: 'Two\nlines.', since: 1990 + at }),
        ...(at % 2 === 0 && { translations: [{ language: 'fr', label: `le ${name}` }] }),
      })),
    );
    await fc.assert(
      fc.asyncProperty(headings, async (list) => {
        const reading = await readSkos(writeSkos(createVocabulary('t', list), 'Made up'));
        expect(reading.problems).toEqual([]);
        expect(reading.headings).toEqual(list);
      }),
      { numRuns: 60 },
    );
  });
});

describe('files that are not as they should be', () => {
  it('that break off keep what stood before, with line and cause', async () => {
    const reading = await readSkos(`${TURTLE}t:lamps a skos:Concept ; skos:prefLabel "Lamps .\n`);
    expect(codes(reading)[0]).toBe('skos-syntax');
    expect(reading.problems[0]?.data['line']).toBe(7);
    expect(reading.headings.slice(0, 3).map((heading) => heading.label)).toEqual([
      'Animals',
      'Bats',
      'Echolocation',
    ]);
    const xml = await readSkos(RDF_XML.replace('</rdf:RDF>', '<skos:Concept rdf:about="urn:t:x">'));
    expect(xml.problems[0]?.code).toMatch(/^skos-syntax/);
    expect(xml.headings.map((heading) => heading.label)).toEqual(['Animals', 'Bats', 'urn:t:x']);
    const json = await readSkos(JSON_LD.slice(0, -4));
    expect(json.problems[0]).toMatchObject({ code: 'skos-syntax', data: { line: 1 } });
  });

  it('with circles, lost references, missing and doubled labels are mended and say so', async () => {
    const reading = await readSkos(`@prefix skos: <http://www.w3.org/2004/02/skos/core#> .
      <urn:t:a> a skos:Concept ; skos:prefLabel "Same" ; skos:broader <urn:t:b> .
      <urn:t:b> a skos:Concept ; skos:prefLabel "Same" ; skos:broader <urn:t:a>, <urn:t:gone> .
      <urn:t:no_label> a skos:Concept ; skos:broader <urn:t:no_label> .`);
    expect(codes(reading)).toEqual(['skos-nameless', 'skos-doubled', 'skos-lost-references']);
    expect(reading.headings.map((heading) => heading.label)).toEqual(['Same', 'Same (2)', 'urn:t:no label']);
    expect(createVocabulary('t', reading.headings).listBranch('Same')).toEqual(['Same', 'Same (2)']);
  });

  it('very deep ones are read, and their whole branch found', async () => {
    const deep = Array.from(
      { length: 20_000 },
      (_, at) => `<urn:t:${at}> skos:prefLabel "Level ${at}" ; skos:broader <urn:t:${at - 1}> .`,
    );
    const reading = await readSkos(
      `@prefix skos: <http://www.w3.org/2004/02/skos/core#> .\n${deep.join('\n')}`,
    );
    expect(codes(reading)).toEqual(['skos-lost-references']);
    expect(createVocabulary('t', reading.headings).listBranch('Level 0')).toHaveLength(20_000);
  });

  it.each([
    ['', 'not-skos'],
    ['just some words of a letter', 'not-skos'],
    ['%PDF-1.4', 'not-skos'],
    ['<urn:a> <urn:b> <urn:c> .', 'skos-no-concepts'],
    ['{"@context": "https://elsewhere.example/context", "@id": "urn:a"}', 'skos-syntax-somewhere'],
  ])('%j says %s', async (content, code) => {
    expect(codes(await readSkos(content))).toContain(code);
  });

  it('entities that unfold without end do not', async () => {
    const bomb = `<?xml version="1.0"?><!DOCTYPE r [<!ENTITY a "aaaaaaaaaa">${Array.from('bcdefghij', (name, at) => `<!ENTITY ${name} "${`&${'abcdefghi'[at]};`.repeat(10)}">`).join('')}]>
      <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#" xmlns:skos="http://www.w3.org/2004/02/skos/core#">
      <skos:Concept rdf:about="urn:t:x"><skos:prefLabel>&j;</skos:prefLabel></skos:Concept></rdf:RDF>`;
    const reading = await readSkos(bomb);
    expect(JSON.stringify(reading).length).toBeLessThan(100_000);
  });

  it('never throw, whatever they hold', async () => {
    const pieces = fc.constantFrom(
      '@prefix ',
      '<urn:a> ',
      '"x"@en ',
      '. ',
      '; ',
      '{',
      '}',
      '[',
      '<?xml',
      '<rdf:RDF',
      '&amp',
      '\n',
      '\u0000',
      '_:b ',
    );
    await fc.assert(
      fc.asyncProperty(fc.array(pieces, { maxLength: 20 }), async (parts) => {
        expect(await readSkos(parts.join(''))).toHaveProperty('headings');
      }),
      { numRuns: 200 },
    );
  });
});

describe('looking up words', () => {
  const vocabulary = createVocabulary('t', [
    { label: 'Chiroptera', entryTerms: ['Bats', 'Flying mammals'], broader: [], related: [] },
    { label: 'Light', entryTerms: [], broader: [], related: [] },
    { label: 'Night lighting', entryTerms: ['Artificial light at night'], broader: ['Light'], related: [] },
    {
      label: 'Fruit bats',
      entryTerms: [],
      broader: ['Chiroptera'],
      related: [],
      translations: [{ language: 'fr', label: 'Roussettes' }],
    },
  ]);
  it.each([
    ['bat', ['Chiroptera', 'Fruit bats']],
    ['BATS', ['Chiroptera', 'Fruit bats']],
    ['light', ['Light', 'Night lighting']],
    ['artificial light', ['Night lighting']],
    ['roussette', ['Fruit bats']],
    ['', []],
    ['nothing of this', []],
  ])('%s leads to %j', (words, labels) => {
    expect(vocabulary.lookUp(words, 9).map((found) => found.heading.label)).toEqual(labels);
  });
});

describe('thesauri as others write them', () => {
  const PREFIXES = `@prefix skos: <http://www.w3.org/2004/02/skos/core#> .
@prefix iso: <http://purl.org/iso25964/skos-thes#> .
@prefix owl: <http://www.w3.org/2002/07/owl#> .
@prefix rdfs: <http://www.w3.org/2000/01/rdf-schema#> .
@prefix t: <urn:t:> .
`;
  const read = async (turtle: string, language?: string) =>
    readSkos(PREFIXES + turtle, language === undefined ? {} : { language });
  const write = ({ headings }: { headings: readonly Heading[] }) =>
    headings.map(({ label, broader }) => (broader.length > 0 ? `${label} < ${broader.join(', ')}` : label));

  it('Turtle with whole addresses is Turtle, N-Quads are read without their graphs', async () => {
    const whole = `<urn:t:bats> <http://www.w3.org/2004/02/skos/core#prefLabel> "Bats"@en ;
  <http://www.w3.org/2004/02/skos/core#altLabel> "Flying mammals"@en .`;
    expect(findSkosFormat(whole)).toBe('turtle');
    expect((await readSkos(whole)).headings).toMatchObject([
      { label: 'Bats', entryTerms: ['Flying mammals'] },
    ]);
    const quads = N_TRIPLES.replaceAll(' .\n', ' <urn:t:graph> .\n');
    const reading = await readSkos(quads);
    expect(reading.format).toBe('n-quads');
    expect(reading.problems).toEqual([]);
    expect(write(reading)).toEqual(['Bats < Animals', 'Animals']);
  });

  it('follow generic, partitive and instantial relations, either way', async () => {
    const reading = await read(`t:a skos:prefLabel "Mammals" ; iso:narrowerGeneric t:b .
      t:b skos:prefLabel "Bats" .
      t:c skos:prefLabel "Wings" ; iso:broaderPartitive t:b .
      t:d skos:prefLabel "The old colony" ; iso:broaderInstantial t:b .`);
    expect(write(reading)).toEqual(['Mammals', 'Bats < Mammals', 'Wings < Bats', 'The old colony < Bats']);
    expect(createVocabulary('t', reading.headings).listBranch('Mammals')).toHaveLength(4);
  });

  it('take concepts of a narrower class, and what stands in a scheme; no schemes and no people', async () => {
    const reading = await read(`t:Topic rdfs:subClassOf t:Thing . t:Thing rdfs:subClassOf skos:Concept .
      t:a a t:Topic ; skos:prefLabel "Bats" .
      t:b a t:Unknown ; skos:prefLabel "Lamps" ; skos:inScheme t:s .
      t:s a skos:ConceptScheme ; skos:prefLabel "The thesaurus" .
      t:p a t:Person ; skos:prefLabel "Freya Okonjo" .`);
    expect(write(reading)).toEqual(['Bats', 'Lamps']);
  });

  it('are named in one language: the one asked for, else the one of most concepts, and say so', async () => {
    const turtle = `t:a skos:prefLabel "Fledermäuse"@de, "Murciélagos"@es . t:b skos:prefLabel "Lampen"@de .`;
    const german = await read(turtle);
    expect(write(german)).toEqual(['Fledermäuse', 'Lampen']);
    expect(german.problems).toMatchObject([
      { code: 'skos-other-language', data: { wanted: 'en', language: 'de' } },
    ]);
    expect(write(await read(turtle, 'es'))).toEqual(['Murciélagos', 'Lampen']);
    expect((await read(`t:a skos:prefLabel "Bats" .`)).problems).toEqual([]);
  });

  it('take a label for one country beside that of the language as another word for the same', async () => {
    const { headings } = await read(
      `t:a skos:prefLabel "Colour of light"@en-GB, "Color of light"@en, "Lichtfarbe"@de .`,
    );
    expect(headings).toMatchObject([
      {
        label: 'Color of light',
        entryTerms: ['Colour of light'],
        translations: [{ language: 'de', label: 'Lichtfarbe' }],
      },
    ]);
  });

  it('mark what is deprecated, and put it last', async () => {
    const { headings } = await read(`t:a skos:prefLabel "Lamps" ; owl:deprecated true .
      t:b skos:prefLabel "Lamps of the street" .`);
    expect(headings.map(({ isDeprecated }) => isDeprecated)).toEqual([true, undefined]);
    const vocabulary = createVocabulary('t', headings);
    expect(vocabulary.lookUp('lamps', 9).map(({ heading }) => heading.label)).toEqual([
      'Lamps of the street',
      'Lamps',
    ]);
    expect(
      (await readSkos(writeSkos(vocabulary, 'Made up'))).headings.map((one) => one.isDeprecated),
    ).toEqual([true, undefined]);
  });
});
