import { over } from '../document/read-fields';
import { narrowOf } from '../geometry/figure';
import type { PadKind } from '../standard/fields';
import { saidAt, type Standard } from '../standard/standard';
import { quantise } from '../units/length';
import { NO_STACK_CHOICES, type StackChoices } from './choices';
import type { StackBase } from './padstack';

/** What a part of a padstack may be left at without a word: fields of choices, all optional. */
type Habit = { readonly [K in keyof StackChoices]?: Partial<StackChoices[K]> | StackChoices[K] };

/**
 * What a house is used to for a kind of land, as choices that stand where nobody chose otherwise.
 * @param chosen margins that the person chose for every land, which go before
 * @returns `null` where the house says nothing about it
 */
export function habitFor(
  kind: PadKind,
  base: StackBase,
  standard: Standard,
  chosen: { readonly mask: boolean; readonly paste: boolean } = { mask: false, paste: false },
): StackChoices | null {
  if (standard.places.length === 0) return null;
  const kinds: readonly PadKind[] = kind === 'fine' ? ['fine', 'surface'] : [kind];
  const said = <T extends number | boolean>(what: string): T | null => {
    for (const one of kinds) {
      const value = saidAt<T>(standard, `pads/${one}/${what}`);
      if (value !== null) return value;
    }
    return null;
  };
  const [mask, paste] = [said<number>('mask-margin'), said<number>('paste-margin')];
  const byMask = said<boolean>('mask-defined');
  const radius = cornerRadius(base, said<number>('corner-share'), said<number>('corner-most'));
  const vias = kind === 'exposed' ? viasOf(standard) : null;
  const habit: Habit = {
    ...(mask === null || chosen.mask ? {} : { mask: { margin: mask } }),
    ...(paste === null || chosen.paste ? {} : { paste: { margin: paste } }),
    ...(byMask ? { definedBy: 'mask' } : {}),
    ...(radius === null ? {} : { shape: 'rounded', radius }),
    ...(vias ? { vias } : {}),
  };
  return Object.keys(habit).length === 0 ? null : over(habit as unknown as StackChoices, NO_STACK_CHOICES);
}

/** Radius of the corners of a land that is a plain rectangle; one whose form says something keeps it. mm */
function cornerRadius({ copper }: StackBase, share: number | null, most: number | null): number | null {
  if (copper.kind !== 'rectangle' || copper.radius || copper.chamfer) return null;
  if (share === null && most === null) return null;
  const radius = Math.min((share ?? 0.5) * narrowOf(copper), most ?? Infinity);
  return radius > 0 ? quantise(radius) : null;
}

function viasOf(standard: Standard): Partial<StackChoices['vias']> | null {
  const on = saidAt<boolean>(standard, 'pads/vias/on');
  const pitch = saidAt<number>(standard, 'pads/vias/pitch');
  const cover = saidAt<string>(standard, 'pads/vias/cover');
  if (on === null && pitch === null && cover === null) return null;
  return {
    ...(on === null ? {} : { on }),
    ...(pitch === null ? {} : { pitch }),
    ...(cover === null || cover === 'open' ? {} : { cover: cover as 'tented' | 'plugged' | 'filled' }),
  };
}
