import type { TapisDocument } from '../../core/document/document';
import type { TakenRow } from '../../core/lists/prepare';
import { tellNote } from '../common/note';
import { groups, shelf } from '../common/shelf-store';
import { counted } from '../common/words';
import type { Brought } from './files';

/** What is put on the Shelf as one act. */
export interface Taking {
  readonly source: string;
  readonly fresh: readonly Pick<TakenRow, 'document' | 'group' | 'tags'>[];
  readonly changed: readonly {
    readonly id: string;
    readonly revision: number;
    readonly document: TapisDocument;
  }[];
  /** Ids of footprints that no row is left of. */
  readonly gone: readonly string[];
  /** Files that documents name. */
  readonly sheets: Brought['sheets'];
}

/** Puts what was taken of a list on the Shelf, told with its one way back. */
export async function takeOntoShelf({ source, fresh, changed, gone, sheets }: Taking): Promise<void> {
  const name = source.replace(/\.[a-z0-9]+$/i, '') || 'List';
  for (const [key, { name: file, bytes }] of sheets)
    if (fresh.some(({ document }) => document.sources?.some((one) => one.key === key)))
      await shelf.sources.put(file, bytes);
  const byGroup = new Map<string, Taking['fresh'][number][]>();
  for (const one of fresh) byGroup.set(one.group, [...(byGroup.get(one.group) ?? []), one]);
  const ids: string[] = [];
  for (const [group, some] of byGroup) {
    const id = await groups.ensure(group === '' ? [name] : [name, group]);
    const added = await shelf.add(
      some.map(({ document }) => document),
      id,
    );
    ids.push(...added.map((one) => one.id));
    for (const [i, { tags }] of some.entries())
      if (tags.length > 0 && added[i]) await shelf.setTags(added[i].id, tags);
  }
  const { before, left } = await shelf.rewrite(changed);
  await shelf.bin(...gone);
  const said = [
    ...(ids.length > 0
      ? [`${counted(ids.length, 'footprint')} of ${source} are on the Shelf, in the group “${name}”`]
      : []),
    ...(before.length > 0 ? [`${counted(before.length, 'footprint')} changed`] : []),
    ...(gone.length > 0 ? [`${counted(gone.length, 'footprint')} in the bin`] : []),
    ...(left.length > 0 ? [`${left.join(', ')} changed meanwhile and stayed`] : []),
  ];
  tellNote({
    words: `${said.join('; ')}.`,
    takeBack: {
      words: before.length + gone.length > 0 ? 'Take it all back' : 'Take them back',
      act: async () => {
        await shelf.bin(...ids);
        await shelf.restore(...gone);
        const { left: stayed } = await shelf.rewrite(before);
        const others = stayed.length > 0 ? ` ${stayed.join(', ')} changed since and stayed.` : '';
        return before.length + gone.length > 0
          ? `All is as before.${others}`
          : `They are in the bin.${others}`;
      },
    },
  });
}
