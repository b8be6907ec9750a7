import { DEMO_DOCUMENTS, DEMO_MODEL } from '../../demo/documents';
import { demoPatterns, EXPANSION_HEADER } from '../../demo/patterns';
import { demoTrial } from '../../demo/trial';
import type { TapisDocument } from '../../core/document/document';
import { FOR_HAND_ETCHING } from '../../core/library/variant';
import { families, kin, shelf, trials } from '../common/shelf-store';

/** Puts the demo on the Shelf, with the model that one of its parts has. */
export async function addDemo(): Promise<void> {
  try {
    const answer = await fetch(`/demo/${DEMO_MODEL.name}`);
    if (answer.ok) await shelf.models.put(DEMO_MODEL.name, new Uint8Array(await answer.arrayBuffer()), null);
  } finally {
    // without its model the part says that the file is missing
    const patterns = demoPatterns();
    // what stands first on the Shelf came last
    const given = await shelf.add(patterns.map(({ document }) => document));
    const rows = await shelf.add([...DEMO_DOCUMENTS, EXPANSION_HEADER]);
    for (const [i, { against }] of patterns.entries()) {
      const [own, other] = [given[i], rows.find(({ document }) => document.name === against)];
      if (own && other) await shelf.holdAgainst(own.id, other.id);
    }
    await families.addOf(DEMO_DOCUMENTS);
    // the board that they are placed on, and a variant that can stand in the place of one of them
    const idOf = (document: TapisDocument) => rows.find((row) => row.document === document)?.id;
    const trial = demoTrial(
      rows.map(({ document }) => document),
      idOf,
    );
    await trials.add(trial);
    const converter = trial.footprints?.['U4']?.from;
    if (converter) await kin.add(converter, 'U4 tide converter, hand etching', FOR_HAND_ETCHING.edits);
  }
}
