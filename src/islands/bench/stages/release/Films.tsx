import { memo, useCallback, useEffect, useMemo, useRef, useState, type PointerEvent } from 'react';
import { artworkFiles } from '../../../../core/format/artwork/artwork';
import { readBack, type ReadBack } from '../../../../core/format/artwork/read-back';
import { shownFilms, type ShownFilm, type ShownLayer } from '../../../../core/format/artwork/shown';
import type { Drawable } from '../../../../core/footprint/footprint';
import { atOrigin } from '../../../../core/footprint/origin';
import { boxOfPoints } from '../../../../core/geometry/box';
import type { Point } from '../../../../core/geometry/point';
import { layerThings } from '../../../../core/ruler/layers';
import { formatLength } from '../../../../core/units/length';
import { Tick } from '../../../common/inputs';
import { useSize } from '../../../common/useSize';
import { counted } from '../../../common/words';
import { useLocalRuler } from '../../../ruler/LocalRuler';
import { fit, placer, pointUnder, transformOf, zoomAbout, type Camera } from '../../../sheet/layout';
import { useWheel } from '../../../sheet/useWheel';
import { ZoomButtons } from '../../../sheet/ZoomButtons';
import { useBench } from '../../../state/context';

/** Colours of layers, from below up; what is over another lets it through. */
const COLOURS: Readonly<Record<ShownLayer, string>> = {
  'bottom-copper': 'color-mix(in srgb, var(--copper) 45%, var(--contact))',
  'bottom-mask': 'color-mix(in srgb, var(--mask) 45%, transparent)',
  'bottom-paste': 'color-mix(in srgb, var(--paste) 65%, transparent)',
  'bottom-legend': 'var(--ink)',
  'top-copper': 'var(--copper)',
  'top-mask': 'color-mix(in srgb, var(--mask) 45%, transparent)',
  'top-paste': 'color-mix(in srgb, var(--paste) 65%, transparent)',
  'top-legend': 'var(--ink)',
  plated: 'var(--color-base-100)',
  'non-plated': 'var(--color-base-100)',
  'cut-outs': 'var(--color-base-100)',
  profile: 'var(--ink)',
  courtyard: 'var(--courtyard)',
  assembly: 'var(--body)',
  'bottom-assembly': 'var(--body)',
};
const ORDER = Object.keys(COLOURS);
/** What is drilled or milled has an edge. */
const HOLES: ReadonlySet<ShownLayer> = new Set(['plated', 'non-plated', 'cut-outs']);
/** Layers that are for people and not for the shop, and those of the other side, begin unseen. */
const hiddenFrom = (below: boolean): ReadonlySet<ShownLayer> => {
  const away = below ? 'top' : 'bottom';
  return new Set([
    'courtyard',
    'assembly',
    `${away}-copper`,
    `${away}-mask`,
    `${away}-paste`,
    `${away}-legend`,
  ] as const);
};

interface FilmsProps {
  drawable: Drawable;
  onClose: () => void;
}

/** The films as a shop will see them: the files that are written, read again and drawn. */
export function Films({ drawable, onClose }: FilmsProps) {
  const dialog = useRef<HTMLDialogElement>(null);
  useEffect(() => dialog.current?.showModal(), []);
  const { films, held } = useMemo(() => {
    const footprint = atOrigin(drawable.footprint);
    const files = artworkFiles({ ...drawable, footprint });
    const shown = shownFilms(files).sort((a, b) => ORDER.indexOf(a.layer) - ORDER.indexOf(b.layer));
    return { films: shown, held: readBack([footprint], files) };
  }, [drawable]);
  const [below, setBelow] = useState(drawable.footprint.far);
  const [hidden, setHidden] = useState(() => hiddenFrom(below));
  const seen = useMemo(() => {
    const shown = films.filter(({ layer }) => !hidden.has(layer));
    const isHole = ({ layer }: ShownFilm) => HOLES.has(layer);
    const flat = shown.filter((film) => !isHole(film));
    // a hole is seen from either side
    return [...(below ? flat.reverse() : flat), ...shown.filter(isHole)];
  }, [films, hidden, below]);
  return (
    <dialog ref={dialog} className="modal" aria-label="Films" onClose={onClose}>
      <div className="modal-box border-base-300 flex h-[92vh] max-w-[1180px] flex-col border p-0">
        <div className="border-base-300 flex items-center gap-3 border-b px-4 py-2">
          <h2 className="text-[15px] font-semibold">Films of {drawable.footprint.standardName}</h2>
          <span className="text-secondary text-[12px]">
            drawn from the files that are written, read again
          </span>
          <button type="button" className="btn btn-sm ml-auto" onClick={onClose}>
            Close
          </button>
        </div>
        <div className="flex min-h-0 flex-1">
          <div className="border-base-300 w-[300px] shrink-0 overflow-y-auto border-r p-3" tabIndex={0}>
            <Tick
              checked={below}
              small
              onChange={(on) => {
                setBelow(on);
                setHidden(hiddenFrom(on));
              }}
            >
              Seen from below
            </Tick>
            <ul className="mt-2" aria-label="Films, the uppermost first">
              {[...films].reverse().map((film) => (
                <FilmRow
                  key={film.file}
                  film={film}
                  held={held.find(({ file }) => file.split(', ').includes(film.file))}
                  isSeen={!hidden.has(film.layer)}
                  onSee={(on) => {
                    const next = new Set(hidden);
                    if (on) next.delete(film.layer);
                    else next.add(film.layer);
                    setHidden(next);
                  }}
                />
              ))}
            </ul>
          </div>
          <FilmView films={seen} below={below} />
        </div>
      </div>
    </dialog>
  );
}

interface FilmRowProps {
  film: ShownFilm;
  held: ReadBack | undefined;
  isSeen: boolean;
  onSee: (on: boolean) => void;
}

/** A film with how it stands to the footprint. */
function FilmRow({ film: { layer, title, left }, held, isSeen, onSee }: FilmRowProps) {
  return (
    <li className="border-base-300 border-t py-1.5">
      <span className="flex items-center gap-2">
        <span
          className="border-base-content/40 h-3 w-3 shrink-0 border"
          style={{ background: COLOURS[layer] }}
          aria-hidden="true"
        />
        <Tick checked={isSeen} small onChange={onSee}>
          {title}
        </Tick>
      </span>
      {held && (
        <span className={`block pl-5 text-[12px] ${held.within === null ? 'text-error' : 'text-secondary'}`}>
          {held.within === null
            ? 'Does not show what the footprint has.'
            : `${counted(held.things, THINGS[layer] ?? 'line')}, every edge within ${held.within * 1000} µm of the footprint’s`}
        </span>
      )}
      {left.map((words) => (
        <span key={words} className="text-error block pl-5 text-[12px]">
          {words}
        </span>
      ))}
    </li>
  );
}

/** What is counted on a film. */
const THINGS: Readonly<Partial<Record<ShownLayer, string>>> = {
  // rings of vias are areas too
  'top-copper': 'area',
  'bottom-copper': 'area',
  'top-mask': 'opening',
  'bottom-mask': 'opening',
  'top-paste': 'aperture',
  'bottom-paste': 'aperture',
  plated: 'hole',
  'non-plated': 'hole',
};

/** A plan has no heights. */
const FLAT = { low: 0, high: 0 } as const;

/** The films over one another, to be moved, zoomed and measured. */
function FilmView({ films, below }: { films: readonly ShownFilm[]; below: boolean }) {
  const unit = useBench((s) => s.unit);
  const { ref, width, height } = useSize<HTMLDivElement>();
  const area = useMemo(() => ({ x: 0, y: 0, width, height }), [width, height]);
  const fitted = useMemo(() => {
    const box = boxOfPoints(films.flatMap(({ areas }) => areas.flat()));
    const alone = { plan: area, front: null, side: null, turn: null };
    return fit(box ?? { minX: -1, minY: -1, maxX: 1, maxY: 1 }, FLAT, alone);
  }, [films, area]);
  const [held, hold] = useState<Camera | null>(null);
  const camera = held ?? fitted;
  /** From below left and right are exchanged about the middle of the view. */
  const over = ({ x, y }: Point): Point => ({ x: below ? width - x : x, y });
  const [pointer, setPointer] = useState<Point | null>(null);
  const drag = useRef<{ readonly from: Point; readonly camera: Camera } | null>(null);
  const where = (event: { clientX: number; clientY: number; currentTarget: EventTarget | null }): Point => {
    const rect = (event.currentTarget as Element).getBoundingClientRect();
    return over({ x: event.clientX - rect.left, y: event.clientY - rect.top });
  };
  const wheel = useWheel((event) =>
    hold(zoomAbout(camera, 'plan', area, where(event), Math.exp(-event.deltaY / 500))),
  );
  const ruler = useLocalRuler(
    useCallback(() => layerThings(films), [films]),
    unit,
  );
  const move = (event: PointerEvent) => {
    const at = where(event);
    setPointer(pointUnder('plan', area, camera, FLAT, at));
    const start = drag.current;
    if (!start) return;
    const { scale, x, y } = start.camera;
    hold({ scale, x: x - (at.x - start.from.x) / scale, y: y + (at.y - start.from.y) / scale });
  };
  const place = placer('plan', area, camera, FLAT);
  return (
    <div className="flex min-w-0 flex-1 flex-col">
      <div ref={ref} className="bg-base-200 relative min-h-0 flex-1 overflow-hidden">
        <svg
          ref={wheel}
          width={width}
          height={height}
          className="absolute inset-0 touch-none select-none"
          role="group"
          aria-label="The films over one another; the list beside says what is on them"
          onPointerDown={(event) => {
            drag.current = { from: where(event), camera };
          }}
          onPointerMove={move}
          onPointerUp={() => (drag.current = null)}
          onPointerLeave={() => {
            drag.current = null;
            setPointer(null);
          }}
        >
          <g transform={below ? `translate(${width} 0) scale(-1 1)` : undefined}>
            <g className="drawing" transform={transformOf('plan', area, camera, FLAT)}>
              {films.map((film) => (
                <FilmPath key={film.file} film={film} />
              ))}
            </g>
          </g>
          {ruler.overlay?.({ view: 'plan', area, place: (p) => over(place(p)) })}
        </svg>
        {ruler.panel}
      </div>
      <div className="border-base-300 flex h-7 items-center gap-4 border-t px-3 text-[12px]">
        <span className="min-w-0 flex-1 truncate">
          {pointer && `${formatLength(pointer.x, unit)}, ${formatLength(pointer.y, unit)} ${unit}`}
        </span>
        <ZoomButtons
          camera={camera}
          hold={hold}
          onFit={() => hold(null)}
          ruler={{ on: ruler.isOn, toggle: ruler.toggle }}
        />
      </div>
    </div>
  );
}

/** What a film covers; made once, however it is looked at. */
const FilmPath = memo(function FilmPath({ film: { layer, areas } }: { film: ShownFilm }) {
  const d = areas.map((ring) => `M${ring.map(({ x, y }) => `${x} ${-y}`).join('L')}Z`).join('');
  return (
    <path
      d={d}
      fillRule="evenodd"
      style={{
        fill: COLOURS[layer],
        stroke: HOLES.has(layer) ? 'var(--ink)' : 'none',
      }}
    />
  );
});
