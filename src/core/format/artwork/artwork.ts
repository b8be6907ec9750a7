import type { Format, Writable, WrittenFile } from '../format';
import { packed } from '../pack';
import { writeDrill } from './drill';
import { ofFootprint, writeGerber } from './gerber';
import { artworkOf } from './layers';

/** Films and drill files of a footprint at its origin; names begin with the standard name. */
export function artworkFiles({ document, footprint }: Writable): WrittenFile[] {
  const { layers, holes } = artworkOf(footprint);
  const about = ofFootprint(footprint.standardName, document.marks?.reference ?? 'REF');
  const film = (id: string, content: string, extension: string, mediaType: string): WrittenFile => ({
    name: `${footprint.standardName}-${id}${extension}`,
    mediaType,
    content,
  });
  const drills = [
    ['plated', writeDrill(holes, true)],
    ['non-plated', writeDrill(holes, false)],
  ] as const;
  return [
    ...layers.map((layer) =>
      film(layer.id, writeGerber(layer, about, footprint.far), '.gbr', 'application/vnd.gerber'),
    ),
    ...drills.flatMap(([id, content]) =>
      content === null ? [] : [film(id, content, '.xnc', 'application/vnd.gerber')],
    ),
  ];
}

/** All films and drill files of a footprint in one ZIP. */
export const artwork: Format = {
  id: 'artwork',
  title: 'Artwork',
  summary: 'A film for each layer (Gerber X2) and drill files (XNC), in one ZIP.',
  mediaType: 'application/zip',
  extension: '.artwork.zip',
  write: (compiled) => Promise.resolve(packed(artworkFiles(compiled))),
};

/** The films that a stencil is cut from. */
export const stencil: Format = {
  id: 'stencil',
  title: 'Stencil films',
  summary: 'The films of the paste alone (Gerber X2), in one ZIP.',
  mediaType: 'application/zip',
  extension: '.stencil.zip',
  write: (compiled) =>
    Promise.resolve(
      packed(artworkFiles(compiled).filter(({ name }) => /-(top|bottom)-paste\.gbr$/.test(name))),
    ),
};
