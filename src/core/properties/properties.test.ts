import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { fieldsOf } from '../records/schemas/fromTable';
import { PLAIN } from '../type/styles';
import { problem, tableProblem } from './limits';
import type { Property, Table, ValueKind } from './property';
import { LAYOUT, WRAP } from './frame';
import { LOOK, lookChange, lookValues, RULE } from './look';
import { document, flawOf } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { setAppearance } from '../actions/appearance';
import { applied } from '../records/diff';
import { get } from '../records/document';
import { PARAGRAPH } from './type';

/** Values that a property takes, and values just past its limits. */
function tried(kind: ValueKind): { will: unknown[]; wont: unknown[] } {
  switch (kind.type) {
    case 'length':
    case 'number': {
      const step = 'whole' in kind && kind.whole ? 1 : 0.001;
      const wont: unknown[] = [kind.least - step, kind.most + step, NaN, Infinity, 'ten', undefined];
      return { will: [kind.least, kind.most], wont: step === 1 ? [...wont, kind.least + 0.5] : wont };
    }
    case 'choice':
      return { will: kind.of.map(({ value }) => value), wont: ['none of them', 7.5, undefined] };
    case 'tick':
      return { will: [true, false], wont: ['yes', 0, null] };
    case 'words':
      return { will: ['a', 'a'.repeat(kind.most)], wont: ['', 'a'.repeat(kind.most + 1), 3] };
    case 'address':
      return { will: ['', 'https://example.org/14/'], wont: ['example.org', 'ftp://example.org', 'https://a b', 3] };
    case 'features':
      return {
        will: [[], ['ss01', '-liga'], Array(kind.most).fill('kern')],
        wont: [['liga!'], ['lig'], Array(kind.most + 1).fill('kern'), 'kern'],
      };
    case 'sides': {
      const { will, wont } = tried(kind.of);
      const apart = (side: unknown) => ({ top: 1, right: 1, bottom: 1, left: side });
      return { will: [...will, ...will.map(apart)], wont: [...wont, ...wont.map(apart)] };
    }
    case 'pick':
      if (kind.of === 'outline') return { will: ['shape'], wont: [5, null] };
      return kind.of === 'weight' ? { will: [100, 900], wont: [99, 901, '400'] } : { will: ['en-GB'], wont: [5, null] };
    case 'either': {
      const { will, wont } = tried(kind.or);
      return { will: [...will, ...kind.of.map(({ value }) => value)], wont: wont.filter((each) => each !== undefined) };
    }
    case 'part':
    case 'list': {
      const whole = usualOf(kind.fields);
      const of = (changed: object) => (kind.type === 'part' ? { ...whole, ...changed } : [{ ...whole, ...changed }]);
      const wont = Object.entries(kind.fields).flatMap(([key, field]) =>
        tried(field.kind)
          .wont.filter((value) => value !== undefined || !field.optional)
          .map((value) => of({ [key]: value })),
      );
      if (kind.type === 'list')
        return { will: [[], of({}), Array(kind.most).fill(whole)], wont: [...wont, Array(kind.most + 1).fill(whole)] };
      return { will: [of({}), ...(kind.none ? [null] : [])], wont: kind.none ? wont : [...wont, null] };
    }
  }
}

const usualOf = (fields: Table): Record<string, unknown> =>
  Object.fromEntries(Object.entries(fields).map(([key, { kind }]) => [key, tried(kind).will[0]]));

const TABLES: Readonly<Record<string, Table>> = { type: PARAGRAPH, layout: LAYOUT, wrap: WRAP, look: LOOK, rule: RULE };

const properties = Object.entries(TABLES).flatMap(([table, of]) =>
  Object.entries(of).map(([key, property]): [string, string, Property] => [table, key, property]),
);

describe('every property', () => {
  it('has its usual value within its limits', () => {
    expect(tableProblem(PARAGRAPH, PLAIN as never)).toBeUndefined();
    expect(Object.keys(PARAGRAPH).sort()).toEqual(Object.keys(PLAIN).sort());
  });

  it.each(properties)(
    'of %s, %s, takes what is within its limits and refuses the rest with a sentence, as its schema does',
    (_, key, property) => {
      const schema = Joi.object(fieldsOf({ [key]: property }));
      const { will, wont } = tried(property.kind);
      expect(will.length).toBeGreaterThan(0);
      expect(wont.length).toBeGreaterThan(0);
      for (const value of will) {
        expect(problem(property, value), JSON.stringify(value)).toBeUndefined();
        expect(schema.validate({ [key]: value }, { convert: false }).error, JSON.stringify(value)).toBeUndefined();
      }
      for (const value of wont) {
        const sentence = problem(property, value);
        expect(sentence, JSON.stringify(value)).toMatch(/^[A-Z].*\.$/);
        expect(sentence).toContain(property.label);
        // What is not said at all is the schema's to allow: a style need not say it.
        if (value !== undefined)
          expect(schema.validate({ [key]: value }, { convert: false }).error, JSON.stringify(value)).toBeDefined();
      }
    },
  );

  it('says limits as they are read', () => {
    expect(problem(PARAGRAPH.size, 0)).toBe('Size: from 1 to 2,000 pt.');
    expect(problem(PARAGRAPH.tint, 1.2)).toBe('Tint: from 0 to 100 %.');
    expect(problem(PARAGRAPH.tracking, -501)).toBe('Tracking: from −500 to 2,000.');
    expect(problem(PARAGRAPH.widows, 1.5)).toBe('Widow lines: a whole number from 1 to 20.');
    expect(problem(PARAGRAPH.wordSpace, { least: 1.2, best: 1, most: 1.5 })).toBe(
      'Word space: the least cannot be more than the best, nor the best more than the most.',
    );
  });
});

describe('what a look changes', () => {
  const frame = { ...get(document(...everything), 'frame', 'panel') };
  const changed = (key: string, value: unknown) =>
    applied(
      document(...everything),
      setAppearance(document(...everything), ['panel'], lookChange(key, value, lookValues(frame))),
    );

  it('is a frame that can be stored, whatever is ticked off or on', () => {
    for (const [key, { kind }] of Object.entries(LOOK)) {
      const values: unknown[] =
        kind.type === 'part'
          ? [kind.none ? null : undefined, kind.usual]
          : kind.type === 'choice'
            ? kind.of.map(({ value }) => value)
            : [];
      for (const value of values) {
        if (value === undefined) continue;
        const after = get(changed(key, value), 'frame', 'panel');
        expect(flawOf(after), `${key} ${JSON.stringify(value)}`).toBeUndefined();
        // What is shown of it is what was said.
        const shown = lookValues(after)[key as keyof typeof LOOK];
        if (kind.type === 'choice') expect(shown).toBe(value);
        else if (value === null) expect(shown).toBeNull();
        else expect(shown).toMatchObject({ ...(value as object) });
      }
    }
  });
});
