import { useMemo } from 'react';
import type { KeepOutIntent } from '../../../../core/document/document';
import { freshId } from '../../../../core/document/edit';
import { FREE_OF, idOfPackageArea, isForPackageArea, KEPT_SIDES } from '../../../../core/footprint/keep-outs';
import { isQuarter } from '../../../../core/geometry/point';
import { sizeOf } from '../../../../core/geometry/figure';
import { drawPackage } from '../../../../core/package/draw';
import { ALL_MAKERS } from '../../../../core/package/makers';
import type { KeepOut } from '../../../../core/package/terminal';
import { formatLength, formatNumber, type DisplayUnit } from '../../../../core/units/length';
import { ChoiceField, LengthField } from '../../../fields/choices';
import { useBench } from '../../../state/context';

const WHAT = Object.entries(FREE_OF);
/** What an area of the package can be changed to beside these. */
const WHAT_OF_PACKAGE = [...WHAT, ['nothing', 'nothing: not kept free'] as const];

const SIDES = Object.entries(KEPT_SIDES);

const NONE: readonly KeepOutIntent[] = [];

/** Areas that the package keeps free, which can be changed, and those of the person. */
export function KeepOuts() {
  const document = useBench((s) => s.document);
  const keepOuts = document.keepOuts ?? NONE;
  const edit = useBench((s) => s.edit);
  const ofPackage = useMemo(() => drawPackage(document, ALL_MAKERS).drawn?.keepOuts ?? [], [document]);
  const own = keepOuts.filter((area) => !isForPackageArea(area));
  const add = () => {
    const area: KeepOutIntent = { id: freshId(keepOuts), x: '0', y: '0', diameter: '1', what: 'copper' };
    edit([{ at: '/keepOuts', value: [...keepOuts, area] }]);
  };
  return (
    <section className="mt-4">
      <h2 className="font-semibold">Keep-outs</h2>
      {ofPackage.map((area, i) => (
        <PackageArea
          key={i}
          area={area}
          id={idOfPackageArea(i)}
          change={keepOuts.find(({ id }) => id === idOfPackageArea(i))}
          onChange={(change) => edit([{ at: '/keepOuts', value: [...keepOuts, change] }])}
        />
      ))}
      {own.map((area, i) => (
        <KeepOutFields
          key={area.id}
          title={`Keep-out ${i + 1}`}
          own={area}
          what={WHAT}
          takeBack="Remove this area"
        />
      ))}
      <button type="button" className="text-primary mt-1 underline" onClick={add}>
        Add an area
      </button>
    </section>
  );
}

interface PackageAreaProps {
  area: KeepOut;
  id: string;
  change: KeepOutIntent | undefined;
  onChange: (change: KeepOutIntent) => void;
}

/** An area of the package: what it is, or the fields that it was changed by. */
function PackageArea({ area, id, change, onChange }: PackageAreaProps) {
  const unit = useBench((s) => s.unit);
  const title = `Of the package: ${area.why || 'an area'}`;
  if (change)
    return (
      <div className="border-base-300 border-t pt-1.5">
        <p>{title}</p>
        <KeepOutFields title={title} own={change} what={WHAT_OF_PACKAGE} takeBack="As the package has it" />
      </div>
    );
  return (
    <div className="border-base-300 border-t py-1.5">
      <p>{title}</p>
      <p className="text-secondary text-[12px]">{wordsOf(area, unit)}</p>
      <button
        type="button"
        className="text-primary underline"
        onClick={() => onChange(asIntent(area, id))}
        aria-label={`Change the area ${title}`}
      >
        Change
      </button>
    </div>
  );
}

function wordsOf({ figure, what = 'components', side = 'component' }: KeepOut, unit: DisplayUnit): string {
  const { width, height } = sizeOf(figure);
  const size =
    figure.kind === 'round'
      ? `⌀ ${formatLength(width, unit)} ${unit}`
      : `${formatLength(width, unit)} × ${formatLength(height, unit)} ${unit}`;
  return `${size}, free of ${FREE_OF[what]}, ${KEPT_SIDES[side]}`;
}

/** An area of the package as the document would say it; one of another shape keeps the package's. */
function asIntent({ figure, at, rotation, what, side }: KeepOut, id: string): KeepOutIntent {
  const mm = (v: number) => `${formatNumber(v)}mm`;
  const { width, height } = sizeOf(figure);
  const size =
    figure.kind === 'round'
      ? { diameter: mm(width) }
      : figure.kind === 'rectangle' && !figure.radius && !figure.chamfer && isQuarter(rotation)
        ? { width: mm(width), height: mm(height) }
        : {};
  return { id, x: mm(at.x), y: mm(at.y), ...size, what: what ?? 'components', side: side ?? 'component' };
}

interface FieldsProps {
  title: string;
  own: KeepOutIntent;
  what: readonly (readonly [string, string])[];
  /** What its last button says. */
  takeBack: string;
}

function KeepOutFields({ title, own, what, takeBack }: FieldsProps) {
  const edit = useBench((s) => s.edit);
  const at = `keepOuts/${own.id}`;
  const side = (key: string, called: string) => (
    <LengthField key={key} name={`${at}/${key}`} label={`${title} ${called}`} />
  );
  return (
    <div className="border-base-300 grid gap-1 border-t py-1.5">
      <ChoiceField name={`${at}/what`} usual="" options={what} />
      <ChoiceField name={`${at}/side`} usual="component" options={SIDES} />
      {side('x', 'x')}
      {side('y', 'y')}
      {side('diameter', 'Diameter')}
      {!own.diameter && (
        <>
          {side('width', 'Width')}
          {side('height', 'Height')}
        </>
      )}
      <button
        type="button"
        className="text-primary justify-self-start underline"
        onClick={() => edit([{ at: `/${at}`, value: undefined }])}
      >
        {takeBack}
      </button>
    </div>
  );
}
