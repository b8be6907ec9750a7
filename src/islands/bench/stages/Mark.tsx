import { LEGEND_STYLES } from '../../../core/footprint/legend-styles';
import { BY_POLARITY, SCHEMES } from '../../../core/footprint/numbering';
import { ORIGINS } from '../../../core/footprint/origin';
import { PIN_1_SHAPES, usualShape } from '../../../core/footprint/pin1-shapes';
import type { Polarity } from '../../../core/package/drawn';
import { formatLength } from '../../../core/units/length';
import { useBench } from '../context';
import type { Drawable } from '../derive';
import { GiveNumbers } from './mark/GiveNumbers';
import { ChoiceField, LengthField } from './stack/fields';

/** Legend, pin-1 mark, texts, courtyard, origin and land numbers. */
export function Mark() {
  const drawable = useBench((s) => s.derived.shown?.drawable);
  return (
    <>
      <h1 className="text-[15px] font-semibold">Mark</h1>
      {drawable && (
        <>
          <LegendChoice drawable={drawable} />
          <TextChoice role="reference" title="Reference" usual="above" empty="REF" />
          <TextChoice role="value" title="Value" usual="below" empty="VALUE" />
          <CourtyardChoice drawable={drawable} />
          <OriginChoice drawable={drawable} />
          <section>
            <h2 className="mt-4 font-semibold">Land numbers</h2>
            <NumberingChoice
              through={drawable.footprint.lands.some(({ hole }) => hole !== null)}
              polarity={drawable.resolved?.family.polarity?.(drawable.resolved.options)}
            />
            <GiveNumbers footprint={drawable.footprint} />
          </section>
        </>
      )}
    </>
  );
}

/** Lines and the pin-1 mark. */
function LegendChoice({ drawable: { process, resolved } }: { drawable: Drawable }) {
  const marks = useBench((s) => s.document.marks);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const show = (mm: number) => `${formatLength(mm, unit)} ${unit}`;
  const family = resolved?.family;
  const polarised = resolved ? resolved.family.polarised(resolved.options) : false;
  const usual = family?.legend ?? 'outline';
  const shape = usualShape(resolved?.family.polarity?.(resolved.options));
  const tick = (key: 'legend' | 'pin1', title: string) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={marks?.[key] !== false}
        onChange={({ target: { checked } }) =>
          edit([{ at: `/marks/${key}`, value: checked ? undefined : false }])
        }
      />
      {title}
    </label>
  );
  return (
    <section className="grid gap-1.5">
      <p className="text-secondary">
        Legend {show(process.legendWidth)} wide, {show(process.legendGap)} clear of openings.
      </p>
      {tick('legend', 'Legend lines')}
      {marks?.legend !== false && (
        <ChoiceField
          at="/marks/style"
          title="Drawn as"
          value={marks?.style ?? usual}
          usual={usual}
          options={LEGEND_STYLES.map(({ id, title }) => [id, title] as const)}
        />
      )}
      {polarised && tick('pin1', 'Pin-1 mark, outside the body')}
      {polarised && marks?.pin1 !== false && (
        <ChoiceField
          at="/marks/pin1Shape"
          title="Mark"
          value={marks?.pin1Shape ?? shape}
          usual={shape}
          options={PIN_1_SHAPES.map(({ id, title }) => [id, title] as const)}
        />
      )}
    </section>
  );
}

const PLACES = [
  ['above', 'above the courtyard'],
  ['below', 'below the courtyard'],
  ['left', 'left of the courtyard'],
  ['right', 'right of the courtyard'],
  ['centre', 'middle of the body'],
  ['point', 'at a point'],
] as const;

interface TextProps {
  role: 'reference' | 'value';
  title: string;
  usual: 'above' | 'below';
  empty: string;
}

/** What a text says, where it stands and how large it is. */
function TextChoice({ role, title, usual, empty }: TextProps) {
  const text = useBench((s) => s.document.marks?.[role] ?? '');
  const own = useBench((s) => s.document.marks?.texts?.[role]);
  const process = useBench((s) => s.derived.compiled.process);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const at = `/marks/texts/${role}`;
  return (
    <details className="border-base-300 mt-2 border-t pt-1.5" open={own !== undefined}>
      <summary className="flex list-none items-center gap-2">
        <span className="w-[88px] shrink-0 cursor-pointer">{title} ▾</span>
        <input
          className="border-base-300 bg-base-100 min-w-0 flex-1 border px-1"
          aria-label={title}
          value={text}
          placeholder={empty}
          maxLength={role === 'reference' ? 20 : 40}
          onChange={({ target: { value } }) =>
            edit([{ at: `/marks/${role}`, value: value || undefined }], `mark ${role}`)
          }
        />
      </summary>
      <div className="mt-1.5 grid gap-1.5">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="checkbox checkbox-sm"
            checked={own?.shown !== false}
            onChange={({ target: { checked } }) =>
              edit([{ at: `${at}/shown`, value: checked ? undefined : false }])
            }
          />
          Printed
        </label>
        <ChoiceField
          at={`${at}/place`}
          title="Place"
          value={own?.place ?? usual}
          usual={usual}
          options={PLACES}
        />
        {own?.place === 'point' && (
          <>
            <LengthField at={`${at}/x`} text={own.x} title="x" computed="0" />
            <LengthField at={`${at}/y`} text={own.y} title="y" computed="0" />
          </>
        )}
        <LengthField
          at={`${at}/height`}
          text={own?.height}
          title="Height"
          computed={formatLength(process.textHeight, unit)}
          note="by process"
        />
        <label className="flex items-center gap-2">
          <span className="w-[88px] shrink-0">Turned</span>
          <select
            className="select select-sm min-w-0 flex-1"
            value={own?.rotation ?? 0}
            onChange={({ target: { value } }) =>
              edit([{ at: `${at}/rotation`, value: Number(value) === 0 ? undefined : Number(value) }])
            }
          >
            {[0, 90, 180, 270].map((angle) => (
              <option key={angle} value={angle}>
                {angle}°
              </option>
            ))}
          </select>
        </label>
      </div>
    </details>
  );
}

function CourtyardChoice({ drawable: { footprint } }: { drawable: Drawable }) {
  const marks = useBench((s) => s.document.marks);
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
        at="/marks/courtyard"
        title="Drawn as"
        value={marks?.courtyard ?? 'box'}
        usual="box"
        options={[
          ['box', 'a box'],
          ['contour', 'a contour round lands and body'],
        ]}
      />
      <LengthField
        at="/marks/excess"
        text={marks?.excess}
        title="Excess"
        computed={formatLength(excess, unit)}
        note="by level"
      />
    </section>
  );
}

function OriginChoice({ drawable: { footprint } }: { drawable: Drawable }) {
  const own = useBench((s) => s.document.origin);
  const unit = useBench((s) => s.unit);
  const edit = useBench((s) => s.edit);
  const show = (mm: number) => formatLength(mm, unit);
  const { x, y } = footprint.origin;
  return (
    <section className="mt-4 grid gap-1.5">
      <h2 className="font-semibold">Origin</h2>
      <label className="flex items-center gap-2">
        <span className="w-[88px] shrink-0">Lies at</span>
        <select
          className="select select-sm min-w-0 flex-1"
          value={own?.at ?? 'body'}
          onChange={({ target: { value } }) =>
            edit([{ at: '/origin', value: value === 'body' ? undefined : { at: value } }])
          }
        >
          {ORIGINS.map(({ id, title }) => (
            <option key={id} value={id}>
              {title}
            </option>
          ))}
        </select>
      </label>
      {own?.at === 'point' && (
        <>
          <LengthField at="/origin/x" text={own.x} title="x" computed="0" />
          <LengthField at="/origin/y" text={own.y} title="y" computed="0" />
        </>
      )}
      {own && (
        <p className="text-secondary text-[12px]">
          {show(x)}, {show(y)} {unit} from the middle of the terminals; files and the pad table are measured
          from there.
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
function NumberingChoice({ through, polarity }: { through: boolean; polarity: Polarity | undefined }) {
  const numbering = useBench((s) => s.document.numbering);
  const orientation = useBench((s) => s.document.orientation);
  const byProcess = useBench((s) => s.derived.compiled.process.orientation);
  const typed = useBench((s) => Object.keys(s.document.overrides?.numbers ?? {}).length);
  const pin1Land = useBench((s) => s.document.overrides?.pin1Land ?? 'square');
  const edit = useBench((s) => s.edit);
  return (
    <div className="mt-1 grid gap-1.5">
      <ChoiceField
        at="/numbering/scheme"
        title="Scheme"
        value={numbering?.scheme ?? ''}
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
      <ChoiceField
        at="/numbering/corner"
        title="First at"
        value={numbering?.corner ?? 'upper-left'}
        usual="upper-left"
        options={CORNERS}
      />
      <ChoiceField
        at="/orientation"
        title="Zero rotation"
        value={orientation ?? ''}
        usual=""
        options={[
          ['', `by the process, ${byProcess}`],
          ['A', 'A: pin 1 upper left'],
          ['B', 'B: a quarter turned, lower left'],
        ]}
      />
      {through && (
        <ChoiceField
          at="/overrides/pin1Land"
          title="Land 1"
          value={pin1Land}
          usual="square"
          options={PIN_1_LANDS}
        />
      )}
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
