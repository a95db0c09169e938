import type { Unit } from '../length/length';

/** A value that can be chosen, and what it is called. */
export interface Option<V = string | number | null> {
  readonly value: V;
  readonly name: string;
  /** What it looks like, as CSS has it. */
  readonly colour?: string;
}

/** What of a document's own a value names. */
export type Picked = 'family' | 'weight' | 'swatch' | 'characterStyle' | 'language' | 'outline';

export interface LengthKind {
  readonly type: 'length';
  /** What it is read and typed in; it is kept in points. */
  readonly unit: Unit;
  /** Points. */
  readonly least: number;
  readonly most: number;
}

export interface NumberKind {
  readonly type: 'number';
  readonly least: number;
  readonly most: number;
  readonly whole?: true;
  readonly unit?: string;
  /** What is read is so many times what is kept: 100 for a share in per cent. */
  readonly times?: number;
}

/** What a value is, and its limits. */
export type ValueKind =
  | LengthKind
  | NumberKind
  /** `few`: all of them stand in sight. */
  | { readonly type: 'choice'; readonly of: readonly Option[]; readonly few?: true }
  /** One length for all four sides, or one for each. */
  | { readonly type: 'sides'; readonly of: LengthKind }
  | { readonly type: 'tick' }
  /** `lines`: so many are in sight, and a new line is one; `none`: it may say nothing. */
  | { readonly type: 'words'; readonly most: number; readonly lines?: number; readonly none?: true }
  /** Of a page or a site on the web; it may say nothing. */
  | { readonly type: 'address'; readonly most: number }
  /** Tags of OpenType features, typed with spaces between them; `-` before one switches it off. */
  | { readonly type: 'features'; readonly most: number }
  /** One of what the document or the application has; `none` names the value that stands for none of them. */
  | { readonly type: 'pick'; readonly of: Picked; readonly none?: Option<'' | undefined> }
  /** Some values by name, or else a figure. */
  | {
      readonly type: 'either';
      readonly of: readonly Option<string>[];
      readonly or: LengthKind | NumberKind;
      readonly usual: number;
    }
  /** Several values that hang together. Where there may be none it is null, and `usual` is what it begins with. */
  | {
      readonly type: 'part';
      readonly fields: Table;
      readonly none?: true;
      readonly usual?: Readonly<Record<string, unknown>>;
      /** Says why the values do not go together. */
      readonly check?: (value: Readonly<Record<string, unknown>>) => string | undefined;
    }
  | {
      readonly type: 'list';
      readonly fields: Table;
      readonly most: number;
      /** One of them, "tab stop". */
      readonly item: string;
      readonly usual: Readonly<Record<string, unknown>>;
    };

/** A property, described once: what its field, its limits, its schema and its messages follow from. */
export interface Property {
  readonly label: string;
  readonly kind: ValueKind;
  /** The heading it stands under. */
  readonly group?: string;
  /** A sentence for whoever does not know the term. */
  readonly help?: string;
  /** It may be left unsaid where it belongs to a part. */
  readonly optional?: true;
  /** It needs the width of two. */
  readonly wide?: true;
  /** The heading above it says what it is. */
  readonly bare?: true;
  /** Whether it means anything beside the rest of what is said. */
  readonly when?: (values: Readonly<Record<string, unknown>>) => boolean;
}

/** Properties by their key, in the order in which they stand. */
export type Table = Readonly<Record<string, Property>>;

/** A description for every property of a type: one that is forgotten does not compile. */
export type TableOf<T> = { readonly [K in keyof T]-?: Property };

/** The pieces that tables are written with. */
export const points = (least: number, most: number): LengthKind => ({ type: 'length', unit: 'pt', least, most });
export const whole = (least: number, most: number): NumberKind => ({ type: 'number', least, most, whole: true });
export const millimetres = (least: number, most: number): LengthKind => ({ type: 'length', unit: 'mm', least, most });
export const percent = (least: number, most: number): NumberKind => ({
  type: 'number',
  least,
  most,
  unit: '%',
  times: 100,
});
export const choice = (names: Readonly<Record<string, string>>): ValueKind => ({
  type: 'choice',
  of: Object.entries(names).map(([value, name]) => ({ value, name })),
});
export const few = (names: Readonly<Record<string, string>>): ValueKind => ({ ...choice(names), few: true }) as ValueKind;
export const TICK: ValueKind = { type: 'tick' };
