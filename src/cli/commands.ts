import { FORMATS } from '../core/format';
import { BOARD_FORMATS } from '../core/format/board';
import { TARGETS } from '../core/format/release/targets';
import type { Outcome } from './outcome';

// Every command with its own options. To add one, write what it does in a file of its own and list it here.

/** An option as it is written, and what it is for. */
type Option = readonly [flags: string, words: string];

/** What was said behind a command's name. */
interface Said {
  readonly files: readonly string[];
  /** By the names of its options, which are those that its function takes. */
  readonly options: never;
  /** Takes what is told before the work is done. */
  readonly print: (text: string) => void;
}

export interface Command {
  readonly name: string;
  readonly summary: string;
  /** What it takes: `FILE…` is one or more, `[FILE]` may be left out. */
  readonly takes: string;
  readonly options: readonly Option[];
  /** What it does, loaded when it is asked for. */
  readonly run: (said: Said) => Promise<Outcome> | Outcome;
}

const ids = (all: readonly { readonly id: string }[]) => all.map(({ id }) => id).join(', ');

const JSON_OUT: Option = ['--json', 'as JSON'];
const FOLDER: Option = ['--out <dir>', 'the folder to write into'];
const ABOUT: readonly Option[] = [
  ['--date <day>', 'the day that is printed, such as 2026-05-04'],
  ['--revision <words>', 'the revision that is printed'],
  ['--paper <size>', 'a4 or letter'],
];
const STANDARD: Option = [
  '--standard <file>',
  'the file of a house standard in place of the documents’ own; “published” for none',
];
const PASSPHRASE: Option = [
  '--passphrase <file>',
  'a file with the passphrase that seals the key; TAPIS_PASSPHRASE where it is missing',
];
const PATTERNS: readonly Option[] = [
  ['--only <name>', 'the patterns whose names hold this'],
  ['--unit <unit>', 'mm, mil or in, where a file does not say it or says another'],
  ['--columns <roles>', 'what the columns of a pad table are, between commas'],
  ['--as <name=role>', 'what a film or a layer is for; may come several times'],
  ['--box <x,y,x,y>', 'the part of films that is taken'],
];

export const COMMANDS: readonly Command[] = [
  {
    name: 'compile',
    summary: 'footprint, derivations and findings as JSON',
    takes: 'FILE',
    options: [STANDARD],
    run: async ({ files: [file = ''], options }) => (await import('./compile')).compileToJson(file, options),
  },
  {
    name: 'check',
    summary: 'findings; exit 1 when one is a stop',
    takes: '[FILE...]',
    options: [
      ['--format <format>', 'words, json, sarif or junit; words where it is missing'],
      [
        '--list <file>',
        'a file with a path a line (- for standard input), as hooks have them; others than JSON are left out',
      ],
      STANDARD,
    ],
    run: async ({ files, options }) => (await import('./check')).checkFiles(files, options),
  },
  {
    name: 'compare',
    summary: 'in what B differs from A; exit 1 when lands, holes or vias do',
    takes: 'A B',
    options: [JSON_OUT, ['--least <mm>', 'the smallest difference that counts'], STANDARD],
    run: async ({ files, options }) => (await import('./compare')).compareFiles(files, options),
  },
  {
    name: 'export',
    summary: 'writes a file; a report tells what changed since the approved one',
    takes: 'FILE',
    options: [
      ['--format <format>', ids(FORMATS)],
      FOLDER,
      ...ABOUT,
      ['--approved <file>', 'the document that was approved last'],
      STANDARD,
    ],
    run: async ({ files: [file = ''], options }) => (await import('./export')).exportFile(file, options),
  },
  {
    name: 'release',
    summary: 'the files of a target in one ZIP, with a manifest',
    takes: 'FILE…',
    options: [
      ['--target <target>', ids(TARGETS)],
      ['--out <zip>', 'the ZIP, such as release.zip'],
      ['--pattern <pattern>', 'how files are called, such as {reference}-{standard}'],
      ...ABOUT,
      STANDARD,
    ],
    run: async ({ files, options }) => (await import('./release')).release(files, options),
  },
  {
    name: 'take',
    summary:
      'reads a datasheet’s table or drawing (txt, tsv, html, pdf, png, jpg) and prints a document; with --pattern the land pattern that a page draws; with --rows a list of parts (csv, xlsx, html, pdf) or a folder of datasheets, and writes one for each row, or finds the footprints of a bill of materials. What is doubtful goes to standard error',
    takes: 'FILE',
    options: [
      ['--family <id>', 'the package family; guessed where it is missing'],
      ['--size <name>', 'the size that is meant, where a table has several'],
      ['--page <number>', 'the page of a PDF'],
      ['--unit <unit>', 'mm, mil or in, where the page does not say it'],
      ['--pattern', 'the land pattern that a PDF draws, as a footprint of its own'],
      ['--measure', 'with --pattern: what no number says is measured off the drawing, and marked'],
      ['--rows', 'each row is a part of its own'],
      ['--columns <heads>', 'what columns of a list hold, such as T=A,a=T,Remark=left'],
      [
        '--out <folder>',
        'where the footprints of a list are written; those that were taken from it before are changed',
      ],
      ['--against <folder>', 'footprints that the lines of a bill of materials are held against'],
      STANDARD,
    ],
    run: async ({ files: [file = ''], options }) => (await import('./take')).take(file, options),
  },
  {
    name: 'import',
    summary:
      'land patterns of other people’s files (IPC-2581, Gerber films with drill files, DXF, pad tables as CSV, or a ZIP of them) as documents; what was not understood goes to standard error',
    takes: 'FILE…',
    options: [FOLDER, ...PATTERNS, STANDARD],
    run: async ({ files, options }) => (await import('./import')).importFiles(files, options),
  },
  {
    name: 'opinion',
    summary:
      'holds a pattern (a document, or a file as import reads it) against the package that it is meant for; exit 1 when it is wrong',
    takes: 'PATTERN',
    options: [
      ['--against <document>', 'the footprint of the package, or a folder of them for a folder of patterns'],
      ['--sarif', 'of a folder: remarks as SARIF'],
      JSON_OUT,
      ['--take <what>', 'computed, theirs or mended: what is written'],
      ['--out <file>', 'where it is written'],
      ['--reason <words>', 'why theirs is taken'],
      ...PATTERNS,
      STANDARD,
    ],
    run: async ({ files: [file = ''], options }) => (await import('./opinion')).opinion(file, options),
  },
  {
    name: 'trial',
    summary: 'a board with placed footprints: findings, exit 1 when one is a stop; or writes it',
    takes: 'FILE',
    options: [JSON_OUT, ['--format <format>', ids(BOARD_FORMATS)], FOLDER, STANDARD],
    run: async ({ files: [file = ''], options }) => (await import('./trial')).trial(file, options),
  },
  {
    name: 'batch',
    summary: 'all documents of a folder, in threads: a line of JSON for each, a summary to standard error',
    takes: '[DIR]',
    options: [
      ['--process <process>', 'a process’s id or its file'],
      ['--level <level>', 'A, B or C; D where the standard has it'],
      STANDARD,
      ['--check', 'with findings'],
      ['--shard <part>', 'a part of the folder alone, such as 3/8, for several machines'],
      ['--join <file>', 'puts together what shards printed; may come several times'],
      ['--format <format>', ids(FORMATS)],
      FOLDER,
    ],
    run: async ({ files: [folder = ''], options, print }) =>
      (await import('./batch')).batch(folder, options, print),
  },
  {
    name: 'best',
    summary:
      'the land whose joints fail least for what it costs, beside the levels and the land as it is, and which tolerance matters; of a folder, which number of the process costs most joints',
    takes: 'FILE',
    options: [
      ['--max-z <mm>', 'the outer distance at most'],
      [
        '--spread <name=kind>',
        'how a tolerance spreads, such as “Placement along=uniform”; may come several times',
      ],
      ['--measured <name=file>', 'measurements of a tolerance, an offset a line; may come several times'],
      ['--take <what>', 'best, as-large, A, B or C: the land that is written'],
      ['--out <file>', 'where it is written'],
      JSON_OUT,
      STANDARD,
    ],
    run: async ({ files: [file = ''], options }) => (await import('./best')).best(file, options),
  },
  {
    name: 'watch',
    summary:
      'compiles, checks and writes the documents of a folder, then each that changes, until it is ended',
    takes: 'DIR',
    options: [
      ['--format <format>', ids(FORMATS)],
      FOLDER,
      ['--once', 'looks once and ends; exit 1 when one is a stop'],
      STANDARD,
    ],
    run: async ({ files: [folder = ''], options, print }) =>
      (await import('./watch')).watch(folder, options, print),
  },
  {
    name: 'describe',
    summary: 'a document in words, one fact a line, for textual differences',
    takes: 'FILE',
    options: [STANDARD],
    run: async ({ files: [file = ''], options }) => (await import('./describe')).describeFile(file, options),
  },
  {
    name: 'review',
    summary:
      'what changed between two folders (or Shelf files, or ZIPs) of documents, as a page and a summary; exit 1 where a stop came',
    takes: 'OLD NEW',
    options: [FOLDER, ['--title <words>', 'what the page is headed with'], STANDARD],
    run: async ({ files, options }) => (await import('./review')).review(files, options),
  },
  {
    name: 'merge',
    summary:
      'joins two documents (or standards) that come from one, by their fields; where they clash both values stand between marks, exit 1',
    takes: 'BASE OURS THEIRS',
    options: [['--out <file>', 'where it is written; standard output where it is missing']],
    run: async ({ files, options }) => (await import('./merge')).merge(files, options),
  },
  {
    name: 'key',
    summary: 'makes a key of one’s own (Ed25519), and prints its public part as the team’s file has it',
    takes: 'NAME',
    options: [['--out <file>', 'the file of the key'], PASSPHRASE],
    run: async ({ files: [name = ''], options }) => (await import('./sign')).makeKeyFile(name, options),
  },
  {
    name: 'sign',
    summary: 'approves documents, or signs releases (ZIP), in place',
    takes: 'FILE…',
    options: [
      ['--key <file>', 'the file of one’s key'],
      ['--note <words>', 'what is said with it'],
      PASSPHRASE,
    ],
    run: async ({ files, options }) => (await import('./sign')).sign(files, options),
  },
  {
    name: 'verify',
    summary:
      'who approved documents, folders of them or releases, when, and whether anything changed since; exit 1 unless all holds',
    takes: 'PATH…',
    options: [['--team <file>', 'the keys that count; without it none is known'], JSON_OUT],
    run: async ({ files, options }) => (await import('./sign')).verify(files, options),
  },
  {
    name: 'standard',
    summary:
      'a house standard in words: what it wants over what is published; exit 1 where a clause cannot be used. With --against in what it differs from another; with --from it is read off the documents of a folder',
    takes: '[FILE]',
    options: [
      ['--against <file>', 'another standard, or “published”'],
      ['--from <dir>', 'a folder of documents; what they have in common is printed as a standard'],
      ['--name <name>', 'what a standard that is read off is called'],
      JSON_OUT,
    ],
    run: async ({ files: [file], options }) => (await import('./standard')).standard(file, options),
  },
  {
    name: 'format',
    summary: 'writes files anew, the same intent as the same text, for version control',
    takes: 'FILE…',
    options: [
      ['--check', 'names those that would change, exit 1, and writes nothing'],
      [
        '--schema <dir>',
        'writes the JSON Schemas into a folder and names them in the files, so that editors complete and explain fields',
      ],
      [
        '--number',
        'gives footprints whose names ask for a running number ({counter}) the next that is free among the files',
      ],
      [
        '--house',
        'moves what the processes of documents want as a house would into standards; no land changes by it',
      ],
    ],
    run: async ({ files, options }) => (await import('./rewrite')).rewriteFiles(files, options),
  },
];
