// The order of folders: each may import only what stands before it. The picture is in docs/design/architecture.md.

/** The folders of the core, the lowest first. */
const CORE = [
  'text',
  'schema',
  'problem',
  'record',
  'citation',
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
  'reading',
  'proof',
  'holding',
  'must-finds',
  'shelf',
  'trail',
  'log',
  'document',
];

/** The rooms of `core/dialect`, the lowest first. */
const DIALECT_ROOMS = ['profile', 'write', 'read', 'history', 'form', 'learn'];

const VIEWS = [
  'projects',
  'topic',
  'query',
  'translate',
  'compare',
  'read',
  'must-finds',
  'shelf',
  'trail',
  'logbook',
  'databases',
];
/** Pieces that several views show, the lowest first. */
const PIECES = ['records', 'limiters', 'terms', 'freezing', 'own-records', 'comparing'];
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
  // For who builds the screens; not in what is built to be used.
  'part-samples': BELOW_VIEWS,
  shell: [...BELOW_VIEWS, ...VIEWS],
};

const forbid = (folders, message) => ({
  regex: `^(#core|(\\.\\./)+(core)?)/?(${folders.join('|')})(/|$)`,
  message,
});

/** Rules for the folders of the core, each with what holds for the whole core. */
export function createCoreLayers(always) {
  const above = (folder) => {
    const later = CORE.slice(CORE.indexOf(folder) + 1);
    return later.length > 0
      ? [forbid(later, `core/${folder} imports only folders that stand before it.`)]
      : [];
  };
  const create = (path, patterns) => ({
    files: [`${path}/**/*.ts`],
    ignores: ['**/*.spec.ts'],
    rules: { '@typescript-eslint/no-restricted-imports': ['error', { patterns }] },
  });
  return [
    ...CORE.map((folder) => create(`core/${folder}`, [...always, ...above(folder)])),
    ...DIALECT_ROOMS.map((room, at) =>
      create(`core/dialect/${room}`, [
        ...always,
        ...above('dialect'),
        {
          // A later room, or a file behind the door of an earlier one.
          regex: `^\\.\\./((${[...DIALECT_ROOMS.slice(at + 1), '-'].join('|')})(/|$)|(${DIALECT_ROOMS.join('|')})/(?!index$))`,
          message: `core/dialect/${room} imports only rooms that stand before it, by their doors.`,
        },
      ]),
    ),
  ];
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
