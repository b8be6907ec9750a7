// Which modules are sent together. Left to itself the bundler makes a file for every set of places that share
// a module, a hundred for the first drawing, and small files compress badly.

const APP = 'src/islands/app/App.tsx';
const SHELF = 'src/islands/shelf/Shelf.tsx';
const BENCH = 'src/islands/bench/Bench.tsx';

/** What a module needs before it can run. */
function neededBy(id, getModuleInfo, found = new Set()) {
  if (found.has(id)) return found;
  found.add(id);
  for (const next of getModuleInfo(id)?.importedIds ?? []) neededBy(next, getModuleInfo, found);
  return found;
}

/** Names the file of each module: what Shelf and Bench have in common, what of the core the Bench draws with, and what other places have too. */
function chunksOf({ getModuleIds, getModuleInfo }) {
  const ids = [...getModuleIds()];
  const [app, shelf, bench] = [APP, SHELF, BENCH].map((path) => {
    const entry = ids.find((id) => id.endsWith(path));
    return entry ? neededBy(entry, getModuleInfo) : new Set();
  });
  const names = new Map();
  for (const id of bench)
    if (app.has(id) || shelf.has(id)) names.set(id, 'common');
    else if (/\/src\/(core|store|kernel|islands)\//.test(id))
      if (id.includes('/src/core/')) names.set(id, 'drawing');
      // what other places have too
      else if (!/\/islands\/(bench|measure)\//.test(id)) names.set(id, 'workplace');
  return names;
}

const known = new WeakMap();

/** Sends modules together; on the server, which has neither place, it changes nothing. */
export function together(id, graph) {
  const names = known.get(graph.getModuleInfo) ?? chunksOf(graph);
  known.set(graph.getModuleInfo, names);
  return names.get(id);
}
