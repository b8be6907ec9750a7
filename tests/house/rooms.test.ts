import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';

// floors need no types, which files that are not there do not have
const eslint = new ESLint({
  overrideConfig: {
    languageOptions: { parserOptions: { projectService: false } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'off',
      '@typescript-eslint/no-misused-promises': 'off',
    },
  },
});

async function complaints(filePath: string, code: string): Promise<string[]> {
  const [result] = await eslint.lintText(code, { filePath });
  return (result?.messages ?? []).map(({ message }) => message);
}

describe('imports point downwards', () => {
  it.each([
    ['src/core/units/x.ts', '../geometry/box'],
    ['src/core/package/families/x.ts', '../../land/solver'],
    ['src/core/land/x.ts', '../footprint/compile'],
    ['src/core/check/rules/x.ts', '../../format/format'],
    ['src/core/check/rules/x.ts', '../../package/family'],
    ['src/islands/shelf/x.ts', '../../core/package/families'],
    ['src/islands/sheet/x.ts', '../state/bench'],
    ['src/islands/ledger/x.ts', '../bench/useSheet'],
    ['src/core/format/x.ts', '../../islands/state/bench'],
    ['src/store/x.ts', '../islands/state/bench'],
    ['src/islands/bench/x.ts', '../../pages/index'],
  ])('%s may not import %s', async (file, target) => {
    const found = await complaints(file, `import type { A } from '${target}';\nexport type B = A;\n`);
    expect(found.join()).toContain('lower floors only');
  });
  it.each([
    ['src/core/check/rules/x.ts', '../../footprint/footprint'],
    ['src/core/footprint/x.ts', '../body/heights'],
    ['src/islands/bench/x.ts', '../../core/footprint/compile'],
    ['src/islands/bench/x.ts', '../../store/shelf'],
    ['src/islands/ledger/x.ts', '../sheet/Balloons'],
    ['src/islands/shelf/x.ts', '../../core/package/catalogue'],
  ])('%s may import %s', async (file, target) => {
    expect(await complaints(file, `import type { A } from '${target}';\nexport type B = A;\n`)).toEqual([]);
  });
});
