import { describe, expect, it } from 'vitest';
import { foreignFiles, held, HANDS } from '../../../../tools/exchange/held';
import { readIpc2581 } from '../../../../src/core/format/ipc2581/read';
import { SCENES } from '../../../../tools/exchange/scenes';

// Land patterns in some sixty ways of writing, by code that shares nothing with the readers. `npm run exchange` tells
// what came of each.

const read = [...foreignFiles(false), ...foreignFiles(true)].map(({ hand, scene }) => held(hand, scene));
const names = (outcome: string) => read.flatMap((one) => (one.outcome === outcome ? [one.name] : []));

describe('files of foreign hands', () => {
  it('are hundreds, of every kind', () => {
    expect(read.length).toBeGreaterThan(280);
    expect(HANDS.length).toBeGreaterThan(50);
  });

  it('lose nothing without a word', () => {
    expect(read.filter(({ outcome }) => outcome === 'silent')).toEqual([]);
  });

  it('are refused only where what they hold cannot be known', () => {
    // outlines of a solid modeller, sizes that are written as nobody does
    expect(
      names('refused').filter(
        (name) =>
          !/regions of a solid modeller|both sizes in one cell|halves of sizes|cells name what they/.test(
            name,
          ),
      ),
    ).toEqual([]);
  });

  it('are read whole where they say what they show', () => {
    expect(
      names('told').filter(
        (name) =>
          !/regions of a solid modeller|all on layer 0|axes are exchanged|stand in remarks|nobody says|sum below/.test(
            name,
          ),
      ),
    ).toEqual([]);
  });
});

describe('what a table or a drawing does not say plainly', () => {
  const wordsOf = (hand: string, scene: string) => {
    const [way, pattern] = [
      HANDS.find(({ name }) => name.startsWith(hand)),
      SCENES.find(({ name }) => name === scene),
    ];
    return way && pattern ? held(way, pattern).words.join('\n') : '';
  };

  it.each([
    ['table with thousands', 'dual', '“-2,700” and its like are read as thousands'],
    ['table of two corners in mils', 'dual', 'No head says a unit; beside the table it is said to be mil'],
    ['dxf each land drawn twice', 'dual', '8 outlines are drawn twice at one place; they are taken once: at'],
    ['dxf numbers beside the lands', 'turned', 'each was given to the land that it lies nearest to'],
    ['dxf all on layer 0', 'dual', 'the largest outline was taken for the body'],
    ['ipc-2581 in mils', 'grid', '“MILS”, which the standard does not have'],
  ])('%s: it is told how it was read', (hand, scene, words) => {
    expect(wordsOf(hand, scene)).toContain(words);
  });
});

it('holes that are drilled for a part below are told: how it lies is not known by them', () => {
  const hand = HANDS.find(({ name }) => name === 'ipc-2581 in millimetres, revision B');
  const scene = SCENES.find(({ name }) => name === 'turned');
  const [file] = (hand && scene && hand.write(scene).files) ?? [];
  const read = (text = '') => {
    const found = readIpc2581(text, 'part.xml');
    if (!found.ok) throw new Error(found.error);
    return { holes: found.value.patterns[0]?.holes.length, left: found.value.left.join(' ') };
  };
  expect(read(file?.text)).toMatchObject({ holes: 1 });
  const below = read(file?.text.replace('layerRef="CU1" mountType', 'layerRef="CU2" mountType'));
  expect(below.holes).toBe(0);
  expect(below.left).toContain('1 hole of the board stands beside its padstacks');
});
