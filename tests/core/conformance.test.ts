import { existsSync, mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import type { TapisDocument } from '../../src/core/document/document';
import { compile } from '../../src/core/footprint/compile';
import type { SolvedGroup } from '../../src/core/land/solution';
import { writeDocument } from '../../src/core/document/write';
import { EXAMPLES } from '../data/families';

// docs/conformance: documents with their lands at three levels, for whoever implements the formulas of the standard.
// TAPIS_CONFORMANCE=write writes them anew; then the difference is looked at.

const FOLDER = 'docs/conformance';
const LEVELS = ['A', 'B', 'C'] as const;

interface Case {
  readonly document: TapisDocument;
  /** Lands of each group, mm; by level. */
  readonly lands: Readonly<Record<string, readonly Readonly<Record<string, number>>[]>>;
}

function landOf(group: SolvedGroup): Readonly<Record<string, number>> {
  if (group.kind === 'span') {
    const { computed, land } = group;
    const exact = Object.fromEntries(
      Object.entries(computed).map(([key, value]) => [`${key}_computed`, Math.round(value * 1e6) / 1e6]),
    );
    return { ...exact, Z: land.Z, G: land.G, X: land.X, Y: land.Y, C: land.C };
  }
  const { figure } = group;
  const size = figure.kind === 'round' ? { D: figure.diameter } : { Y: figure.width, X: figure.height };
  return group.kind === 'pin' ? { H: group.hole, ...size } : { ...size };
}

const landsOf = (document: TapisDocument): Case['lands'] => {
  const { levels } = compile(document);
  return Object.fromEntries(LEVELS.map((level) => [level, (levels?.[level] ?? []).map(landOf)]));
};

if (process.env['TAPIS_CONFORMANCE'] === 'write') {
  mkdirSync(FOLDER, { recursive: true });
  for (const { name, document } of EXAMPLES) {
    const lands = landsOf(document);
    const text = writeDocument(document).trimEnd();
    writeFileSync(
      join(FOLDER, `${name}.json`),
      `{\n"document": ${text},\n"lands": ${JSON.stringify(lands, null, 1)}\n}\n`,
    );
  }
}

describe('the conformance set', () => {
  it('has every family', () => {
    expect(
      existsSync(FOLDER) &&
        readdirSync(FOLDER)
          .filter((name) => name.endsWith('.json'))
          .sort(),
    ).toEqual(EXAMPLES.map(({ name }) => `${name}.json`).sort());
  });
  it.each(readdirSync(FOLDER).filter((name) => name.endsWith('.json')))(
    '%s gives the lands that it says',
    (name) => {
      const { document, lands } = JSON.parse(readFileSync(join(FOLDER, name), 'utf8')) as Case;
      expect(landsOf(document)).toEqual(lands);
      expect(Object.keys(lands)).toEqual([...LEVELS]);
    },
  );
});
