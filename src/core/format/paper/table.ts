import { line, LINE, type Item } from './page';
import { brokenInto } from './type';

/** A column of a table: its head and its width, mm. */
export interface Column {
  readonly head: string;
  readonly width: number;
  readonly align?: 'start' | 'end';
}

export interface Table {
  readonly title: string;
  readonly columns: readonly Column[];
  readonly rows: readonly (readonly string[])[];
  /** A sentence under the title. */
  readonly note?: string;
}

/** Height of the type, its lines, and the room about a row, mm. */
const TYPE = { size: 2.5, head: 2.2, title: 3.4, line: 3.2, room: 0.9 } as const;

/** A piece of a column of text that is not broken: what it draws from its top down, and how high it is. */
export interface Block {
  readonly height: number;
  readonly items: (top: number) => readonly Item[];
  /** It does not stand at the foot of a page: what follows belongs to it. */
  readonly keeps?: true;
}

/** A line or more of text. */
export function paragraph(
  text: string,
  {
    x,
    width,
    size = TYPE.size,
    bold = false,
    gap = 1,
  }: {
    readonly x: number;
    readonly width: number;
    readonly size?: number;
    readonly bold?: boolean;
    readonly gap?: number;
  },
): Block {
  const lines = brokenInto(text, size, width, bold);
  const leading = size * 1.28;
  return {
    height: lines.length * leading + gap,
    items: (top) =>
      lines.map((said, i): Item => ({
        kind: 'text',
        text: said,
        x,
        y: top + i * leading + size * 0.8,
        size,
        ...(bold ? { bold } : {}),
      })),
    ...(bold ? { keeps: true } : {}),
  };
}

/** A table as blocks: its title, its head, and each row; a head comes again on every page. */
export function tableBlocks(
  { title, columns, rows, note }: Table,
  x: number,
): { readonly head: Block; readonly rows: readonly Block[]; readonly title: readonly Block[] } {
  const width = columns.reduce((sum, column) => sum + column.width, 0);
  const left = columns.map((_, i) => x + columns.slice(0, i).reduce((sum, column) => sum + column.width, 0));
  const cell = (text: string, i: number, top: number, size: number, bold = false): Item => {
    const { align = 'start', width: wide } = columns[i] as Column;
    return {
      kind: 'text',
      text,
      x: (left[i] ?? x) + (align === 'end' ? wide - 1.2 : 0),
      y: top + size * 0.8,
      size,
      anchor: align,
      ...(bold ? { bold } : {}),
    };
  };
  const head: Block = {
    height: TYPE.line + TYPE.room,
    items: (top) => [
      ...columns.map(({ head: words }, i) => cell(words, i, top + 0.4, TYPE.head, true)),
      line({ x, y: top + TYPE.line + 0.3 }, { x: x + width, y: top + TYPE.line + 0.3 }, LINE.usual),
    ],
    keeps: true,
  };
  const body = rows.map((row): Block => {
    const lines = columns.map(({ width: wide }, i) => brokenInto(row[i] ?? '', TYPE.size, wide - 1.5));
    const height = Math.max(...lines.map((some) => some.length)) * TYPE.line + TYPE.room;
    return {
      height,
      items: (top) => [
        ...lines.flatMap((some, i) =>
          some.map((text, k) => cell(text, i, top + 0.5 + k * TYPE.line, TYPE.size)),
        ),
        line({ x, y: top + height }, { x: x + width, y: top + height }, LINE.thin, { ink: 0.6 }),
      ],
    };
  });
  return {
    title: [
      paragraph(title, { x, width, size: TYPE.title, bold: true, gap: 0.8 }),
      ...(note ? [{ ...paragraph(note, { x, width }), keeps: true } as const] : []),
    ],
    head,
    rows: body,
  };
}

/** A table that is no wider than its room. */
export function fitted(table: Table, width: number): Table {
  const total = table.columns.reduce((sum, column) => sum + column.width, 0);
  if (total <= width) return table;
  const columns = table.columns.map((column) => ({ ...column, width: (column.width * width) / total }));
  return { ...table, columns };
}

/** Puts blocks below each other, in columns from page to page. */
export class Flow {
  private readonly columns: Item[][] = [[]];
  private top: number;

  /** @param from top and bottom of the room on every page, mm */
  constructor(
    private readonly from: number,
    private readonly to: number,
  ) {
    this.top = from;
  }

  /** Adds blocks that belong together as far as they fit. */
  add(blocks: readonly Block[]): void {
    blocks.forEach((block, i) => {
      // what keeps to what follows goes over with it
      let together = block.height;
      for (let k = i; blocks[k]?.keeps && blocks[k + 1]; k += 1) together += (blocks[k + 1] as Block).height;
      if (this.top + Math.min(together, this.to - this.from) > this.to + 1e-9 && this.top > this.from)
        this.next();
      this.columns.at(-1)?.push(...block.items(this.top));
      this.top += block.height;
    });
  }

  /** @param lead what stands over the table and belongs to it, such as the title of its section */
  table(table: Table, x: number, lead: readonly Block[] = []): void {
    if (table.rows.length === 0) return;
    const { title, head, rows } = tableBlocks(table, x);
    const [first, ...rest] = rows;
    this.add([
      ...lead.map((block): Block => ({ ...block, keeps: true })),
      ...title,
      head,
      ...(first ? [first] : []),
    ]);
    for (const row of rest) {
      if (this.top + row.height > this.to) {
        this.next();
        this.add([head]);
      }
      this.add([row]);
    }
    this.space(4);
  }

  space(height: number): void {
    this.top += height;
  }

  private next(): void {
    this.columns.push([]);
    this.top = this.from;
  }

  /** What stands on each page. */
  get pages(): readonly (readonly Item[])[] {
    return this.columns.filter((items) => items.length > 0);
  }
}
