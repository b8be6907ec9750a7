/**
 * The rooms of the house by floor: a room may import from rooms on lower floors and from itself.
 * Rooms on the same floor do not know each other, except where `also` says so.
 */
const CORE_FLOORS = [
  ['words'],
  ['units'],
  ['geometry', 'process'],
  ['standard'],
  ['document'],
  ['package'],
  ['land', 'padstack', 'body', 'given'],
  ['footprint', 'source'],
  ['spacing', 'ruler'],
  ['joint'],
  ['drawing', 'check'],
  ['compare'],
  ['best'],
  ['library', 'opinion', 'trial', 'lists'],
  ['format'],
];
const UPPER_FLOORS = [['kernel'], ['workers', 'store', 'cli', 'server', 'demo'], ['islands'], ['pages']];
/** What a page is made of: what is drawn lies below what a person's state and its fields are, those below the places. */
const ISLAND_FLOORS = [
  ['common'],
  ['turn'],
  ['sheet'],
  ['ledger'],
  ['state'],
  ['fields', 'model', 'commands'],
  ['measure', 'prove', 'gallery', 'source', 'intake', 'ruler', 'changing'],
  ['bench', 'shelf', 'processes', 'standards', 'sides', 'opinion', 'trials', 'lists'],
  ['help'],
  ['app'],
];

/** Forbids relative imports of the named folders, however deep they start. */
function forbid(folders, why) {
  const regex = `^(\\.\\./)+(core/)?(${folders.join('|')})(/|$)`;
  return { 'no-restricted-imports': ['error', { patterns: [{ regex, message: why }] }] };
}

const upperNames = UPPER_FLOORS.flat();

/** One rule for each room: it may not reach rooms on its own or higher floors, nor what is `also` closed to it. */
function roomsOf(floors, path, also = () => []) {
  return floors.flatMap((rooms, floor) =>
    rooms.map((room) => {
      const others = floors
        .slice(floor)
        .flat()
        .filter((other) => other !== room);
      return {
        files: [`src/${path}${room}/**/*.{ts,tsx}`],
        rules: forbid([...others, ...also(floor)], `${path}${room} imports from lower floors only`),
      };
    }),
  );
}

const packageFloor = CORE_FLOORS.findIndex((rooms) => rooms.includes('package'));
/** Families are asked inside of their own room only: what they draw is one value. */
const FAMILIES = ['package/family', 'package/families'];
const coreRooms = roomsOf(CORE_FLOORS, 'core/', (floor) => [
  ...upperNames,
  ...(floor > packageFloor ? FAMILIES : []),
]);
const upperRooms = roomsOf(UPPER_FLOORS, '', () => FAMILIES);
const islandRooms = roomsOf(ISLAND_FLOORS, 'islands/', () => [...FAMILIES, 'pages']);

/** What holds for components and hooks, beside the order of hooks. */
const HOOKS = [
  'rules-of-hooks',
  'exhaustive-deps',
  'static-components',
  'use-memo',
  'preserve-manual-memoization',
  'incompatible-library',
  'immutability',
  'globals',
  'refs',
  'set-state-in-effect',
  'error-boundaries',
  'purity',
  'set-state-in-render',
  'unsupported-syntax',
];

/** Usual rules that do not hold here: spreads in lists read alike, signs of control are looked for, texts are cut by letters. */
const AS_IT_IS = [
  'no-control-regex',
  'unicorn/no-useless-spread',
  'unicorn/prefer-string-starts-ends-with',
  'unicorn/no-useless-length-check',
  'unicorn/no-new-array',
  'typescript/unbound-method',
  'typescript/no-misused-spread',
  'typescript/no-base-to-string',
  'typescript/require-array-sort-compare',
  'typescript/no-useless-default-assignment',
  'typescript/no-meaningless-void-operator',
  'typescript/restrict-template-expressions',
  'react/no-did-update-set-state',
  // worker addresses are the bundler's
  'import/default',
];

export default {
  plugins: ['typescript', 'react', 'eslint', 'oxc', 'unicorn', 'import'],
  categories: { correctness: 'error' },
  options: { typeAware: true },
  ignorePatterns: ['dist/', '.astro/', 'node_modules/', 'public/reading/', '**/generated/', '**/*.astro'],
  rules: {
    'typescript/no-floating-promises': 'error',
    'typescript/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
    'typescript/no-explicit-any': 'error',
    'typescript/ban-ts-comment': 'error',
    'typescript/no-empty-object-type': 'error',
    'typescript/no-unsafe-function-type': 'error',
    'typescript/consistent-type-imports': 'error',
    // a field is left out of a copy by naming it
    'no-unused-vars': [
      'error',
      { ignoreRestSiblings: true, varsIgnorePattern: '^_', argsIgnorePattern: '^_' },
    ],
    'prefer-const': 'error',
    'no-var': 'error',
    eqeqeq: 'error',
    'no-console': 'error',
    'import/no-default-export': 'error',
    // what is written so on purpose here
    ...Object.fromEntries(AS_IT_IS.map((rule) => [rule, 'off'])),
  },
  overrides: [
    {
      files: ['src/islands/**/*.tsx', 'src/islands/**/*.ts'],
      rules: Object.fromEntries(HOOKS.map((rule) => [`react/${rule}`, 'error'])),
    },
    { files: ['src/islands/shelf/Grid.tsx'], rules: { 'react/incompatible-library': 'off' } },
    { files: ['src/cli/**', 'tools/**', 'bench/**'], rules: { 'no-console': 'off' } },
    { files: ['*.config.*'], rules: { 'import/no-default-export': 'off' } },
    // the last room that matches a file wins, so each file is in one room only
    ...coreRooms,
    ...upperRooms,
    ...islandRooms,
  ],
};
