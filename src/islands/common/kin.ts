import { navigate } from 'wouter/use-browser-location';
import type { VariantPlan } from '../../core/library/variant';
import { kin as kinStore, shelf } from './shelf-store';
import { attempt } from './trouble';

/** Makes a variant of a footprint that is written, and opens it. */
export async function makeVariant(id: string, plan: VariantPlan): Promise<void> {
  await attempt('Making a variant', async () => {
    const { variantName } = await import('../../core/library/variant');
    const stored = await shelf.get(id);
    if (!stored) return;
    const { variants } = await kinStore.of(id);
    const name = variantName(
      stored.document,
      plan,
      variants.map((one) => one.name),
    );
    const variant = await kinStore.add(id, name, plan.edits);
    if (variant) navigate(`/bench/${variant.id}`);
  });
}
