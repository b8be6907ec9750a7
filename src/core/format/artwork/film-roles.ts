import { fail, ok, type Result } from '../../units/result';
import { layerCalled, layerEnding, type CalledLayer } from '../layer-words';
import { isDrill, readDrill, type DrillFile } from './read-drill';
import { isFilm, readFilm, type Film } from './read-gerber';

// Which film shows what: by its own attribute, by its name, or by choice.

/** What a film shows. */
export const FILM_ROLES = [
  'copper',
  'far-copper',
  'mask',
  'far-mask',
  'paste',
  'far-paste',
  'legend',
  'far-legend',
  'courtyard',
  'body',
  'plated',
  'non-plated',
  'drill',
  'cut-outs',
  'leave',
] as const;
export type FilmRole = (typeof FILM_ROLES)[number];

/** A file with its text. */
export interface TextFile {
  readonly name: string;
  readonly text: string;
}

/** A film or drill file with what it shows. */
export interface SortedFilm {
  readonly name: string;
  readonly role: FilmRole;
  /** What it is taken for it by: `side` where its name says no more than that. */
  readonly by: 'attribute' | 'name' | 'side' | 'choice' | 'nothing';
  readonly film: Film | null;
  /** Of a drill file whose numbers can be read in two ways: both. */
  readonly drills: readonly DrillFile[];
}

/** What films show, by their names, where it is not as they say. */
export interface RolesAsked {
  readonly roles?: Readonly<Record<string, FilmRole>>;
}

/** Reads films and tells what each shows. @returns or which cannot be read, and why */
export function sortFilms(
  files: readonly TextFile[],
  { roles = {} }: RolesAsked = {},
): Result<readonly SortedFilm[], string> {
  const sorted: SortedFilm[] = [];
  for (const { name, text } of files) {
    const own = Object.hasOwn(roles, name) ? roles[name] : undefined;
    if (isDrill(text)) {
      const drill = readDrill(text);
      if (!drill.ok) return fail(`${name}: ${drill.error}`);
      const { plated, uncertain } = drill.value;
      const said = plated === null ? null : plated ? 'plated' : 'non-plated';
      const other = uncertain ? readDrill(text, 'trailing') : null;
      sorted.push({
        name,
        role: own ?? said ?? 'drill',
        by: own ? 'choice' : said ? 'attribute' : 'nothing',
        film: null,
        drills: [drill.value, ...(other?.ok ? [other.value] : [])],
      });
    } else if (isFilm(text)) {
      const film = readFilm(text);
      if (!film.ok) return fail(`${name}: ${film.error}`);
      const said = roleSaid(film.value.attributes.get('.FileFunction'));
      const called = roleCalled(name);
      const side = called ? null : sideCalled(name);
      sorted.push({
        name,
        role: own ?? said ?? called ?? side ?? 'leave',
        by: own ? 'choice' : said ? 'attribute' : called ? 'name' : side ? 'side' : 'nothing',
        film: film.value,
        drills: [],
      });
    } else return fail(`${name} is neither a film (Gerber) nor a drill file (XNC).`);
  }
  return ok(only(bySide(sorted)));
}

/** What says only its side is copper where it is the one film of it that may be. */
function bySide(sorted: readonly SortedFilm[]): readonly SortedFilm[] {
  const count = (role: FilmRole) => sorted.filter((one) => one.role === role && one.film).length;
  return sorted.map((one) => (one.by === 'side' && count(one.role) > 1 ? { ...one, role: 'leave' } : one));
}

/** One film alone that does not say what it shows is taken for copper. */
function only(sorted: readonly SortedFilm[]): readonly SortedFilm[] {
  const films = sorted.filter(({ film }) => film);
  const [first] = films;
  if (films.length !== 1 || first?.by !== 'nothing') return sorted;
  return sorted.map((one) => (one === first ? { ...one, role: 'copper' } : one));
}

/** The layer that a file function names (X2). */
function roleSaid(said: string | undefined): FilmRole | null {
  if (said === undefined) return null;
  const isFar = /,Bot\b/i.test(said);
  if (/^Copper,/i.test(said)) return isFar ? 'far-copper' : /,Top\b/i.test(said) ? 'copper' : 'leave';
  if (/^Soldermask/i.test(said)) return isFar ? 'far-mask' : 'mask';
  if (/^Paste/i.test(said)) return isFar ? 'far-paste' : 'paste';
  if (/^Legend/i.test(said)) return isFar ? 'far-legend' : 'legend';
  if (/courtyard/i.test(said)) return isFar ? 'leave' : 'courtyard';
  if (/^Profile,NP/i.test(said)) return 'cut-outs';
  if (/^AssemblyDrawing/i.test(said)) return isFar ? 'leave' : 'body';
  return 'leave';
}

/** What a film is by its name: the words in it, or its ending. */
function roleCalled(name: string): FilmRole | null {
  const plain = name.replace(/^.*\//, '');
  const said = layerCalled(plain.replace(/\.[a-z0-9]+$/i, ''));
  // “component side” names a side, and no body
  const kind = said.kind === 'body' && said.isNear ? null : said.kind;
  const ending = layerEnding(plain);
  if (ending) return roleOf(ending);
  if (kind !== null) return roleOf({ ...said, kind });
  return said.isInner && !said.isNear ? 'leave' : null;
}

/** What a film may be whose name says its side only. */
function sideCalled(name: string): FilmRole | null {
  const { isNear, isFar } = layerCalled(name.replace(/^.*\//, '').replace(/\.[a-z0-9]+$/i, ''));
  return isNear ? 'copper' : isFar ? 'far-copper' : null;
}

function roleOf({ kind, isFar, isInner }: CalledLayer): FilmRole {
  switch (kind) {
    case 'copper':
      return isInner ? 'leave' : isFar ? 'far-copper' : 'copper';
    case 'mask':
      return isFar ? 'far-mask' : 'mask';
    case 'paste':
      return isFar ? 'far-paste' : 'paste';
    case 'legend':
      return isFar ? 'far-legend' : 'legend';
    case 'courtyard':
      return isFar ? 'leave' : 'courtyard';
    case 'assembly':
    case 'body':
      return isFar ? 'leave' : 'body';
    default:
      return 'leave';
  }
}
