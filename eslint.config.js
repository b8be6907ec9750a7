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
  ['land', 'padstack', 'body'],
  ['footprint'],
  ['joint'],
  ['drawing', 'check'],
  ['format'],
];
const UPPER_FLOORS = [['kernel'], ['workers', 'store', 'cli', 'server', 'demo'], ['islands'], ['pages']];

/** Forbids relative imports of the named folders, however deep they start. */
function forbid(folders, why) {
  const regex = `^(\\.\\./)+(core/)?(${folders.join('|')})(/|$)`;
  return { 'no-restricted-imports': ['error', { patterns: [{ regex, message: why }] }] };
}

const upperNames = UPPER_FLOORS.flat();
const coreRooms = CORE_FLOORS.flatMap((rooms, floor) =>
  rooms.map((room) => {
    const others = CORE_FLOORS.slice(floor)
      .flat()
      .filter((other) => other !== room);
    return {
      files: [`src/core/${room}/**/*.ts`],
      rules: forbid([...others, ...upperNames], `core/${room} imports from lower floors only`),
    };
  }),
);
const upperRooms = UPPER_FLOORS.flatMap((rooms, floor) =>
  rooms.map((room) => {
    const others = UPPER_FLOORS.slice(floor)
      .flat()
      .filter((other) => other !== room);
    return {
      files: [`src/${room}/**/*.{ts,tsx}`],
      ignores: [],
      rules: others.length > 0 ? forbid(others, `${room} imports from lower floors only`) : {},
    };
  }),
);

export default tseslint.config(
  { ignores: ['dist/', '.astro/', 'node_modules/', '**/generated/', '**/*.astro'] },
  ...tseslint.configs.recommended,
  {
    files: ['src/**/*.{ts,tsx}', 'tests/**/*.ts', 'bench/**/*.ts', 'tools/**/*.ts'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
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
);
