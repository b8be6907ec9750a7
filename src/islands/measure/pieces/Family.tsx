import { useLiveQuery } from 'dexie-react-hooks';
import { useState } from 'react';
import { pointerKey } from '../../../core/document/edit';
import {
  familyId,
  isOwn,
  isSameFamily,
  keepingEdits,
  sizesFrom,
  valuesOf,
  familyOf,
  type OwnFamily,
} from '../../../core/document/own-family';
import { writeFamily } from '../../../core/document/write';
import type { CompositionIntent } from '../../../core/document/pieces';
import { Pick, Tick } from '../../common/inputs';
import { download } from '../../common/download';
import { families } from '../../common/shelf-store';
import { attempt } from '../../common/trouble';
import { EntryInput } from '../../fields/EntryInput';
import { useField } from '../../fields/useEntry';
import { useBench } from '../../state/context';
import { valueAt } from '../../../core/document/edit';

/** A composed package as a family of one's own: what it asks for, what its parts keep, the sizes it comes in. */
export function Family() {
  const intent = useBench((s) => s.document.package);
  return isOwn(intent) ? <OwnFamilyFields family={intent} /> : <KeepAsFamily />;
}

function KeepAsFamily() {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const set = useBench((s) => s.set);
  const isEmpty = useBench((s) => (s.document.package.pieces ?? []).length === 0);
  if (isEmpty) return null;
  const keep = async () => {
    const taken = (await families.list()).map(({ own }) => own.id);
    edit(keepingEdits(document, familyId(document.package.title ?? document.name, taken)));
    set({ piecesOpen: true });
  };
  return (
    <p className="text-secondary mt-3 text-[12px]">
      <button
        type="button"
        className="text-primary hover:underline"
        onClick={() => void attempt('Making a family of it', keep)}
      >
        Make a family of it
      </button>{' '}
      where there are more sizes of this part: it then asks for its dimensions, with limits, conditions and a
      table, and stands in the gallery.
    </p>
  );
}

const OWN = '/package/own';
/** What of a package is its family's. */
const OF_FAMILY = ['title', 'named', 'own', 'first', 'naming', 'pieces'] as const;

function OwnFamilyFields({ family }: { family: OwnFamily }) {
  return (
    <section aria-label="Family of your own" className="mt-3 flex flex-col gap-2 text-[12px]">
      <h2 className="text-[13px] font-semibold">Family of your own</h2>
      <Kept family={family} />
      <Written at={`${OWN}/summary`} title="In a few words" />
      <Written at={`${OWN}/keywords`} title="Found by the words" />
      <Asked family={family} />
      <Conditions family={family} />
      <Sizes family={family} />
    </section>
  );
}

/** Whether the gallery has it so, and what can be done where it has not. */
function Kept({ family }: { family: OwnFamily }) {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const { id } = family.own;
  const kept = useLiveQuery(async () => (await families.get(id))?.document ?? null, [id]);
  if (kept === undefined) return null;
  const same = kept !== null && isSameFamily(kept, family);
  const keep = () => {
    const example = valuesOf(document, family.own.unit ?? 'mm');
    const drawn = { ...family, own: { ...family.own, example } };
    void attempt('Keeping the family', () => families.keep(drawn));
  };
  const take = () => {
    if (!kept) return;
    // what the gallery's does not say is not kept either
    edit(OF_FAMILY.map((field) => ({ at: `/package/${field}`, value: kept[field] })));
  };
  return (
    <div>
      <p className="text-secondary" role="status">
        {kept === null
          ? 'It is not in the gallery yet.'
          : same
            ? 'It stands in the gallery as it is here.'
            : 'It differs from the one in the gallery.'}
      </p>
      <p className="flex flex-wrap gap-x-3">
        {kept === null && <Act title="Put it into the gallery" act={keep} />}
        {kept !== null && !same && <Act title="Keep it so in the gallery" act={keep} />}
        {kept !== null && !same && <Act title="Take the gallery’s" act={take} />}
        {kept !== null && (
          <Act
            title="Take it out of the gallery"
            act={() => void attempt('Taking the family out', () => families.remove(id))}
          />
        )}
        <Act
          title="Export it"
          act={() =>
            download({
              name: `${id}.tapis-family.json`,
              mediaType: 'application/json',
              content: writeFamily(familyOf(family)),
            })
          }
        />
        <Act title="Cut this part loose" act={() => edit([{ at: OWN, value: undefined }])} />
      </p>
    </div>
  );
}

type NamedIntent = NonNullable<CompositionIntent['named']>;

/** What a part of the family is asked for: names, limits, what follows from others, in which order. */
function Asked({ family }: { family: OwnFamily }) {
  const edit = useBench((s) => s.edit);
  const dimensions = useBench((s) => s.derived.compiled.resolved?.dimensions ?? NONE);
  const named: NamedIntent = family.named ?? {};
  const symbols = Object.keys(named);
  const move = (i: number) => {
    const order = [...symbols];
    order.splice(i - 1, 2, ...[order[i], order[i - 1]].filter((one) => one !== undefined));
    edit([{ at: '/package/named', value: Object.fromEntries(order.map((one) => [one, named[one] ?? {}])) }]);
  };
  return (
    <fieldset className="flex min-w-0 flex-col gap-1">
      <legend className="text-secondary">It asks for</legend>
      {symbols.map((symbol, i) => {
        const at = `/package/named/${symbol}`;
        const said = named[symbol] ?? {};
        const kind =
          dimensions.find(({ definition }) => definition.symbol === symbol)?.definition.kind ?? 'length';
        return (
          <div key={symbol} className="border-base-300 border-b pb-1">
            <div className="flex items-baseline gap-1">
              <span className="w-8 font-medium">{symbol}</span>
              <Plain at={`${at}/name`} label={`Name of ${symbol}`} hint="Dimension" className="flex-1" />
              <Pick
                className="w-[84px]"
                label={`Kind of ${symbol}`}
                value={kind}
                options={KINDS}
                onChange={(next) => edit([{ at: `${at}/kind`, value: next }])}
              />
              {i > 0 && <Act title="up" name={`Ask for ${symbol} earlier`} act={() => move(i)} />}
            </div>
            <Plain at={`${at}/help`} label={`Help for ${symbol}`} hint="between what it is measured" />
            <div className="flex items-baseline gap-1">
              <Plain at={`${at}/least`} label={`Least ${symbol}`} hint="least" className="w-14" />
              <Plain at={`${at}/most`} label={`Most ${symbol}`} hint="most" className="w-14" />
              {kind === 'count' && (
                <Plain at={`${at}/only`} label={`Values of ${symbol}`} hint="values" className="w-16" />
              )}
              <Plain
                at={`${at}/derived`}
                label={`Rule for ${symbol}`}
                hint="rule, such as (n-1)*e"
                className="flex-1"
              />
            </div>
            {said.derived && (
              <Tick
                small
                checked={said.unasked ?? false}
                onChange={(unasked) => edit([{ at: `${at}/unasked`, value: unasked || undefined }])}
              >
                not asked for
              </Tick>
            )}
          </div>
        );
      })}
    </fieldset>
  );
}

const NONE: readonly never[] = [];
const KINDS = [
  ['length', 'length'],
  ['count', 'count'],
] as const;

/** The first id with a letter that no item of a list has. */
function fresh(letter: string, items: readonly { readonly id: string }[]): string {
  const taken = new Set(items.map(({ id }) => id));
  for (let i = 1; ; i += 1) if (!taken.has(`${letter}${i}`)) return `${letter}${i}`;
}

function Conditions({ family: { own } }: { family: OwnFamily }) {
  const edit = useBench((s) => s.edit);
  const conditions = own.conditions ?? [];
  const findings = useBench((s) => s.derived.report.findings);
  return (
    <fieldset className="flex min-w-0 flex-col gap-1">
      <legend className="text-secondary">Every part of it keeps</legend>
      {conditions.map(({ id }) => {
        const at = `${OWN}/conditions/${pointerKey(id)}`;
        const wrong = findings.find(({ place }) => place.field === `${at}/holds`);
        return (
          <div key={id}>
            <div className="flex items-baseline gap-1">
              <Plain at={`${at}/holds`} label="Condition" hint="D >= (n-1)*e" className="w-28" required />
              <Plain at={`${at}/why`} label="Its reason" hint="why" className="flex-1" />
              <Act title="remove" act={() => edit([{ at, value: undefined }])} />
            </div>
            {wrong && <p className="text-error">{wrong.message}</p>}
          </div>
        );
      })}
      <p>
        <Act
          title="Add a condition"
          act={() =>
            edit([
              {
                at: `${OWN}/conditions`,
                value: [...conditions, { id: fresh('c', conditions), holds: '' }],
              },
            ])
          }
        />
      </p>
    </fieldset>
  );
}

function Sizes({ family }: { family: OwnFamily }) {
  const document = useBench((s) => s.document);
  const edit = useBench((s) => s.edit);
  const [pasting, setPasting] = useState(false);
  const sizes = family.own.sizes ?? [];
  const put = (next: OwnFamily['own']['sizes']) => edit([{ at: `${OWN}/sizes`, value: next }]);
  return (
    <fieldset className="flex min-w-0 flex-col gap-1">
      <legend className="text-secondary">It comes in</legend>
      {sizes.map(({ id, name, dimensions }) => (
        <div key={id}>
          <div className="flex items-baseline gap-1">
            <Plain at={`${OWN}/sizes/${pointerKey(id)}/name`} label="Size" className="w-24" required />
            <Plain
              at={`${OWN}/sizes/${pointerKey(id)}/source`}
              label={`Source of ${name}`}
              hint="where it is printed"
              className="flex-1"
            />
            <Act title="remove" act={() => put(sizes.filter((size) => size.id !== id))} />
          </div>
          <p className="text-secondary">
            {Object.entries(dimensions)
              .map(([symbol, text]) => `${symbol} ${text}`)
              .join(', ')}
          </p>
        </div>
      ))}
      <p className="flex gap-x-3">
        <Act
          title="Add these dimensions as a size"
          act={() =>
            put([
              ...sizes,
              {
                id: fresh('s', sizes),
                name: document.name.slice(0, 60),
                dimensions: valuesOf(document, family.own.unit ?? 'mm'),
              },
            ])
          }
        />
        <Act title="Paste a table" act={() => setPasting(!pasting)} />
      </p>
      {pasting && (
        <PastedSizes
          symbols={Object.keys(family.named ?? {})}
          onTaken={(found) => {
            put(
              found.reduce<NonNullable<OwnFamily['own']['sizes']>>(
                (all, size) => [...all, { ...size, id: fresh('s', all) }],
                sizes,
              ),
            );
            setPasting(false);
          }}
        />
      )}
    </fieldset>
  );
}

function PastedSizes({
  symbols,
  onTaken,
}: {
  symbols: readonly string[];
  onTaken: (sizes: NonNullable<OwnFamily['own']['sizes']>) => void;
}) {
  const [text, setText] = useState('');
  const read = sizesFrom(text, symbols);
  return (
    <div className="flex flex-col gap-1">
      <textarea
        className="border-base-300 bg-base-100 h-24 w-full border px-1 py-0.5 font-[inherit]"
        aria-label="Table of sizes"
        placeholder={`size  ${symbols.slice(0, 3).join('  ')}\n4 ways  4  …`}
        value={text}
        maxLength={20_000}
        onChange={({ target }) => setText(target.value)}
      />
      {text.trim() !== '' && !read.ok && <p className="text-error">{read.error}</p>}
      {read.ok && (
        <p>
          <Act
            title={`Take ${read.value.length} size${read.value.length === 1 ? '' : 's'}`}
            act={() => onTaken(read.value)}
          />
        </p>
      )}
    </div>
  );
}

function Act({ title, act, name }: { title: string; act: () => void; name?: string }) {
  return (
    <button type="button" className="text-primary hover:underline" aria-label={name} onClick={act}>
      {title}
    </button>
  );
}

interface PlainProps {
  at: string;
  label: string;
  hint?: string;
  className?: string;
  /** It is always there, if empty. */
  required?: boolean;
}

/** A text of the document under its accessible name. */
function Plain({ at, label, hint = '', className = 'w-full', required = false }: PlainProps) {
  const value = useBench((s) => valueAt(s.document, at));
  const edit = useBench((s) => s.edit);
  const field = useField(typeof value === 'string' ? value : '', (next, gesture) =>
    edit([{ at, value: next === '' && !required ? undefined : next }], gesture),
  );
  return (
    <EntryInput
      field={field}
      className={`min-w-0 py-[1px] ${className}`}
      aria-label={label}
      placeholder={hint}
    />
  );
}

function Written({ at, title }: { at: string; title: string }) {
  return (
    <div className="flex items-center gap-2">
      <span className="text-secondary w-24 shrink-0" aria-hidden="true">
        {title}
      </span>
      <Plain at={at} label={title} className="flex-1" />
    </div>
  );
}
