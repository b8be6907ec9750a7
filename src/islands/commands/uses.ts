import { keepLook, keptLook } from '../common/look';

const KEY = 'tapis-command-uses';

/** How often each command was used in this browser, by its name. */
export function commandUses(): Readonly<Record<string, number>> {
  try {
    return (JSON.parse(keptLook(KEY) ?? '{}') ?? {}) as Record<string, number>;
  } catch {
    return {};
  }
}

export function countUse(name: string): void {
  const uses = commandUses();
  keepLook(KEY, JSON.stringify({ ...uses, [name]: (uses[name] ?? 0) + 1 }));
}
