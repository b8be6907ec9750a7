/** The kinds of entities that are solids with a boundary. */
const SOLIDS = new Set(['MANIFOLD_SOLID_BREP', 'BREP_WITH_VOIDS', 'FACETED_BREP']);

/**
 * How many solids a STEP file declares, each counted as often as assemblies put it: what a reader
 * must come to. Where the file has no product structure, the solids that are written.
 * @returns `null` where it declares none
 */
export function declaredSolids(text: string): number | null {
  const entities = new Map<string, { readonly type: string; readonly refs: readonly string[] }>();
  // strings may hold anything, also what reads like an entity
  const bare = text.replace(/'(?:[^']|'')*'/g, "''").replace(/\/\*[\s\S]*?\*\//g, '');
  for (const [, id, body] of bare.matchAll(/#(\d+)\s*=\s*([^;]*);/g)) {
    const type = (body as string).match(/[A-Z_][A-Z0-9_]*/)?.[0] ?? '';
    entities.set(id as string, {
      type: (body as string).trimStart().startsWith('(') ? (body as string) : type,
      refs: [...(body as string).matchAll(/#(\d+)/g)].map(([, ref]) => ref as string),
    });
  }
  const of = (type: string) => [...entities].filter(([, entity]) => entity.type === type);
  const written = [...entities.values()].filter(({ type }) => SOLIDS.has(type)).length;
  if (written === 0) return null;

  // solids of a representation, and of those that are the same shape by another name
  const alike = new Map<string, string[]>();
  for (const [, { type, refs }] of entities) {
    const plain = type === 'SHAPE_REPRESENTATION_RELATIONSHIP';
    const [a, b] = refs;
    if (!plain || !a || !b) continue;
    alike.set(a, [...(alike.get(a) ?? []), b]);
    alike.set(b, [...(alike.get(b) ?? []), a]);
  }
  const solidsIn = (representation: string, seen: Set<string>): number => {
    if (seen.has(representation)) return 0;
    seen.add(representation);
    const own = entities.get(representation)?.refs ?? [];
    const count = own.filter((ref) => SOLIDS.has(entities.get(ref)?.type ?? '')).length;
    return (alike.get(representation) ?? []).reduce((sum, other) => sum + solidsIn(other, seen), count);
  };
  // products by their definition: their own solids, and the products that they put
  const solids = new Map<string, number>();
  for (const [, { refs }] of of('SHAPE_DEFINITION_REPRESENTATION')) {
    const [shape, representation] = refs;
    const definition = entities.get(shape ?? '')?.refs[0];
    if (definition && representation)
      solids.set(definition, (solids.get(definition) ?? 0) + solidsIn(representation, new Set()));
  }
  const puts = new Map<string, string[]>();
  const put = new Set<string>();
  for (const [, { refs }] of of('NEXT_ASSEMBLY_USAGE_OCCURRENCE')) {
    const [whole, part] = refs;
    if (!whole || !part) continue;
    puts.set(whole, [...(puts.get(whole) ?? []), part]);
    put.add(part);
  }
  const countIn = (definition: string, depth: number): number =>
    depth > 50
      ? 0
      : (puts.get(definition) ?? []).reduce(
          (sum, part) => sum + countIn(part, depth + 1),
          solids.get(definition) ?? 0,
        );
  const total = [...solids.keys()]
    .filter((definition) => !put.has(definition))
    .reduce((sum, definition) => sum + countIn(definition, 0), 0);
  return total > 0 ? total : written;
}
