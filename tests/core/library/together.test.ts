import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import {
  fileName,
  folderOf,
  together,
  type Here,
  type Joined,
  type Link,
  type There,
} from '../../../src/core/library/together';

// documents of a few fields, so that many random pairs meet; the real join of documents has its own laws
type Doc = Readonly<Record<string, number>>;
const write = (doc: Doc): string => JSON.stringify(Object.fromEntries(Object.entries(doc).sort()));
const join = (_: string, base: string, ours: string, theirs: string): Joined => {
  const [b, o, t] = [base, ours, theirs].map((text) => JSON.parse(text) as Doc) as [Doc, Doc, Doc];
  const out: Record<string, number> = {};
  const clashes = [];
  for (const key of new Set([...Object.keys(b), ...Object.keys(o), ...Object.keys(t)])) {
    if (o[key] !== b[key] && t[key] !== b[key] && o[key] !== t[key])
      clashes.push({ place: key, base: String(b[key]), here: String(o[key]), there: String(t[key]) });
    const value = o[key] === b[key] ? t[key] : o[key];
    if (value !== undefined) out[key] = value;
  }
  return clashes.length > 0 ? { clashes } : { text: write(out) };
};

interface World {
  links: Map<string, Link>;
  here: Map<string, Here>;
  files: Map<string, string>;
}

const thing = (key: string, text: string, folder = ''): Here => ({
  key,
  kind: 'footprint',
  name: key,
  folder,
  text,
  fixed: null,
});

/** Does what a plan says, as a browser and a folder would. */
function carriedOut(world: World): { asked: number; doubt: string | null; steps: number } {
  const there = [...world.files].map(([path, text]): There => ({
    path,
    read: { kind: 'footprint', name: path, text },
  }));
  const { steps, doubt } = together([...world.links.values()], [...world.here.values()], there, join);
  let asked = 0;
  for (const step of steps) {
    const own = 'link' in step ? world.here.get(step.link.key) : undefined;
    const keep = (link: Link) => {
      world.links.set(link.key, link);
      world.here.set(link.key, {
        ...(own ?? thing(link.key, link.text)),
        text: link.text,
        folder: link.folder,
      });
    };
    switch (step.do) {
      case 'settle':
        keep(step.link);
        break;
      case 'write':
        expect(world.files.get(step.link.path) ?? '').toBe(step.was);
        world.files.set(step.link.path, step.link.text);
        keep(step.link);
        break;
      case 'take':
        expect(own?.text ?? '').toBe(step.was);
        keep(step.link);
        break;
      case 'add': {
        const key = `new:${step.path}`;
        const link = { key, path: step.path, text: step.text, folder: folderOf(step.path) };
        world.here.set(key, thing(key, step.text, link.folder));
        world.links.set(key, link);
        break;
      }
      case 'join':
        expect([own?.text, world.files.get(step.link.path)]).toEqual([step.was.here, step.was.there]);
        world.files.set(step.link.path, step.link.text);
        keep(step.link);
        break;
      case 'move':
        world.files.set(step.link.path, world.files.get(step.from) ?? '');
        world.files.delete(step.from);
        world.links.set(step.link.key, { ...step.link, text: world.links.get(step.link.key)?.text ?? '' });
        break;
      case 'bin':
        world.here.delete(step.key);
        world.links.delete(step.key);
        break;
      case 'remove':
        expect(world.files.get(step.path)).toBe(step.was);
        world.files.delete(step.path);
        world.links.delete(step.key);
        break;
      case 'ask':
        asked += 1;
        break;
      case 'tell':
        throw new Error(step.words);
    }
  }
  return { asked, doubt, steps: steps.length };
}

const doc = fc.dictionary(fc.constantFrom('a', 'b', 'c', 'd'), fc.integer({ min: 0, max: 3 }), {
  maxKeys: 4,
});
const side = fc.record({
  what: fc.constantFrom('nothing', 'edit', 'edit', 'edit', 'delete', 'move'),
  to: doc,
  folder: fc.constantFrom('', 'x', 'y/z'),
});

describe('a library in two places', () => {
  const first = (docs: readonly Doc[]): World => {
    const world: World = {
      links: new Map(),
      here: new Map(docs.map((one, i) => [`k${i}`, thing(`k${i}`, write({ ...one, id: i }))])),
      files: new Map(),
    };
    carriedOut(world);
    return world;
  };
  it('comes together whatever was done on both sides, loses no edit, and is at rest then', () => {
    let joined = 0;
    fc.assert(
      fc.property(
        fc.array(fc.record({ base: doc, here: side, there: side }), { minLength: 1, maxLength: 4 }),
        (all) => {
          const world = first(all.map(({ base }) => base));
          const edits: [id: number, text: string][] = [];
          all.forEach(({ here, there }, i) => {
            const key = `k${i}`;
            const own = world.here.get(key) as Here;
            const path = world.links.get(key)?.path ?? '';
            if (here.what === 'edit') world.here.set(key, { ...own, text: write({ ...here.to, id: i }) });
            if (here.what === 'move') world.here.set(key, { ...own, folder: here.folder });
            if (here.what === 'delete') world.here.delete(key);
            if (there.what === 'edit') world.files.set(path, write({ ...there.to, id: i }));
            if (there.what === 'delete') world.files.delete(path);
            if (there.what === 'move') {
              const text = world.files.get(path) ?? '';
              world.files.delete(path);
              world.files.set(`${there.folder === '' ? '' : `${there.folder}/`}m${i}.json`, text);
            }
            for (const one of [here, there])
              if (one.what === 'edit') edits.push([i, write({ ...one.to, id: i })]);
          });
          const before = new Map(world.links);
          const { asked, doubt } = carriedOut(world);
          expect(doubt).toBeNull();
          const again = carriedOut(world);
          expect(again.steps).toBe(again.asked);
          expect(again.asked).toBe(asked);
          // both hold the same, but where somebody is asked; there both stand as they were
          const texts = [...world.here.values()].map(({ text }) => text).sort();
          if (asked === 0) expect([...world.files.values()].sort()).toEqual(texts);
          const everything = [...texts, ...world.files.values()].map((text) => JSON.parse(text) as Doc);
          for (const [id, text] of edits) {
            const edit = JSON.parse(text) as Doc;
            const base = JSON.parse(before.get(`k${id}`)?.text ?? '{}') as Doc;
            const kept = everything.filter((one) => one['id'] === id);
            // each changed field of each edit stands somewhere
            for (const key of new Set([...Object.keys(edit), ...Object.keys(base)]))
              if (edit[key] !== base[key]) expect(kept.some((one) => one[key] === edit[key])).toBe(true);
          }
          joined += edits.length;
        },
      ),
      { numRuns: 1500 },
    );
    expect(joined).toBeGreaterThan(500);
  });
  it('asks where both changed the same, and leaves both as they are', () => {
    const world = first([{ a: 1 }]);
    const [[key, own]] = [...world.here] as [[string, Here]];
    const [path] = [...world.files.keys()] as [string];
    world.here.set(key, { ...own, text: write({ a: 2, id: 0 }) });
    world.files.set(path, write({ a: 3, id: 0 }));
    const there: There[] = [
      { path, read: { kind: 'footprint', name: 'k0', text: world.files.get(path) ?? '' } },
    ];
    const { steps } = together([...world.links.values()], [...world.here.values()], there, join);
    expect(steps).toEqual([
      { do: 'ask', key, path, clashes: [{ place: 'a', base: '1', here: '2', there: '3' }] },
    ]);
  });
  it('takes a folder that lost most of its files for another folder, and bins nothing', () => {
    const world = first(Array.from({ length: 9 }, (_, i) => ({ a: i })));
    world.files = new Map([...world.files].slice(0, 3));
    const { doubt, steps } = carriedOut(world);
    expect(doubt).toBe('6 of 9 files are gone from the folder. Is it the right folder, and whole?');
    expect(steps).toBe(0);
    expect(world.here.size).toBe(9);
  });
  it('leaves what cannot be read, and what is approved, as they are', () => {
    const [text, other] = [write({ a: 1 }), write({ a: 2 })];
    const link = { key: 'k', path: 'k.json', text, folder: '' };
    const half: There = { path: 'k.json', read: { problem: 'It is not JSON.' } };
    for (const own of [thing('k', text), thing('k', other)])
      expect(together([link], [own], [half], join).steps).toEqual([
        { do: 'tell', path: 'k.json', words: 'It is not JSON.' },
      ]);
    const approved = { ...thing('k', text), fixed: 'revision 2 is approved' };
    const changed: There = { path: 'k.json', read: { kind: 'footprint', name: 'k', text: other } };
    expect(together([link], [approved], [changed], join).steps).toMatchObject([{ do: 'tell' }]);
    expect(together([link], [approved], [], join).steps).toMatchObject([{ do: 'write', was: '' }]);
  });
  it('names files so that every system can have them, each once', () => {
    expect(['J3 / left', 'con', '..', 'a\u0000b', '電', ' x. '].map(fileName)).toEqual([
      'J3 - left',
      'con_',
      '_',
      'a-b',
      '電',
      'x',
    ]);
    const { steps } = together([], [thing('U1', '1'), { ...thing('u1', '2') }], [], join);
    expect(steps.map((step) => 'link' in step && step.link.path)).toEqual(['U1.json', 'u1 2.json']);
  });
});
