import type { ImportAsked } from '../../src/core/format/import';
import type { Scene } from './scenes';

/** A pattern as somebody else's program writes it. */
export interface Written {
  readonly files: readonly { readonly name: string; readonly text: string }[];
  /** What the files say beside copper; numbers of lands, holes, windows of mask and stencil. */
  readonly says: readonly ('numbers' | 'holes' | 'pegs' | 'mask' | 'paste')[];
  readonly asked?: ImportAsked;
  /** Whether something of it cannot be kept, so that a word is owed. */
  readonly owed?: boolean;
}

/** A way of writing. */
export interface Hand {
  readonly name: string;
  /** Kept from whoever works on the readers. */
  readonly isApart?: boolean;
  /** Scenes that it can write. */
  readonly can?: (scene: Scene) => boolean;
  readonly write: (scene: Scene) => Written;
}

export const fixed = (value: number, digits = 6): string =>
  (value + 0).toFixed(digits).replace(/^-(0\.?0*)$/, '$1');
