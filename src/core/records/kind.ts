import type { Property, Table } from '../properties/property';
import { PLACE } from '../properties/sheet';

/** What becomes of a record when one that it refers to is removed: it goes too, forgets it, or does not let it go. */
export type WhenGone = 'goes' | 'forgets' | 'holds';

/** What a field of a record may hold. Schema, references and copying follow from it. */
export type Field =
  /** A line that a person typed; or words up to so many characters. */
  | { readonly is: 'words'; readonly most: number }
  | { readonly is: 'number'; readonly least: number; readonly most: number; readonly whole?: boolean }
  | { readonly is: 'yesOrNo' }
  | { readonly is: 'one'; readonly of: readonly (string | number)[] }
  /** An id that names no record. */
  | { readonly is: 'id' }
  | { readonly is: 'reference'; readonly to: readonly string[]; readonly gone: WhenGone }
  /** A place in an order, as `fractional-indexing` makes them: compare as plain strings. */
  | { readonly is: 'order' }
  /** A language as BCP 47 writes it. */
  | { readonly is: 'language' }
  /** A day, ISO 8601. */
  | { readonly is: 'day' }
  /** The SHA-256 of a file. */
  | { readonly is: 'hash' }
  /** A body of text: what it may hold is said in `bodySchema.ts`, what it refers to in `references.ts`. */
  | { readonly is: 'body' }
  | { readonly is: 'list'; readonly of: Field; readonly least: number; readonly most: number }
  /** Values by id. */
  | { readonly is: 'map'; readonly of: Field }
  /** Several that hang together; `alone`: they are nothing without what they refer to. */
  | { readonly is: 'parts'; readonly fields: Fields; readonly alone?: boolean }
  | { readonly is: 'either'; readonly of: readonly Field[] }
  /** Parts of several kinds, told apart by their `type`. */
  | { readonly is: 'typed'; readonly kinds: Readonly<Record<string, Fields>> }
  /** What a property of a table says, as its field, limits and messages say it too. */
  | { readonly is: 'property'; readonly property: Property };

export type Fields = Readonly<Record<string, Field & { readonly maybe?: true }>>;

/** What is known of a kind of record, beside what one of them says. */
export interface Kind<R = object> {
  /** What one of them is called where people read of it: "master". */
  readonly called: string;
  /** For every field of the type: one that is forgotten does not compile. */
  readonly fields: { readonly [K in Exclude<keyof R, 'id' | 'kind'>]-?: Field & { readonly maybe?: true } };
  /** An issue has it of its house, and is offered its changes: under this name. */
  readonly offered?: string;
}

/** The pieces that kinds are written with. */
export const LINE: Field = { is: 'words', most: 400 };
export const words = (most: number): Field => ({ is: 'words', most });
export const figure = (least: number, most: number): Field => ({ is: 'number', least, most });
export const whole = (least: number, most: number): Field => ({ is: 'number', least, most, whole: true });
/** Points, within what a page could ever need. */
export const POINTS = figure(-20_000, 20_000);
export const SIZE = figure(0, 20_000);
export const SHARE = figure(0, 1);
export const YES_OR_NO: Field = { is: 'yesOrNo' };
export const ID: Field = { is: 'id' };
export const ORDER: Field = { is: 'order' };
export const LANGUAGE: Field = { is: 'language' };
export const DAY: Field = { is: 'day' };
export const oneOf = (...of: readonly (string | number)[]): Field => ({ is: 'one', of });
export const list = (of: Field, most: number, least = 0): Field => ({ is: 'list', of, least, most });
export const parts = (fields: Fields): Field => ({ is: 'parts', fields });
/** The same for what is nothing without what it refers to. */
export const withWhat = (fields: Fields): Field => ({ is: 'parts', fields, alone: true });
export const maybe = (field: Field): Field & { readonly maybe: true } => ({ ...field, maybe: true });
/** @param to the kinds of record it may name */
export const reference = (to: string | readonly string[], gone: WhenGone): Field => ({
  is: 'reference',
  to: typeof to === 'string' ? [to] : to,
  gone,
});
/** The properties of a table, of which these are always said. */
export const properties = (table: Table, said: readonly string[] = []): Fields =>
  Object.fromEntries(
    Object.entries(table).map(([key, property]) => {
      const field: Field = { is: 'property', property };
      return [key, said.includes(key) ? field : maybe(field)];
    }),
  );
/** The properties of a table, all of them always said. */
export const said = <T extends Table>(table: T): { readonly [K in keyof T]: Field } =>
  properties(table, Object.keys(table)) as { readonly [K in keyof T]: Field };
/** A colour of the document, and how much of it. */
export const INKED: Fields = { swatch: reference('swatch', 'holds'), tint: SHARE };
export const BOX = parts(said(PLACE));

/** A place in a record, or in the attributes of a node, that holds the id of another; what holds it may be nothing without it. */
export interface Rule {
  readonly at: readonly string[];
  readonly to: readonly string[];
  readonly gone: WhenGone;
  /** How much of the path is left out where it leads to nothing. */
  readonly out: readonly string[];
}

/** Stands in a path for every entry of a list. */
export const EACH = '*';

/** The references that fields hold, as paths. */
export function rulesOf(fields: Fields): Rule[] {
  const out: Rule[] = [];
  const walk = (field: Field, at: readonly string[], alone: readonly string[] | undefined): void => {
    const within = (own: Fields, from: readonly string[] | undefined) => {
      for (const [key, each] of Object.entries(own)) walk(each, [...at, key], from);
    };
    switch (field.is) {
      case 'reference':
        out.push({ at, to: field.to, gone: field.gone, out: alone ?? at });
        break;
      case 'parts':
        within(field.fields, field.alone ? at : undefined);
        break;
      case 'either':
        for (const each of field.of) walk(each, at, alone);
        break;
      case 'typed':
        for (const own of Object.values(field.kinds)) within(own, undefined);
        break;
      case 'list':
        walk(field.of, [...at, EACH], undefined);
        break;
      case 'property':
        walkProperty(field.property, at, undefined);
        break;
    }
  };
  /** What a property picks of the document's own cannot go while it does. */
  const walkProperty = ({ kind, optional }: Property, at: readonly string[], alone: readonly string[] | undefined): void => {
    if (kind.type === 'pick' && (kind.of === 'swatch' || kind.of === 'characterStyle'))
      out.push({ at, to: [kind.of], gone: 'holds', out: optional ? at : (alone ?? at) });
    else if (kind.type === 'list')
      for (const [key, own] of Object.entries(kind.fields)) walkProperty(own, [...at, EACH, key], [...at, EACH]);
    else if (kind.type === 'part') for (const [key, own] of Object.entries(kind.fields)) walkProperty(own, [...at, key], at);
  };
  for (const [key, field] of Object.entries(fields)) walk(field, [key], undefined);
  return out;
}
