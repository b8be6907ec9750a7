import { check, type Report } from '../../check/check';
import { nearestOfHeld, nearestWords } from '../../check/nearest';
import { compareFootprints, type Difference } from '../../compare/differences';
import type { Finding } from '../../document/finding';
import { standardNamed } from '../../document/standard-hash';
import { spreadsOf } from '../../best/spreads';
import { jointModel, marginFigures } from '../../joint/model';
import { simulate } from '../../joint/simulate';
import { substituted } from '../../land/derivation';
import { statedFields } from '../../standard/resolve';
import type { Standard } from '../../standard/standard';
import { clauseText } from '../../standard/words';
import type { SolvedGroup } from '../../land/solution';
import { pasteFigures } from '../../padstack/paste-forms';
import { formatFigure, formatMm } from '../../units/length';
import { alternateTables } from './alternates';
import { mattersTables, spreadNotes } from './matters';
import type { Writable } from '../format';
import type { HandOver } from '../paper/frame';
import type { Table } from '../paper/table';
import {
  boreTable,
  dimensionTable,
  keepOutTable,
  landTable,
  measurementTable,
  padstackTable,
  pinTable,
} from '../paper/tables';

// What a review is told: one content, written as a PDF and as a page. Widths of columns are in mm of paper.

export interface Section {
  readonly title: string;
  /** Sentences under the title. */
  readonly words: readonly string[];
  readonly tables: readonly Table[];
}

export interface ReportContent {
  readonly name: string;
  readonly standardName: string;
  readonly verdict: string;
  /** Names and values about the whole. */
  readonly about: readonly (readonly [string, string])[];
  readonly sections: readonly Section[];
}

const VERDICTS = {
  stop: 'Stop: something is wrong that would not work.',
  caution: 'Caution: something has to be looked at.',
  note: 'Holds, with notes.',
  clear: 'Holds.',
} as const;
/** Samples of a joint's simulation: equal seeds give equal reports. */
const PLAN = { samples: 20_000, seed: 7351, distribution: 'normal' } as const;
const SEVERITY = { stop: 'stop', caution: 'caution', note: 'note' } as const;

/** Gathers what is said of a footprint. */
export function reportOf(compiled: Writable, about: HandOver): ReportContent {
  const { document, footprint, process, standard } = compiled;
  const report = check(compiled);
  const section = (title: string, tables: readonly Table[], words: readonly string[] = []): Section[] =>
    tables.some(({ rows }) => rows.length > 0) || words.length > 0
      ? [{ title, words, tables: tables.filter(({ rows }) => rows.length > 0) }]
      : [];
  const { reference = '', value = '' } = document.marks ?? {};
  return {
    name: document.name,
    standardName: footprint.standardName,
    verdict: VERDICTS[report.verdict],
    about: [
      ['reference, value', [reference, value].filter(Boolean).join(', ') || '–'],
      ['level', document.level],
      ['process', process.name],
      ['standard', standardNamed(standard)],
      ['source', document.package.source ?? '–'],
      ['revision', about.revision ?? 'not kept'],
      ['date', about.date ?? '–'],
    ],
    sections: [
      ...section(
        'Findings',
        [findingTable(report.findings)],
        report.findings.length === 0 ? ['Nothing was found.'] : [],
      ),
      ...section('Accepted', [
        {
          title: 'Findings that were accepted, with who said so and why',
          columns: [
            { head: 'finding', width: 40 },
            { head: 'what', width: 76 },
            { head: 'reason', width: 48 },
            { head: 'by', width: 26 },
          ],
          rows: report.waived.map(({ finding, waiver }) => [
            finding.title,
            finding.message,
            waiver.reason,
            waiver.by ?? 'not said',
          ]),
        },
      ]),
      ...section(
        'Against the last approved revision',
        about.previous
          ? [differenceTable(compareFootprints(about.previous, { compiled, report }).differences)]
          : [],
        about.previous ? [] : ['No approved revision was given to hold it against.'],
      ),
      ...section(
        'Joints',
        [jointTable(compiled)],
        [
          'Margins of the copper beyond the terminal, mm. Worst: every tolerance at its worst. RSS: root of the sum of squares about the mean. Below the goal: share of 20 000 simulated joints, in parts per million.',
        ],
      ),
      ...section('Second sources', alternateTables(compiled)),
      ...section('What matters', mattersTables(compiled), spreadNotes(compiled)),
      ...section('Heights and stencil', [heightTable(compiled), stencilTable(compiled)]),
      ...section('Imported model', modelTables(compiled)),
      ...section(
        'Dimensions',
        [dimensionTable(compiled)].map((table) => narrowed(table, 190)),
      ),
      ...section('How every number was computed', footprint.groups.map(derivationTable)),
      ...section(
        'Padstacks and lands',
        [
          padstackTable(compiled),
          landTable(compiled),
          boreTable(compiled),
          keepOutTable(compiled),
          measurementTable(compiled),
          pinTable(compiled),
        ].map((table) => narrowed(table, 190)),
      ),
      ...section('Approval', [
        {
          title: 'Who made, checked and approved it, and when',
          columns: [
            { head: '', width: 30 },
            { head: 'name', width: 60 },
            { head: 'date', width: 30 },
            { head: 'signature', width: 70 },
          ],
          // to be written by hand on paper
          rows: ['made by', 'checked by', 'approved by'].map((role) => [role, '', '', '']),
        },
      ]),
      ...section('What the standard says otherwise', [clauseTable(standard)]),
      ...section('Switched off', [
        {
          title: 'Rules that are switched off, and what they would have said',
          columns: [
            { head: 'rule', width: 60 },
            { head: 'findings', width: 20 },
            { head: 'switched off by', width: 50 },
            { head: 'reason', width: 60 },
          ],
          rows: report.silenced.map(({ title, count, by, reason }) => [title, String(count), by, reason]),
        },
      ]),
      ...section('What was held', [
        {
          title: `${report.held.length} rules had something to look at and found nothing`,
          columns: [
            { head: 'rule', width: 55 },
            { head: 'nearest', width: 20, align: 'end' },
            { head: 'limit', width: 50 },
            { head: 'source', width: 65 },
          ],
          rows: heldRows(compiled, report.held),
        },
      ]),
    ],
  };
}

/** The rules that hold, with what comes nearest to their limits where they measure something. */
function heldRows(compiled: Writable, held: Report['held']): string[][] {
  const nearest = nearestOfHeld(compiled, held);
  return held.map(({ id, title, source }) => {
    const found = nearest.get(id);
    const words = found && nearestWords(found, (mm) => `${formatMm(mm)} mm`);
    return [title, words?.measured ?? '', words?.limit ?? '', source];
  });
}

/** Every clause of a house standard, over what it stands. */
function clauseTable(standard: Standard): Table {
  return {
    title: standardNamed(standard),
    columns: [
      { head: 'what', width: 70 },
      { head: 'wanted', width: 25 },
      { head: 'published', width: 25 },
      { head: 'clause', width: 35 },
      { head: 'reason', width: 35 },
    ],
    rows: statedFields(standard).flatMap((field) => {
      const stated = standard.stated(field.at);
      if (!stated) return [];
      const { clause = '', reason = '', by } = stated;
      const published = field.published === null ? 'not said' : clauseText(field, field.published);
      return [
        [field.title, clauseText(field, stated.value), published, `${by.name} ${clause}`.trim(), reason],
      ];
    }),
  };
}

/** A table as wide as the column that it stands in. */
function narrowed(table: Table, width: number): Table {
  const total = table.columns.reduce((sum, column) => sum + column.width, 0);
  return {
    ...table,
    columns: table.columns.map((column) => ({ ...column, width: (column.width * width) / total })),
  };
}

function findingTable(findings: readonly Finding[]): Table {
  return {
    title: 'Findings, the gravest first',
    columns: [
      { head: '', width: 18 },
      { head: 'rule', width: 38 },
      { head: 'what', width: 92 },
      { head: 'source of the limit', width: 42 },
    ],
    rows: findings.map(({ severity, title, message, source }) => [
      SEVERITY[severity],
      title,
      message,
      source,
    ]),
  };
}

function differenceTable(differences: readonly Difference[]): Table {
  const said = ({ kind }: Difference, value: Difference['from']) =>
    value === null ? 'none' : kind === 'length' ? `${formatMm(Number(value))} mm` : String(value);
  return {
    title: 'What changed since',
    columns: [
      { head: 'what', width: 70 },
      { head: 'was', width: 60 },
      { head: 'is', width: 60 },
    ],
    rows: differences.map((one) => [one.title, said(one, one.from), said(one, one.to)]),
  };
}

const signed = (mm: number): string => formatFigure(mm, 2, 3);

/** The joints of one land of each group and size. */
function jointTable(compiled: Writable): Table {
  const { footprint, process } = compiled;
  const spreads = spreadsOf(compiled);
  const seen = new Set<string>();
  const rows = footprint.lands.flatMap((land): string[][] => {
    const key = `${land.group} ${land.padstack.name} ${land.end !== null}`;
    if (seen.has(key)) return [];
    seen.add(key);
    const model = jointModel(footprint, land, process);
    if (!model) return [];
    const run = simulate(model, PLAN, spreads);
    let step = run.next();
    while (!step.done) step = run.next();
    const simulated = step.value.margins;
    return model.margins.map((margin, i) => {
      const { mean, worst, rms } = marginFigures(model, margin);
      const below = simulated[i]?.belowGoal;
      return [
        land.number === '' ? land.id : land.number,
        margin.end,
        signed(mean),
        signed(worst.min),
        signed(rms.min),
        margin.goal === null ? '–' : signed(margin.goal),
        below === null || below === undefined ? '–' : formatFigure(below * 1e6, 0, 0),
      ];
    });
  });
  return {
    title: 'One land of each kind',
    columns: [
      { head: 'land', width: 26 },
      { head: 'margin', width: 30 },
      { head: 'mean', width: 26, align: 'end' },
      { head: 'worst', width: 26, align: 'end' },
      { head: 'RSS', width: 26, align: 'end' },
      { head: 'goal', width: 26, align: 'end' },
      { head: 'below goal, ppm', width: 30, align: 'end' },
    ],
    rows,
  };
}

function heightTable({ footprint }: Writable): Table {
  const { top, underside, seating, landTop } = footprint.body.heights;
  const row = (name: string, { min, nom, max }: { min: number; nom: number; max: number }) => [
    name,
    formatMm(min),
    formatMm(nom),
    formatMm(max),
  ];
  return {
    title: 'Heights over the laminate, mm',
    columns: [
      { head: '', width: 70 },
      { head: 'least', width: 30, align: 'end' },
      { head: 'nominal', width: 30, align: 'end' },
      { head: 'most', width: 30, align: 'end' },
    ],
    rows: [
      ['copper', '', formatMm(landTop), ''],
      ['seating plane of the terminals', '', formatMm(seating), ''],
      row('underside of the body', underside),
      row('top of the body', top),
    ],
  };
}

function stencilTable({ footprint: { padstacks }, process }: Writable): Table {
  const foil = process.stencilThickness;
  return {
    title: `Paste through a stencil of ${formatMm(foil)} mm (IPC-7525: area ratio 0.66, aspect ratio 1.5)`,
    columns: [
      { head: 'padstack', width: 70 },
      { head: 'openings', width: 26, align: 'end' },
      { head: 'area ratio', width: 30, align: 'end' },
      { head: 'aspect ratio', width: 30, align: 'end' },
      { head: 'volume, mm³', width: 34, align: 'end' },
    ],
    rows: padstacks.flatMap(({ name, paste }) => {
      const [first] = paste;
      if (!first) return [];
      const figures = paste.map(({ figure }) => pasteFigures(figure, foil, 1));
      const least = (of: (one: (typeof figures)[number]) => number) =>
        formatFigure(Math.min(...figures.map(of)), 2, 2);
      return [
        [
          name,
          String(paste.length),
          least(({ areaRatio }) => areaRatio),
          least(({ aspectRatio }) => aspectRatio),
          formatFigure(
            figures.reduce((sum, { volume }) => sum + volume, 0),
            3,
            4,
          ),
        ],
      ];
    }),
  };
}

function modelTables({ footprint: { body, lands } }: Writable): Table[] {
  const { imported } = body;
  if (!imported) return [];
  const fit = imported.seen?.fit;
  return [
    {
      title: imported.seen
        ? `${imported.intent.name}: contacts on their lands`
        : `${imported.intent.name}: the file is not at hand`,
      columns: [
        { head: '', width: 100 },
        { head: 'value', width: 60 },
      ],
      rows: fit
        ? [
            ['contacts matched', `${fit.matches.length} of ${lands.length} lands`],
            ['distance in the plane, root mean square', `${formatFigure(fit.rms * 1000, 0, 0)} µm`],
            ['distance in the plane, largest', `${formatFigure(fit.worst * 1000, 0, 0)} µm`],
            ['lands that nothing touches', String(fit.missing.length)],
            ['contacts that belong to nothing', String(fit.extra.length)],
            ['mirrored', fit.mirrored ? 'yes' : 'no'],
          ]
        : [['contacts', 'could not be matched']],
    },
  ];
}

/** Every step of a group's lands. */
function derivationTable({ terminals, derivation }: SolvedGroup): Table {
  return {
    title: `${terminals.title}, mm`,
    columns: [
      { head: 'symbol', width: 22 },
      { head: 'formula', width: 66 },
      { head: 'with values', width: 62 },
      { head: '', width: 16, align: 'end' },
      { head: 'why', width: 24 },
    ],
    rows: derivation.map((step) => [
      step.symbol,
      step.formula,
      substituted(step, 'mm') === step.formula ? '' : substituted(step, 'mm'),
      formatMm(step.result),
      step.note ?? '',
    ]),
  };
}
