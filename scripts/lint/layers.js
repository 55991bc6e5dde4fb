// The order of folders: each may import only what stands before it. The picture is in docs/design/architecture.md.

/** The folders of the core, the lowest first. */
const CORE = [
  'text',
  'schema',
  'problem',
  'record',
  'vocabulary',
  'tally',
  'sru',
  'limiter',
  'query',
  'algebra',
  'filter',
  'collection',
  'dialect',
  'count',
  'project',
  'outline',
  'question',
  'suggest',
  'compare',
  'check',
  'contract',
  'proof',
  'holding',
];

const VIEWS = ['projects', 'topic', 'query', 'translate', 'compare', 'databases'];
/** Pieces that several views show, the lowest first. */
const PIECES = ['limiters', 'records', 'terms', 'freezing'];
const BELOW_VIEWS = ['words', 'ui', 'data', 'state', 'counting', ...PIECES];

/** What each folder of the web application may import, beside itself and the core. */
const WEB = {
  words: [],
  ui: ['words'],
  data: [],
  workers: ['data'],
  state: ['words', 'ui', 'data'],
  counting: ['words', 'ui', 'data', 'state'],
  ...Object.fromEntries(
    PIECES.map((piece, at) => [piece, ['words', 'ui', 'data', 'state', 'counting', ...PIECES.slice(0, at)]]),
  ),
  ...Object.fromEntries(VIEWS.map((view) => [view, BELOW_VIEWS])),
  shell: [...BELOW_VIEWS, ...VIEWS],
};

const forbid = (folders, message) => ({
  regex: `^(#core|(\\.\\./)+(core)?)/?(${folders.join('|')})(/|$)`,
  message,
});

/** Rules for the folders of the core, each with what holds for the whole core. */
export function createCoreLayers(always) {
  return CORE.map((folder, at) => ({
    files: [`core/${folder}/**/*.ts`],
    ignores: ['**/*.spec.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          patterns: [
            ...always,
            ...(at + 1 < CORE.length
              ? [forbid(CORE.slice(at + 1), `core/${folder} imports only folders that stand before it.`)]
              : []),
          ],
        },
      ],
    },
  }));
}

/** Rules for the folders of the web application, each with what holds for the whole of it. */
export function createWebLayers(always) {
  const all = Object.keys(WEB);
  return all.map((folder) => {
    const forbidden = all.filter((other) => other !== folder && !WEB[folder].includes(other));
    return {
      files: [`web/src/app/${folder}/**/*.ts`],
      rules: {
        '@typescript-eslint/no-restricted-imports': [
          'error',
          {
            patterns: [
              ...always,
              ...(forbidden.length > 0
                ? [
                    {
                      regex: `^(\\.\\./)+(${forbidden.join('|')})/`,
                      message: `${folder} imports only folders that stand below it.`,
                    },
                  ]
                : []),
            ],
          },
        ],
      },
    };
  });
}
