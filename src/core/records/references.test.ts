import fc from 'fast-check';
import type Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, pictureRecord, textFrame, textRecord } from '../../../tests/support/documents';
import { cancelAdvertisement, bookAdvertisement, placeAdvertisement } from '../actions/advertisements';
import { removeSwatch } from '../actions/colour';
import { copyAcross } from '../actions/copies';
import { ActionError } from '../actions/edit';
import { removeFrames } from '../actions/frames';
import { groupFrames } from '../actions/groups';
import { partFrames, rejoinFrames, removeMaster } from '../actions/masters';
import { addPages, duplicatePages, putRecurring, removePages, setMaster } from '../actions/pages';
import { setSection } from '../actions/sections';
import { bringInStory } from '../actions/stories';
import { removeStyle } from '../actions/styles';
import { startingHouse } from '../plan/startingHouse';
import { startIssue } from '../plan/startIssue';
import { bodyOf, docOf, markOf, paragraphOf, paragraphsOf, plainBody, textOf } from './body';
import { bodySchema } from './bodySchema';
import { applied, type Diff } from './diff';
import { all, type Document, documentOf, framesOn, get } from './document';
import type { DocumentRecord, FrameRecord, RecordKind } from './index';
import { EACH } from './kind';
import { bodyReferencePaths, led, looseIn, referencePaths, referencesOf } from './references';
import { SCHEMAS } from './schemas';
import { takenBack } from './turn';

interface Described {
  readonly rules?: readonly { readonly name: string; readonly args?: { readonly regex?: string } }[];
  readonly keys?: Readonly<Record<string, Described>>;
  readonly items?: readonly Described[];
  readonly matches?: readonly {
    readonly schema?: Described;
    readonly then?: Described;
    readonly switch?: readonly { then: Described }[];
  }[];
}

/** Paths of a schema at which an id stands. */
function idsIn(of: Described, path: readonly string[] = []): string[] {
  const isId = of.rules?.some(({ name, args }) => name === 'pattern' && args?.regex?.includes('{1,40}'));
  return [
    ...(isId ? [path.join('.')] : []),
    ...Object.entries(of.keys ?? {}).flatMap(([key, own]) => idsIn(own, [...path, key])),
    ...(of.items ?? []).flatMap((own) => idsIn(own, [...path, EACH])),
    ...(of.matches ?? []).flatMap(({ schema, then, switch: cases }) =>
      [schema, then, ...(cases ?? []).map((each) => each.then)].flatMap((own) => (own ? idsIn(own, path) : [])),
    ),
  ];
}

/** Ids that name no record: a record's own, and the set that slots belong to. */
const NAMES_NOTHING = ['id', 'content.set'];

describe('what records refer to', () => {
  it.each(Object.keys(SCHEMAS) as RecordKind[])('is known of every id in a %s', (kind) => {
    const paths = new Set(
      idsIn((SCHEMAS[kind] as Joi.Schema).describe() as Described).filter((path) => !NAMES_NOTHING.includes(path)),
    );
    expect([...paths].sort()).toEqual([...new Set(referencePaths(kind))].sort());
  });

  it('is led elsewhere in every entry of a list, and takes an entry out that is nothing without it', () => {
    const colours = ['one', 'two', 'one', 'three'].map((swatch, i) => ({ swatch, tint: 1, at: i / 4 }));
    const frame: FrameRecord = {
      ...textFrame('f', 'text', 'p1', { x: 0, y: 0, w: 100, h: 100 }),
      fill: { swatch: 'ink', tint: 1 },
      gradient: { form: 'linear', from: { x: 0, y: 0 }, to: { x: 1, y: 1 }, swatch: 'paper', tint: 1, through: colours },
    };
    const through = (to: string | undefined) =>
      led(frame, ({ id }) => (id === 'one' ? to : id)).gradient!.through!.map(({ swatch }) => swatch);
    expect(referencesOf(frame).map(({ id }) => id)).toEqual(expect.arrayContaining(['ink', 'paper', 'one', 'two', 'three']));
    expect(through('other')).toEqual(['other', 'two', 'other', 'three']);
    expect(through(undefined)).toEqual(['two', 'three']);
    expect(led(frame, ({ id }) => id)).toBe(frame);
  });

  it('is known of every id in a body', () => {
    const names = ['style', 'picture', 'of', 'swatch'];
    const nodes = [...Object.values(bodySchema.nodes), ...Object.values(bodySchema.marks)];
    for (const { name, spec } of nodes) {
      for (const key of Object.keys(spec.attrs ?? {}).filter((each) => names.includes(each)))
        expect(bodyReferencePaths(name)).toContain(key);
    }
    // Areas and rules of tables: what their checks take a swatch in.
    expect(bodyReferencePaths('table')).toEqual([
      ...['rules.rows.swatch', 'rules.columns.swatch', 'rules.around.swatch', 'rules.head.swatch'],
      ...['headFill.swatch', 'stripe.swatch'],
    ]);
    expect(bodyReferencePaths('cell')).toEqual(['fill.swatch']);
  });

  it('is led elsewhere, and what is nothing without it goes', () => {
    const table = bodySchema.node(
      'table',
      { columns: [{ share: 1 }], headerRows: 0, inset: 0, stripe: { swatch: 'tint', tint: 1 } },
      [bodySchema.node('row', null, [bodySchema.node('cell', null, [paragraphOf({ style: 'body' }, [textOf('In a cell')])])])],
    );
    const body = docOf([
      paragraphOf({ style: 'body' }, [textOf('Bold', [markOf('character', { style: 'strong' })]), textOf(' words')]),
      bodySchema.node('figure', { picture: 'pic' }),
      table,
    ]);
    const text = textRecord('t', body, { source: { text: 'other', words: 'Bold' } });
    expect(
      referencesOf(text)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['body', 'other', 'pic', 'strong', 'tint']);
    expect(led(text, ({ id }) => id)).toBe(text);
    const to = led(text, ({ id }) => (id === 'body' ? 'small' : undefined));
    expect(to.source).toBeUndefined();
    expect(to.body.childCount).toBe(2);
    expect(paragraphsOf(to.body).map((each) => each.attrs['style'] as string)).toEqual(['small', 'small']);
    expect(paragraphsOf(to.body)[0]!.toJSON()).toEqual({
      type: 'paragraph',
      attrs: { style: 'small' },
      content: [{ type: 'text', text: 'Bold words' }],
    });
    expect(to.body.child(1).attrs['stripe']).toBeUndefined();
    // It is a body still, and one paragraph where nothing is left.
    expect(() => bodyOf(to.body.toJSON() as never)).not.toThrow();
    const alone = textRecord('t', docOf([bodySchema.node('figure', { picture: 'pic' })]));
    expect(led(alone, () => undefined).body.childCount).toBe(1);
    // What did not change stays the same object.
    const other = led(text, ({ id }) => (id === 'pic' ? 'another' : id));
    expect(other.body.child(0)).toBe(body.child(0));
    expect(other.body.child(2)).toBe(body.child(2));
  });
});

describe('removing what is used', () => {
  const base = document(
    ...baseRecords(),
    pictureRecord('pic'),
    { id: 'rust', kind: 'swatch', name: 'Rust', cmyk: [0, 0.6, 0.8, 0.3] },
    { id: 'small', kind: 'paragraphStyle', name: 'Small', basedOn: 'body', properties: { size: 7, swatch: 'rust' } },
    textRecord('t', plainBody('small', 'Words'), { role: 'furniture' }),
    textFrame('f', 't', 'p1', { x: 50, y: 48, w: 90, h: 504 }),
    { ...pictureFrame('g', 'pic', 'p1', { x: 150, y: 48, w: 90, h: 90 }), fill: { swatch: 'rust', tint: 1 } },
  );

  it('is refused with a sentence that says by what', () => {
    expect(() => removeSwatch(base, 'rust')).toThrow('“Rust” is used by “Small” and a frame. Choose what takes its place first.');
    expect(() => removeStyle(base, 'small')).toThrow('“Small” is used by a text. Choose what takes its place first.');
  });

  it('is done where something takes its place', () => {
    const after = applied(base, removeSwatch(base, 'rust', 'ink'));
    expect(get(after, 'paragraphStyle', 'small').properties.swatch).toBe('ink');
    expect(get(after, 'frame', 'g').fill).toEqual({ swatch: 'ink', tint: 1 });
    const restyled = applied(base, removeStyle(base, 'small', 'headline'));
    expect(paragraphsOf(get(restyled, 'text', 't').body)[0]!.attrs['style']).toBe('headline');
    // The style that takes the place stood on the one that goes: it stands on what that stood on.
    const rebased = applied(base, removeStyle(base, 'body', 'small'));
    expect(get(rebased, 'paragraphStyle', 'small').basedOn).toBeUndefined();
    expect(get(rebased, 'paragraphStyle', 'crosshead').basedOn).toBe('small');
    expect(looseIn(rebased)).toEqual([]);
    expect(() => removeStyle(base, 'body', 'body')).toThrow('its own place');
  });

  it('is not taken back while somebody else uses it', () => {
    const { diff, id } = (() => {
      const record: DocumentRecord = { id: 'new', kind: 'swatch', name: 'New', cmyk: [1, 0, 0, 0] };
      return { diff: { added: [record], updated: [], removed: [], texts: [] } satisfies Diff, id: record.id };
    })();
    const added = applied(base, diff);
    expect(takenBack(diff, [], added)?.removed).toHaveLength(1);
    const frame = get(added, 'frame', 'g');
    const used: Document = { records: new Map(added.records).set('g', { ...frame, fill: { swatch: id, tint: 1 } }) };
    expect(takenBack(diff, [], used)).toBeUndefined();
  });
});

/** Something that is done to a document, by two numbers that say to what. */
type Deed = (document: Document, a: number, b: number) => Diff;

const pick = <T>(list: readonly T[], at: number): T | undefined => list[at % Math.max(1, list.length)];
const house = documentOf(startingHouse('magazine', 'en-GB'));

const DEEDS: readonly Deed[] = [
  (now, a) => removePages(now, [pick(all(now, 'page'), a)!.id]),
  (now, a) => duplicatePages(now, [pick(all(now, 'page'), a)!.id]),
  (now, a, b) => setMaster(now, [pick(all(now, 'page'), a)!.id], pick(all(now, 'master'), b)!.id),
  (now, a) => addPages(now, { after: pick(all(now, 'page'), a)!.id, count: 1 }),
  (now, a, b) => putRecurring(now, house, pick(all(house, 'page'), a)!.id, pick(all(now, 'page'), b)!.id),
  (now, a) => removeFrames(now, [pick(all(now, 'frame'), a)!.id]),
  (now, a, b) =>
    groupFrames(
      now,
      [...new Set([a, b].map((n) => pick(framesOn(now, pick(all(now, 'page'), a)!.id), n)?.id ?? ''))].filter(Boolean),
    ),
  (now, a) => partFrames(now, pick(all(now, 'page'), a)!.id),
  (now, a) =>
    rejoinFrames(now, [
      pick(
        all(now, 'frame').filter(({ of }) => of !== undefined),
        a,
      )?.id ?? 'none',
    ]),
  (now, a) => removeMaster(now, pick(all(now, 'master'), a)!.id),
  (now, a, b) => copyAcross(now, pick(all(now, 'page'), a)!.id, pick(all(now, 'page'), b)!.id, 'mirrored'),
  (now, a) => setSection(now, pick(all(now, 'page'), a)!.id, { name: 'Harbour' }),
  (now) => bookAdvertisement(now, { name: 'Gull & Sons', size: 'quarter' }),
  (now, a, b) =>
    placeAdvertisement(now, { advertisement: pick(all(now, 'advertisement'), a)?.id ?? '', page: pick(all(now, 'page'), b)!.id }),
  (now, a) => cancelAdvertisement(now, pick(all(now, 'advertisement'), a)?.id ?? ''),
  (now) => bringInStory(now, { name: 'Gale', headline: 'Gale', body: plainBody('nowhere', 'A style that is not there.') }),
  (now, a, b) => removeSwatch(now, pick(all(now, 'swatch'), a)!.id, b % 3 === 0 ? undefined : pick(all(now, 'swatch'), b)!.id),
  (now, a, b) =>
    removeStyle(now, pick(all(now, 'paragraphStyle'), a)!.id, b % 3 === 0 ? undefined : pick(all(now, 'paragraphStyle'), b)!.id),
  (now, a, b) => removeStyle(now, pick(all(now, 'characterStyle'), a)?.id ?? '', pick(all(now, 'characterStyle'), b)?.id),
];

describe('actions, one upon another', () => {
  it('never leave anything that points at nothing', () => {
    const order = { publication: 'Halyard', number: '1', season: 'Spring', date: '2026-03-01', language: 'en-GB', pages: 8 };
    const issue = documentOf(startIssue([...house.records.values()], order));
    expect(looseIn(issue)).toEqual([]);
    let done = 0;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(DEEDS.length - 1), fc.nat(50), fc.nat(50)), { minLength: 4, maxLength: 24 }),
        (deeds) => {
          let now = issue;
          for (const [deed, a, b] of deeds) {
            try {
              now = applied(now, DEEDS[deed]!(now, a, b));
              done++;
            } catch (error) {
              if (!(error instanceof ActionError) && (error as Error).name !== 'MissingRecordError') throw error;
            }
            expect(looseIn(now)).toEqual([]);
          }
          // The next issue begins whole too.
          const next = documentOf(startIssue([...house.records.values()], { ...order, number: '2' }, [...now.records.values()]));
          expect(looseIn(next)).toEqual([]);
        },
      ),
      { numRuns: 150, seed: 20 },
    );
    expect(done).toBeGreaterThan(500);
  });
});
