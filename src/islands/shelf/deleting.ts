import { kin, shelf } from '../common/shelf-store';
import { tellNote } from '../common/note';
import { attempt } from '../common/trouble';
import { counted } from '../common/words';

/** Puts footprints into the bin, says what rests on them, and how they come back. */
export async function deleteFootprints(
  some: readonly { readonly id: string; readonly name: string }[],
): Promise<void> {
  const [first] = some;
  const what = some.length === 1 && first ? `“${first.name}”` : counted(some.length, 'footprint');
  const ids = some.map(({ id }) => id);
  await attempt(`Deleting ${what}`, async () => {
    const variants = await kin.variantsOf(ids);
    await shelf.bin(...ids);
    const resting =
      variants.length === 0
        ? ''
        : ` ${variants.length === 1 ? 'Its variant' : 'Variants of it'} (${variants
            .slice(0, 3)
            .map(({ name }) => name)
            .join(', ')}${variants.length > 3 ? ` and ${variants.length - 3} more` : ''}) ${
            variants.length === 1 ? 'stays' : 'stay'
          }, to stand alone once the bin is emptied.`;
    tellNote({
      words: `${what} ${some.length === 1 ? 'lies' : 'lie'} in the bin.${resting}`,
      takeBack: {
        words: 'Put back',
        act: async () => {
          await shelf.restore(...ids);
          return `${what} ${some.length === 1 ? 'stands' : 'stand'} on the Shelf again.`;
        },
      },
    });
  });
}
