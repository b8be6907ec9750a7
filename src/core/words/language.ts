/** How a value is given, as words beside a number or over a column say it. */
export type Limit = 'min' | 'nom' | 'typical' | 'max' | 'reference' | 'exact' | 'tolerance';

/** What a column of a table of dimensions holds, as its head says. */
export type HeadRole = 'letter' | 'name' | 'remark' | 'unit' | 'value';

/** What a table may call a dimension, whatever the package. */
export type Measure =
  | 'span'
  | 'spanUpright'
  | 'bodyWidth'
  | 'acrossOnly'
  | 'bodyLength'
  | 'uprightOnly'
  | 'length'
  | 'width'
  | 'height'
  | 'standoff'
  | 'pitch'
  | 'rowDistance'
  | 'terminalWidth'
  | 'ballDiameter'
  | 'leadThickness'
  | 'footLength'
  | 'leadLength'
  | 'padAcross'
  | 'padUpright'
  | 'count'
  | 'countUpright'
  | 'diameter'
  | 'base'
  | 'tail'
  | 'contactDistance'
  | 'tabSize'
  | 'tabBeyond'
  | 'thickness'
  | 'notchRadius'
  | 'matingLength'
  | 'rowPitch'
  | 'columns'
  | 'rows'
  /** What tables list and no land or body of ours needs: angles, flatness, weight. */
  | 'notNeeded';

/**
 * The words that datasheets in one language print round their dimensions: in lower case, without a full stop
 * at their end. Only words that are printed so are listed; what is not known is flagged, never guessed.
 */
export interface Language {
  /** ISO 639-1, with its script where there are two. */
  readonly id: string;
  readonly limits: Readonly<Partial<Record<Limit, readonly string[]>>>;
  /** Words of a range: “from … to”. */
  readonly range: { readonly from: readonly string[]; readonly to: readonly string[] };
  readonly units: Readonly<Partial<Record<'mm' | 'in' | 'mil', readonly string[]>>>;
  /** “Note 3”: what refers to a remark elsewhere on the page. */
  readonly note: readonly string[];
}

/** What dimensions are called in one language: forms that a name has in it. */
export type Names = Readonly<Partial<Record<Measure, RegExp>>>;

/** The words of one language that tables have over their columns. */
export interface TableWords {
  readonly heads: Readonly<Partial<Record<HeadRole, readonly string[]>>>;
  /** Words that stand in heads and say nothing of their columns. */
  readonly fill: readonly string[];
}
