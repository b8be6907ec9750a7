import type { LibraryOpinion } from '../../opinion/library';
import { LEVELS, logOf } from './sarif';

/** Opinions on the patterns of a library as a SARIF log: a result for each remark, by the file it came from. */
export function writeOpinionSarif(
  all: readonly { readonly path: string; readonly opinion: LibraryOpinion }[],
): string {
  const kinds = [...new Set(all.flatMap(({ opinion }) => opinion.remarks.map(({ kind }) => kind)))].sort();
  const idOf = (kind: string) => `opinion-${kind}`;
  return logOf({
    rules: [...kinds.map((kind) => idOf(kind)), idOf('unmatched')].map((id) => ({ id })),
    paths: [...new Set(all.map(({ path }) => path))],
    mimeType: 'application/octet-stream',
    results: (index) =>
      all.flatMap(({ path, opinion }) => {
        const where = (ruleId: string, level: string, text: string) => ({
          ruleId,
          level,
          message: {
            text: `${opinion.pattern}${opinion.against === null ? '' : ` against ${opinion.against}`}: ${text}`,
          },
          locations: [
            {
              physicalLocation: { artifactLocation: index(path) },
              logicalLocations: [{ name: opinion.pattern, kind: 'element' }],
            },
          ],
        });
        return opinion.against === null
          ? [where(idOf('unmatched'), 'warning', opinion.line)]
          : opinion.remarks.map(({ kind, severity, title, message }) =>
              where(idOf(kind), LEVELS[severity], `${title}. ${message}`),
            );
      }),
  });
}
