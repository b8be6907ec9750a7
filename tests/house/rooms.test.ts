import { ESLint } from 'eslint';
import { describe, expect, it } from 'vitest';

const eslint = new ESLint();

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
    ['src/core/format/x.ts', '../../islands/bench/state'],
    ['src/store/x.ts', '../islands/bench/state'],
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
  ])('%s may import %s', async (file, target) => {
    expect(await complaints(file, `import type { A } from '${target}';\nexport type B = A;\n`)).toEqual([]);
  });
});
