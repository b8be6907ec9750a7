import { useState } from 'react';
import { LEGEND_STYLES } from '../../../core/footprint/legend-styles';
import { BY_POLARITY, SCHEMES } from '../../../core/footprint/numbering';
import { ORIGINS } from '../../../core/footprint/origin';
import { PIN_1_SHAPES } from '../../../core/footprint/pin1-shapes';
import type { Polarity } from '../../../core/package/drawn';
import { formatLength } from '../../../core/units/length';
import type { Drawable } from '../../../core/footprint/footprint';
import { ChoiceField, FlagField, LengthField, useChoice, WordsField } from '../../fields/choices';
import { TextPlace } from '../../fields/TextPlace';
import { Pick } from '../../common/inputs';
import { useBench } from '../../state/context';
import { later } from '../../common/later';
import { GiveNumbers } from './mark/GiveNumbers';
import { Pins } from './mark/Pins';

const PinTable = later('The pin table', async () => (await import('./mark/PinTable')).PinTable);

/** Legend, pin-1 mark, texts, courtyard, origin and land numbers. */
export function Mark() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  const pinsOpen = useBench((s) => s.pinsOpen);
  if (drawable && pinsOpen) return <PinTable footprint={drawable.footprint} />;
  return (
    <>
      <h1 className="text-[15px] font-semibold">Mark</h1>
      {drawable && (
        <>
          <LegendChoice drawable={drawable} />
          <TextChoice role="reference" usual="above" empty="REF" />
          <TextChoice role="value" usual="below" empty="VALUE" />
          <CourtyardChoice drawable={drawable} />
          <OriginChoice drawable={drawable} />
          <section>
            <h2 className="mt-4 font-semibold">Land numbers</h2>
            <NumberingChoice
              through={drawable.footprint.lands.some(({ hole }) => hole !== null)}
              polarity={drawable.footprint.package.polarity}
            />
            <GiveNumbers footprint={drawable.footprint} />
          </section>
          <Pins footprint={drawable.footprint} />
        </>
      )}
    </>
  );
}

/** Lines and the pin-1 mark. */
function LegendChoice({ drawable: { process, footprint } }: { drawable: Drawable }) {
  const marks = useBench((s) => s.document.marks);
  const unit = useBench((s) => s.unit);
  const show = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const { polarised, legend } = footprint.package;
  return (
    <section className="grid gap-1.5">
      <p className="text-secondary">
        Legend {show(process.legendWidth)} wide, {show(process.legendGap)} clear of openings.
      </p>
      <FlagField name="marks/legend" usual />
      {marks?.legend !== false && (
        <ChoiceField
          name="marks/style"
          usual={legend}
          options={LEGEND_STYLES.map(({ id, title }) => [id, title] as const)}
        />
      )}
      {polarised && <FlagField name="marks/pin1" usual />}
      {polarised && marks?.pin1 !== false && (
        <ChoiceField
          name="marks/pin1Shape"
          usual=""
          options={[
            ['', 'the first that fits inside'],
            ...PIN_1_SHAPES.map(({ id, title }) => [id, title] as const),
          ]}
        />
      )}
    </section>
  );
}

interface TextProps {
  role: 'reference' | 'value';
  usual: 'above' | 'below';
  empty: string;
}

/** What a text says, where it stands and how large it is. */
function TextChoice({ role, usual, empty }: TextProps) {
  const own = useBench((s) => s.document.marks?.texts?.[role]);
  const process = useBench((s) => s.derived.compiled.process);
  const unit = useBench((s) => s.unit);
  const { title } = useChoice(`marks/${role}`);
  const at = `marks/texts/${role}`;
  const [open, setOpen] = useState(own !== undefined);
  return (
    <div className="border-base-300 mt-2 border-t pt-1.5">
      <div className="flex items-center gap-2">
        <button
          type="button"
          className="w-[88px] shrink-0 text-left"
          aria-expanded={open}
          aria-controls={`text-${role}`}
          onClick={() => setOpen(!open)}
        >
          {title} {open ? '▴' : '▾'}
        </button>
        <WordsField name={`marks/${role}`} placeholder={empty} />
      </div>
      <div id={`text-${role}`} hidden={!open} className={open ? 'mt-1.5 grid gap-1.5' : ''}>
        <TextPlace
          at={at}
          isAtPoint={own?.place === 'point'}
          usual={usual}
          usuallyShown
          height={formatLength(process.textHeight, unit)}
          heightBy="by process"
        />
      </div>
    </div>
  );
}

/** Coordinates of something that stands at a point. */
function PointFields({ at }: { at: string }) {
  return (
    <>
      <LengthField name={`${at}/x`} computed="0" />
      <LengthField name={`${at}/y`} computed="0" />
    </>
  );
}

function CourtyardChoice({ drawable: { footprint } }: { drawable: Drawable }) {
  const unit = useBench((s) => s.unit);
  const show = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const { box, excess } = footprint.courtyard;
  return (
    <section className="mt-4 grid gap-1.5">
      <h2 className="font-semibold">Courtyard</h2>
      <p>
        {show(box.maxX - box.minX)} × {show(box.maxY - box.minY)}, excess {show(excess)}
      </p>
      <ChoiceField
        name="marks/courtyard"
        usual="box"
        options={[
          ['box', 'a box'],
          ['contour', 'a contour round lands and body'],
        ]}
      />
      <LengthField name="marks/excess" computed={formatLength(excess, unit)} note="by level" />
    </section>
  );
}

function OriginChoice({ drawable: { footprint } }: { drawable: Drawable }) {
  const own = useBench((s) => s.document.origin);
  const unit = useBench((s) => s.unit);
  const { title } = useChoice('origin/at');
  const { write } = useChoice('origin');
  const show = (mm: number) => formatLength(mm, unit);
  const { x, y } = footprint.origin;
  // pieces are put where their drawing measures from, and need not lie about the middle
  const middle = useBench((s) => s.document.package.family === 'composed')
    ? 'zero of the pieces'
    : 'middle of the terminals';
  return (
    <section className="mt-4 grid gap-1.5">
      <h2 className="font-semibold">Origin</h2>
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">{title}</span>
        <Pick
          value={own?.at ?? 'body'}
          options={ORIGINS.map(({ id, title: name }) => [id, id === 'body' ? middle : name] as const)}
          // another origin has no use for the point of the last
          onChange={(at) => write(at === 'body' ? undefined : { at })}
        />
      </label>
      {own?.at === 'point' && <PointFields at="origin" />}
      {own && (
        <p className="text-secondary text-[12px]">
          {show(x)}, {show(y)} {unit} from the {middle}; files and the pad table are measured from there.
        </p>
      )}
    </section>
  );
}

const CORNERS = [
  ['upper-left', 'upper left'],
  ['lower-left', 'lower left'],
  ['lower-right', 'lower right'],
  ['upper-right', 'upper right'],
] as const;

const POLARITY_WORDS: Readonly<Record<Polarity, string>> = {
  cathode: 'letters: K cathode, A anode',
  plus: 'signs: + and −',
};

const PIN_1_LANDS = [
  ['square', 'square'],
  ['rounded', 'rounded square'],
  ['same', 'as the others'],
] as const;

/** How terminals are numbered, from which corner, where the package lies at zero rotation. */
function NumberingChoice({ through, polarity }: { through: boolean; polarity: Polarity | null }) {
  const byProcess = useBench((s) => s.derived.compiled.process.orientation);
  const typed = useBench((s) => Object.keys(s.document.overrides?.numbers ?? {}).length);
  const edit = useBench((s) => s.edit);
  return (
    <div className="mt-1 grid gap-1.5">
      <ChoiceField
        name="numbering/scheme"
        usual=""
        options={[
          ['', 'as the family counts'],
          ...(polarity ? [[BY_POLARITY, POLARITY_WORDS[polarity]] as const] : []),
          ...SCHEMES.map(({ id, title }) => [id, title] as const),
        ]}
      />
      {polarity && (
        <p className="text-secondary text-[12px]">
          Terminal 1 is the {polarity === 'cathode' ? 'cathode' : 'positive end'}; start at the right to turn
          that round.
        </p>
      )}
      <ChoiceField name="numbering/corner" usual="upper-left" options={CORNERS} />
      <ChoiceField
        name="orientation"
        usual=""
        options={[
          ['', `by the process, ${byProcess}`],
          ['A', 'A: pin 1 upper left'],
          ['B', 'B: a quarter turned, lower left'],
        ]}
      />
      {through && <ChoiceField name="overrides/pin1Land" usual="square" options={PIN_1_LANDS} />}
      {typed > 0 && (
        <button
          type="button"
          className="text-primary mt-1 underline"
          onClick={() => edit([{ at: '/overrides/numbers', value: undefined }])}
        >
          Drop {typed} typed {typed === 1 ? 'number' : 'numbers'}
        </button>
      )}
    </div>
  );
}
