import { pinsByLand } from '../footprint/pins';
import type { Footprint, Land } from '../footprint/footprint';
import type { Padstack } from '../padstack/padstack';
import type { CheckContext } from './context';

// What rules look at. A rule whose subject a footprint does not have is neither broken nor held:
// the report lists it apart.

const some = (is: (land: Land) => boolean) => (context: CheckContext) => context.footprint.lands.some(is);
const stack = (is: (stack: Padstack) => boolean) => (context: CheckContext) =>
  context.footprint.padstacks.some(is);
const group = (is: (group: Footprint['groups'][number]) => boolean) => (context: CheckContext) =>
  context.footprint.groups.some(is);

/** Whether a footprint has something that rules look at, by what it is called. */
export const SUBJECTS = {
  lands: some(() => true),
  'several lands': ({ footprint }) => footprint.lands.length > 1,
  'several mask openings': ({ footprint }) => footprint.maskOpenings.length > 1,
  'surface lands': stack(({ hole }) => !hole),
  'soldered lands': stack(({ kind }) => kind !== 'probe'),
  'exposed pads': stack(({ kind }) => kind === 'thermal'),
  spans: group(({ kind }) => kind === 'span'),
  rows: group(({ terminals }) => terminals.kind === 'span' && terminals.pitch !== null),
  'chip ends': group(({ terminals }) => terminals.kind === 'span' && terminals.form === 'rectangular-end'),
  'outward leads': group(({ terminals }) => terminals.kind === 'span' && terminals.body !== null),
  balls: group(({ terminals }) => terminals.kind === 'spot' && terminals.form.endsWith('ball')),
  'leads through holes': group(({ kind }) => kind === 'pin'),
  holes: ({ footprint }) =>
    footprint.bores.length > 0 || footprint.lands.some(({ hole, vias }) => hole !== null || vias.length > 0),
  'several holes': ({ footprint: { lands, bores } }) =>
    bores.length + lands.reduce((sum, { hole, vias }) => sum + (hole ? 1 : 0) + vias.length, 0) > 1,
  pegs: ({ footprint }) => footprint.bores.some(({ peg }) => peg),
  'places with tolerances': ({ footprint: { bores, groups } }) =>
    bores.some(({ peg }) => peg && peg.worst > 0) || groups.some(({ terminals }) => terminals.position),
  'lands with holes': stack(({ hole }) => hole !== null),
  'plated holes': stack(({ hole }) => hole?.plated ?? false),
  'reliefs and clearances': stack(({ relief, clearance }) => relief !== null || clearance !== null),
  vias: stack(({ vias }) => vias.length > 0),
  paste: stack(({ paste }) => paste.length > 0),
  windows: stack(({ windows }) => windows !== null),
  'a recommended pattern': ({ compiled }) => compiled.recommended.size > 0,
  legend: ({ footprint: { legend } }) => legend.lines.length > 0 || legend.pin1 !== null,
  texts: ({ footprint }) => footprint.texts.length > 0,
  'a direction': ({ footprint }) => footprint.package.polarised,
  measurements: ({ compiled }) => (compiled.document.measurements?.length ?? 0) > 0,
  'voltages in holes': ({ footprint }) => {
    const byLand = pinsByLand(footprint.pins);
    return footprint.lands.some(({ id, padstack }) => padstack.hole && byLand.get(id)?.voltage);
  },
  voltages: ({ footprint }) => footprint.pins.some(({ voltage }) => voltage !== null),
  pins: ({ footprint }) => footprint.pins.length > 0,
  courtyard: () => true,
  'keep-outs': ({ footprint }) => footprint.keepOuts.length > 0,
  'a standoff': ({ footprint }) => footprint.body.extent.standoff.max > 0,
  'a surface-mount body': ({ footprint: { body, lands } }) =>
    body.extent.mount !== 'through' && lands.length > 0,
  'terminals on lands': ({ footprint: { body, lands } }) =>
    body.extent.mount !== 'through' && lands.some(({ paste }) => paste.length > 0),
  'a limit of height': ({ footprint: { body }, process }) =>
    body.limits.maxHeight !== null || process.maxHeight > 0,
  'a limit of clearance': ({ footprint: { body } }) => body.limits.minClearance > 0,
  'leads below the board': ({ footprint: { body } }) => body.protrusion !== null,
  'a board edge': ({ footprint }) => footprint.edge !== null,
  'an imported model': ({ footprint: { body } }) => body.imported !== null,
  'an agreed name': ({ compiled: { document } }) => Boolean(document.overrides?.standardName?.trim()),
  dimensions: ({ compiled: { resolved } }) => (resolved?.dimensions.length ?? 0) > 0,
} as const satisfies Readonly<Record<string, (context: CheckContext) => boolean>>;

export type Subject = keyof typeof SUBJECTS;

/** Answers whether a footprint has a subject; each is looked for once. */
export function subjectsOf(context: CheckContext): (subject: Subject) => boolean {
  const known = new Map<Subject, boolean>();
  return (subject) => {
    const has = known.get(subject) ?? SUBJECTS[subject](context);
    known.set(subject, has);
    return has;
  };
}
