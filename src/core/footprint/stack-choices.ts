import type { OpeningIntent, StackIntent, StackIntents } from '../document/document';
import { boxOfPoints } from '../geometry/box';
import type { Contour } from '../geometry/contour';
import { segmentsCross } from '../geometry/distance';
import { area } from '../geometry/polygon';
import { NO_STACK_CHOICES, type OpeningChoice, type StackChoices } from '../padstack/choices';
import { pointerKey, type EntryReader } from './entry-reader';

/** What was chosen about the padstack of each land. */
export interface StacksChosen {
  readonly of: (group: string, position: number) => StackChoices;
}

/** Reads the decisions about padstacks; a land's own go before those of its group. */
export function readStacks({ groups = {}, lands = {} }: StackIntents, reader: EntryReader): StacksChosen {
  const byGroup = new Map(
    Object.entries(groups).map(([id, intent]) => [
      id,
      readStack(intent, `/stacks/groups/${pointerKey(id)}`, reader),
    ]),
  );
  const byLand = new Map<string, StackChoices>();
  return {
    of(group, position) {
      const own = lands[String(position)];
      if (!own) return byGroup.get(group) ?? NO_STACK_CHOICES;
      const key = `${group} ${position}`;
      const known = byLand.get(key);
      if (known) return known;
      const at = `/stacks/lands/${position}`;
      // only what the land says itself is reported here; its group has reported the rest
      readStack(own, at, reader);
      const merged = mergeIntents(Object.hasOwn(groups, group) ? groups[group] : undefined, own);
      const read = readStack(merged, at, reader.quiet());
      byLand.set(key, read);
      return read;
    },
  };
}

/** A land's own decisions over those of its group. */
export function mergeIntents(group: StackIntent | undefined, own: StackIntent): StackIntent {
  const merged: Record<string, unknown> = { ...group };
  for (const [key, value] of Object.entries(own)) {
    const before = merged[key];
    const nested = isRecord(before) && isRecord(value);
    merged[key] = nested ? { ...before, ...value } : value;
  }
  return merged;
}

function isRecord(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

/**
 * Reads one intent.
 * @param at JSON pointer of the intent
 */
export function readStack(intent: StackIntent, at: string, reader: EntryReader): StackChoices {
  const length = (text: string | undefined, key: string, title: string, least?: number) =>
    reader.length(text, `${at}/${key}`, title, 'stack', least);
  const opening = (key: 'mask' | 'maskOther' | 'paste', title: string): OpeningChoice => {
    const { margin, width, height, none = false }: OpeningIntent = intent[key] ?? {};
    return {
      margin: length(margin, `${key}/margin`, `${title} margin`, -5),
      width: length(width, `${key}/width`, `${title} width`, 0.01),
      height: length(height, `${key}/height`, `${title} height`, 0.01),
      none,
    };
  };
  const { hole = {}, other = {}, relief = {}, windows = {}, vias = {} } = intent;
  return {
    shape: intent.shape ?? null,
    width: length(intent.width, 'width', 'Land length', 0.01),
    height: length(intent.height, 'height', 'Land width', 0.01),
    radius: length(intent.radius, 'radius', 'Corner radius', 0),
    chamfer: length(intent.chamfer, 'chamfer', 'Chamfer', 0),
    corners: intent.corners ?? null,
    contour: readContour(intent.contour, `${at}/contour`, reader),
    offset: {
      x: length(intent.offsetX, 'offsetX', 'Offset', -50) ?? 0,
      y: length(intent.offsetY, 'offsetY', 'Offset', -50) ?? 0,
    },
    definedBy: intent.definedBy ?? 'copper',
    mask: opening('mask', 'Mask'),
    maskOther: opening('maskOther', 'Far mask'),
    paste: opening('paste', 'Paste'),
    pasteForm: intent.paste?.form ?? 'as-land',
    hole: {
      diameter: length(hole.diameter, 'hole/diameter', 'Hole', 0.05),
      slot: length(hole.slot, 'hole/slot', 'Slot', 0.05),
      plus: length(hole.plus, 'hole/plus', 'Hole tolerance', 0),
      minus: length(hole.minus, 'hole/minus', 'Hole tolerance', 0),
      plated: hole.plated ?? true,
    },
    other: {
      width: length(other.width, 'other/width', 'Far land length', 0.01),
      height: length(other.height, 'other/height', 'Far land width', 0.01),
    },
    inner: length(intent.inner, 'inner', 'Inner land', 0.01),
    relief: {
      on: relief.on ?? null,
      spokes: relief.spokes ?? null,
      width: length(relief.width, 'relief/width', 'Spoke width', 0.01),
      gap: length(relief.gap, 'relief/gap', 'Relief gap', 0.01),
    },
    clearance: length(intent.clearance, 'clearance', 'Plane clearance', 0),
    windows: {
      columns: windows.columns ?? null,
      rows: windows.rows ?? null,
      coverage: windows.coverage ?? null,
      gap: length(windows.gap, 'windows/gap', 'Bar between windows', 0.05),
      radius: length(windows.radius, 'windows/radius', 'Window radius', 0),
      mask: windows.mask ?? false,
    },
    vias: {
      on: vias.on ?? false,
      pitch: length(vias.pitch, 'vias/pitch', 'Via pitch', 0.1),
      pitchY: length(vias.pitchY, 'vias/pitchY', 'Via pitch upright', 0.1),
      hole: length(vias.hole, 'vias/hole', 'Via hole', 0.05),
      ring: length(vias.ring, 'vias/ring', 'Via ring', 0.02),
      columns: vias.columns ?? null,
      rows: vias.rows ?? null,
      omit: readOmitted(vias.omit, `${at}/vias/omit`, reader),
      cover: vias.cover ?? 'open',
    },
  };
}

function readOmitted(text: string | undefined, at: string, reader: EntryReader): ReadonlySet<string> {
  const names = (text ?? '').split(/[\s,;]+/).filter((name) => name !== '');
  const wrong = names.find((name) => !/^\d{1,2}\.\d{1,2}$/.test(name));
  if (wrong !== undefined) {
    reader.report(
      at,
      'Omitted vias',
      wrong,
      'Name places by row and column from upper left, such as 1.2.',
      'stack',
    );
  }
  return new Set(names.filter((name) => name !== wrong));
}

/** Corners as `x,y` in mm, between blanks. */
function readContour(text: string | undefined, at: string, reader: EntryReader): Contour | null {
  if (text === undefined || text.trim() === '') return null;
  const wrong = (found: string, reason: string) => {
    reader.report(at, 'Contour', found, reason, 'stack');
    return null;
  };
  const corners: { x: number; y: number }[] = [];
  for (const pair of text.trim().split(/[\s;]+/)) {
    const [x = NaN, y = NaN, ...rest] = pair.split(',').map(Number);
    if (!Number.isFinite(x) || !Number.isFinite(y) || rest.length > 0)
      return wrong(pair, 'A corner is written x,y with decimal points, such as -0.5,0.25.');
    corners.push({ x, y });
  }
  if (corners.length < 3) return wrong(text, 'A contour has three corners or more.');
  const edge = (i: number) => [corners[i]!, corners[(i + 1) % corners.length]!] as const;
  for (let i = 0; i < corners.length; i += 1) {
    for (let j = i + 1; j < corners.length; j += 1) {
      if (segmentsCross(...edge(i), ...edge(j)))
        return wrong(text, `Edges ${i + 1} and ${j + 1} cross each other.`);
    }
  }
  const box = boxOfPoints(corners);
  const size = area(corners);
  if (!box || Math.abs(size) < 1e-4) return wrong(text, 'The contour has no area.');
  return size > 0 ? corners : [...corners].reverse();
}
