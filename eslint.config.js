import reactHooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/**
 * The rooms of the house by floor: a room may import from rooms on lower floors and from itself.
 * Rooms on the same floor do not know each other, except where `also` says so.
 */
const CORE_FLOORS = [
  ['units'],
  ['geometry', 'process'],
  ['document'],
  ['package'],
  ['land', 'padstack', 'body', 'source', 'given'],
  ['footprint'],
  ['joint'],
  ['drawing', 'check'],
  ['compare'],
  ['library', 'opinion', 'trial'],
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
  ['measure', 'prove', 'gallery', 'source', 'intake'],
  ['bench', 'shelf', 'processes', 'sides', 'opinion', 'trials'],
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

export default tseslint.config(
  { ignores: ['dist/', '.astro/', 'node_modules/', 'public/reading/', '**/generated/', '**/*.astro'] },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}', 'tests/**/*.ts', 'bench/**/*.ts', 'tools/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/no-explicit-any': 'error',
      // a field is left out of a copy by naming it
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      '@typescript-eslint/consistent-type-imports': 'error',
      'no-restricted-syntax': [
        'error',
        { selector: 'TSEnumDeclaration', message: 'Use a union of strings.' },
        { selector: 'ExportDefaultDeclaration', message: 'Export by name.' },
      ],
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    files: ['src/islands/**/*.tsx', 'src/islands/**/*.ts'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  { files: ['src/cli/**', 'tools/**', 'bench/**'], rules: { 'no-console': 'off' } },
  // the last room that matches a file wins, so each file is in one room only
  ...coreRooms,
  ...upperRooms,
  ...islandRooms,
);
