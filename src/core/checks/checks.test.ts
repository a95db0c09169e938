import { beforeAll, describe, expect, it } from 'vitest';
import { type Checking, inspected, Inspector } from '../../../tests/support/checked';
import { mark, paragraph, paragraphStyle, text } from '../../../tests/support/composed';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { variationsOf, withValue } from '../../../tests/support/schemaValues';
import { acceptFindings, askAgain } from '../actions/acceptances';
import { setLimits } from '../actions/profile';
import { USUAL_LIMITS } from '../properties/print';
import { docOf, fieldOf, paragraphOf, plainBody } from '../records/body';
import { applied } from '../records/diff';
import { all, type Document, documentOf, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { SCHEMAS } from '../records/schemas';
import { flawOf } from '../../../tests/support/documents';
import { type Finding } from './finding';
import { recordAt } from './checker';
import { allMended, isDone, mended } from './mends';
import { RULES } from './rules/index';
import { Checker } from './checker';
import { ALL_THERE } from '../pictures/states';

/** Four pages, each with a story that has a headline and fits: nothing is wrong with them. */
function sound(): DocumentRecord[] {
  const stories = [1, 2, 3, 4].flatMap((n): DocumentRecord[] => [
    textRecord(`h${n}`, plainBody('headline', ['Wind over the wall', 'A ferry late', 'Ropes in June', 'The last kite'][n - 1]!), {
      role: 'headline',
      story: `s${n}`,
    }),
    textRecord(`t${n}`, plainBody('body', prose(70, n), prose(60, n + 4)), { story: `s${n}` }),
    {
      id: `s${n}`,
      kind: 'story',
      name: `Story ${'ABCD'[n - 1]}`,
      section: 'News',
      order: `a${n}`,
      tint: n,
      parts: { headline: `h${n}`, body: `t${n}` },
    },
    textFrame(`fh${n}`, `h${n}`, `p${n}`, { x: 50, y: 60, w: 300, h: 30 }, { grows: true }),
    textFrame(`ft${n}`, `t${n}`, `p${n}`, { x: 50, y: 150, w: 300, h: 380 }),
  ]);
  return [...baseRecords(4, { align: 'left' }), ...stories];
}

/** A document with some of its records changed, added, or taken out where they are undefined. */
function withRecords(base: readonly DocumentRecord[], changes: Readonly<Record<string, DocumentRecord | undefined>>): Document {
  const records = new Map(base.map((record) => [record.id, record]));
  for (const [id, record] of Object.entries(changes))
    if (record) records.set(id, record);
    else records.delete(id);
  return documentOf(records.values());
}

const one = <T extends DocumentRecord>(id: string): T => sound().find((record) => record.id === id) as T;
const frame = (id: string, more: Partial<FrameRecord>): FrameRecord => ({ ...one<FrameRecord>(id), ...more });
const body = (...paragraphs: Parameters<typeof paragraph>[]) => docOf(paragraphs.map((each) => paragraph(...each)));
const said = { caption: 'A wall.', credit: 'Inge Sarrow', alternative: 'A wall' };
const picture = (id: string, more: Parameters<typeof pictureRecord>[1] = {}) =>
  pictureRecord(id, { width: 3000, height: 3000, colour: 'cmyk', ...said, ...more });
const panel = (id: string, box: FrameRecord['box'], more: Partial<FrameRecord> = {}): FrameRecord => ({
  ...pictureFrame(id, undefined, 'p1', box),
  order: 'Z0',
  content: { type: 'panel' },
  fill: { swatch: 'tint', tint: 1 },
  ...more,
});

interface Case {
  readonly rule: string;
  readonly what: string;
  readonly changes: Readonly<Record<string, DocumentRecord | undefined>>;
  readonly checking?: Checking;
  /** What the first finding of the rule says. */
  readonly says: RegExp;
}

const narrow = { ...textFrame('narrow', 'nt', 'p1', { x: 50, y: 450, w: 70, h: 120 }), order: 'a7' };

/** A document that trips each rule; `sound` trips none. */
const CASES: readonly Case[] = [
  {
    rule: 'overset',
    what: 'text over',
    changes: { ft1: frame('ft1', { box: { x: 50, y: 150, w: 300, h: 50 } }) },
    says: /lines over in “Story A”/,
  },
  {
    rule: 'overlaps',
    what: 'a text over another',
    changes: { ft2: frame('ft2', { on: 'p1', box: { x: 60, y: 160, w: 300, h: 380 } }) },
    says: /lies over “/,
  },
  {
    rule: 'overlaps',
    what: 'a picture over a text',
    changes: {
      pic: picture('pic'),
      pf: {
        ...pictureFrame('pf', 'pic', 'p1', { x: 60, y: 150, w: 200, h: 60 }),
        content: { type: 'picture', picture: 'pic', fit: 'fill' },
      },
    },
    says: /lies under a picture/,
  },
  {
    rule: 'characters',
    what: 'a character that no face has',
    changes: { t1: textRecord('t1', plainBody('body', 'Here \uE123 there'), { story: 's1' }) },
    says: /1 character that no face has/,
  },
  {
    rule: 'unplaced',
    what: 'a story on no page',
    changes: {
      h9: textRecord('h9', plainBody('headline', 'Elsewhere'), { role: 'headline' }),
      t9: textRecord('t9', plainBody('body', 'Words.')),
      s9: { id: 's9', kind: 'story', name: 'Nowhere', section: '', order: 'a9', tint: 0, parts: { headline: 'h9', body: 't9' } },
    },
    says: /“Nowhere” is on no page/,
  },
  {
    rule: 'unplaced',
    what: 'the same story twice',
    changes: { t2: textRecord('t2', plainBody('body', prose(70, 1), prose(60, 5)), { story: 's2' }) },
    says: /says the same as “Story A”/,
  },
  {
    rule: 'waiting',
    what: 'an empty picture frame',
    changes: { pf: pictureFrame('pf', undefined, 'p1', { x: 50, y: 540, w: 60, h: 40 }) },
    says: /An empty place: Picture\./,
  },
  {
    rule: 'emptyTexts',
    what: 'a text frame without text',
    changes: { t9: textRecord('t9', plainBody('body')), f9: textFrame('f9', 't9', 'p1', { x: 50, y: 540, w: 60, h: 30 }) },
    says: /has no text/,
  },
  {
    rule: 'pictureFiles',
    what: 'a file that is missing',
    changes: { pic: picture('pic'), pf: pictureFrame('pf', 'pic', 'p1', { x: 50, y: 540, w: 40, h: 40 }) },
    checking: { files: { missing: new Set(['pic']), changed: new Set() } },
    says: /missing or damaged/,
  },
  {
    rule: 'resolution',
    what: 'a coarse picture',
    changes: {
      pic: picture('pic', { width: 100, height: 100 }),
      pf: pictureFrame('pf', 'pic', 'p1', { x: 50, y: 420, w: 100, h: 100 }),
    },
    says: /72 ppi here; at least 200/,
  },
  {
    rule: 'resolution',
    what: 'a picture that is enlarged',
    changes: {
      pic: picture('pic', { width: 347, height: 347 }),
      pf: pictureFrame('pf', 'pic', 'p1', { x: 50, y: 420, w: 100, h: 100 }),
    },
    says: /at 120 % of the size it is good for: 250 ppi/,
  },
  {
    rule: 'advertisements',
    what: 'one on no page',
    changes: {
      ad: { id: 'ad', kind: 'advertisement', name: 'Hollis', order: 'a0', size: 'quarter', picture: 'pic' },
      pic: picture('pic'),
    },
    says: /of Hollis is on no page/,
  },
  {
    rule: 'advertisements',
    what: 'one in the wrong size',
    changes: {
      ad: { id: 'ad', kind: 'advertisement', name: 'Hollis', order: 'a0', size: 'quarter', picture: 'pic' },
      pic: picture('pic'),
      ft1: frame('ft1', { box: { x: 50, y: 120, w: 300, h: 170 } }),
      fa: {
        ...pictureFrame('fa', undefined, 'p1', { x: 50, y: 470, w: 90, h: 60 }),
        content: { type: 'advertisement', advertisement: 'ad' },
      },
    },
    says: /not in the size that was booked/,
  },
  {
    rule: 'pageCount',
    what: 'three pages',
    changes: { p4: undefined, fh4: undefined, ft4: undefined, s4: undefined, h4: undefined, t4: undefined },
    says: /3 pages: stitched sheets/,
  },
  {
    rule: 'blankPages',
    what: 'a page with nothing on it',
    changes: { fh4: undefined, ft4: undefined, s4: undefined, h4: undefined, t4: undefined },
    says: /Page 4 has nothing on it/,
  },
  {
    rule: 'beyond',
    what: 'a frame beside its page',
    changes: { pn: panel('pn', { x: 900, y: 100, w: 60, h: 60 }) },
    says: /beside its page/,
  },
  {
    rule: 'bleed',
    what: 'colour that ends at the trim',
    changes: { pn: panel('pn', { x: -9, y: 540, w: 409, h: 60 }) },
    says: /reaches the trim at the (right|foot)/,
  },
  {
    rule: 'safeArea',
    what: 'text at the trim',
    changes: { fh1: frame('fh1', { box: { x: 50, y: 2, w: 300, h: 30 } }) },
    says: /from the trim; the safe area begins at/,
  },
  {
    rule: 'fold',
    what: 'a word across the fold',
    changes: { fh2: frame('fh2', { box: { x: 370, y: 60, w: 200, h: 30 } }) },
    says: /lies across the fold/,
  },
  {
    rule: 'contrast',
    what: 'words on a dark picture',
    changes: {
      dark: picture('dark'),
      pf: {
        ...pictureFrame('pf', 'dark', 'p1', { x: -9, y: -9, w: 418, h: 618 }),
        order: 'Z0',
        content: { type: 'picture', picture: 'dark', fit: 'fill' },
      },
    },
    says: /contrasts 1\.\d to 1 with what lies under it/,
  },
  {
    rule: 'coverage',
    what: 'four inks one over another',
    changes: {
      rich: { id: 'rich', kind: 'swatch', name: 'Rich', cmyk: [1, 1, 1, 1] },
      pn: panel('pn', { x: 60, y: 540, w: 60, h: 40 }, { fill: { swatch: 'rich', tint: 1 } }),
    },
    says: /400 % of ink on one place; the paper takes 330 %/,
  },
  {
    rule: 'hairlines',
    what: 'a thin border',
    changes: { pn: panel('pn', { x: 60, y: 540, w: 60, h: 40 }, { border: { weight: 0.1, swatch: 'ink', tint: 1 } }) },
    says: /0\.1 pt thick; 0\.25 pt/,
  },
  {
    rule: 'smallType',
    what: 'type of 4 pt',
    changes: {
      tiny: paragraphStyle('tiny', { size: 4, leading: 12, align: 'left' }),
      t1: textRecord('t1', plainBody('tiny', prose(40)), { story: 's1' }),
    },
    says: /Type of 4 pt, below 5 pt/,
  },
  {
    rule: 'smallType',
    what: 'small type in a black of several inks',
    changes: {
      rich: { id: 'rich', kind: 'swatch', name: 'Rich', cmyk: [0.5, 0.3, 0.3, 1] },
      small: paragraphStyle('small', { size: 8, leading: 12, swatch: 'rich', align: 'left' }),
      t1: textRecord('t1', plainBody('small', prose(40)), { story: 's1' }),
    },
    says: /a black of 4 inks/,
  },
  {
    rule: 'fonts',
    what: 'a face that may not be embedded',
    changes: {},
    checking: { face: (face) => ({ ...face, mayEmbed: false }) },
    says: /may not be embedded/,
  },
  {
    rule: 'quotes',
    what: 'a quote that its story no longer says',
    changes: {
      t1: textRecord(
        't1',
        plainBody('body', 'The keeper said that the wind had been rising since Tuesday, and nobody on the quay believed it.'),
        { story: 's1' },
      ),
      q: textRecord('q', plainBody('pullQuote', '‘The keeper said that the wind had been falling since Tuesday’'), {
        role: 'quote',
        story: 's1',
        source: { text: 't1', words: 'The keeper said that the wind had been falling since Tuesday' },
      }),
      fq: textFrame('fq', 'q', 'p1', { x: 50, y: 400, w: 200, h: 60 }, { grows: true }),
    },
    says: /no longer says “The keeper said/,
  },
  {
    rule: 'jumps',
    what: 'a jump to a page that is not there',
    changes: { t1: textRecord('t1', plainBody('body', prose(40), 'Continued on page 9'), { story: 's1' }) },
    says: /“Continued on page 9” is typed, and there is no page 9/,
  },
  {
    rule: 'contents',
    what: 'a wrong folio',
    changes: {
      c: textRecord('c', plainBody('body', '3 Ropes in Juneau', '7 A ferry late'), { role: 'furniture' }),
      fc: textFrame('fc', 'c', 'p1', { x: 50, y: 540, w: 200, h: 40 }),
    },
    says: /say page 7 for “Story B”, which begins on page 2/,
  },
  {
    rule: 'contents',
    what: 'a field of a story on no page',
    changes: {
      c: textRecord('c', docOf([paragraphOf({ style: 'body' }, [fieldOf({ name: 'folio', of: 's9' })])]), { role: 'furniture' }),
      fc: textFrame('fc', 'c', 'p1', { x: 50, y: 540, w: 200, h: 40 }),
      h9: textRecord('h9', plainBody('headline', 'Elsewhere'), { role: 'headline' }),
      t9: textRecord('t9', plainBody('body', 'Words.')),
      s9: { id: 's9', kind: 'story', name: 'Nowhere', section: '', order: 'a9', tint: 0, parts: { headline: 'h9', body: 't9' } },
    },
    says: /name “Nowhere”, which is on no page/,
  },
  {
    rule: 'headlines',
    what: 'one headline twice',
    changes: { h2: textRecord('h2', plainBody('headline', 'Wind over the wall!'), { role: 'headline', story: 's2' }) },
    says: /is also the headline of “Story A”/,
  },
  {
    rule: 'storyParts',
    what: 'stories without a byline',
    changes: { profile: { id: 'profile', kind: 'profile', ...USUAL_LIMITS.coated, byline: 50 } },
    says: /“Story A” has no byline/,
  },
  {
    rule: 'storyParts',
    what: 'stories without an end mark',
    changes: {
      profile: { id: 'profile', kind: 'profile', ...USUAL_LIMITS.coated, endMark: 50 },
      last: paragraphStyle('last', { endMark: { text: '◆' }, align: 'left' }),
    },
    says: /ends without an end mark/,
  },
  {
    rule: 'links',
    what: 'a link inside one house',
    changes: {
      t1: textRecord(
        't1',
        docOf([paragraphOf({ style: 'body' }, [text('Press '), text('here', mark('link', { href: 'http://desk/plan' }))])]),
        { story: 's1' },
      ),
    },
    says: /is known inside one house alone/,
  },
  {
    rule: 'longLines',
    what: 'a word wider than its column',
    changes: {
      nt: textRecord('nt', plainBody('plain', 'Kitemakersassociationsecretary')),
      plain: paragraphStyle('plain', { hyphens: false, align: 'left' }),
      narrow,
    },
    says: /is wider than its column/,
  },
  {
    rule: 'widows',
    what: 'three lines in columns of two',
    changes: {
      nt: textRecord('nt', plainBody('body', 'Wind and rope and kite and wall and')),
      n1: textFrame('n1', 'nt', 'p1', { x: 50, y: 444, w: 60, h: 24 }),
      n2: textFrame('n2', 'nt', 'p1', { x: 130, y: 444, w: 60, h: 24 }, { order: 'a1' }),
    },
    says: /A widow|An orphan/,
  },
  {
    rule: 'headings',
    what: 'a heading in a column of its own',
    changes: {
      nt: textRecord('nt', body(['crosshead', 'Ropes'], ['body', prose(20)])),
      n1: textFrame('n1', 'nt', 'p1', { x: 50, y: 456, w: 60, h: 12 }),
      n2: textFrame('n2', 'nt', 'p1', { x: 130, y: 456, w: 60, h: 12 }, { order: 'a1' }),
      n3: textFrame('n3', 'nt', 'p1', { x: 210, y: 456, w: 60, h: 110 }, { order: 'a2' }),
    },
    says: /stands at the foot of its column/,
  },
  {
    rule: 'spacing',
    what: 'justified lines in a narrow column',
    changes: {
      nt: textRecord('nt', plainBody('loose', prose(24))),
      loose: paragraphStyle('loose', { align: 'justify', hyphens: false, size: 9, leading: 12 }),
      narrow: { ...narrow, box: { ...narrow.box, y: 400, h: 190 } },
    },
    says: /A loose line: word spaces of \d+ %/,
  },
  {
    rule: 'ladders',
    what: 'hyphens one under another',
    changes: {
      nt: textRecord(
        'nt',
        plainBody(
          'laddered',
          'international harbourmaster observatories extraordinary conversations administration congratulations',
        ),
      ),
      laddered: paragraphStyle('laddered', {
        align: 'left',
        breaking: 'first-fit',
        hyphenLimits: { word: 5, before: 2, after: 3, consecutive: 1, lastWord: true, acrossColumns: true, capitals: true },
      }),
      narrow: { ...narrow, box: { ...narrow.box, w: 46, h: 150, y: 400 } },
    },
    says: /lines in a row end in a hyphen, 1 wanted/,
  },
  {
    rule: 'faces',
    what: 'an italic that there is not',
    changes: {
      slanted: paragraphStyle('slanted', { family: 'Archivo', weight: 800, italic: true, align: 'left' }),
      t1: textRecord('t1', plainBody('slanted', prose(30)), { story: 's1' }),
    },
    says: /asked of a face that it lacks/,
  },
  {
    rule: 'untidy',
    what: 'two spaces and typed quotes',
    changes: { t1: textRecord('t1', plainBody('body', `${prose(30)} Two  spaces.`, prose(40, 3)), { story: 's1' }) },
    says: /Several spaces, 1 place/,
  },
  {
    rule: 'byHand',
    what: 'formatting by hand',
    changes: {
      t1: textRecord('t1', docOf([paragraphOf({ style: 'body', local: { size: 10 } }, [text(prose(30))])]), { story: 's1' }),
    },
    says: /1 stretch formatted by hand/,
  },
  {
    rule: 'pictureWords',
    what: 'a picture without words',
    changes: {
      pic: picture('pic', { caption: '', credit: '', alternative: '' }),
      pf: pictureFrame('pf', 'pic', 'p1', { x: 50, y: 540, w: 40, h: 40 }),
    },
    says: /has no caption, no credit and no alternative text/,
  },
  {
    rule: 'light',
    what: 'a picture of light',
    changes: { pic: picture('pic', { colour: 'rgb' }), pf: pictureFrame('pf', 'pic', 'p1', { x: 50, y: 540, w: 40, h: 40 }) },
    says: /is kept in light/,
  },
  {
    rule: 'light',
    what: 'a colour of light',
    changes: { sea: { id: 'sea', kind: 'swatch', name: 'Sea', cmyk: [0.7, 0.2, 0.3, 0.1], rgb: [0.2, 0.5, 0.5] } },
    says: /“Sea” is given in light/,
  },
  {
    rule: 'swatches',
    what: 'two colours alike',
    changes: { black: { id: 'black', kind: 'swatch', name: 'Black', cmyk: [0, 0, 0.01, 1] } },
    says: /“Ink” and “Black” look the same/,
  },
];

const found = (findings: readonly Finding[], rule: string) => findings.filter((each) => each.rule === rule);

describe('a sound issue', () => {
  it('trips nothing', async () => {
    const findings = await inspected(document(...sound()));
    expect(findings.map(({ rule, words }) => `${rule}: ${words}`)).toEqual([]);
  });
});

describe('each rule', () => {
  const outcomes = new Map<Case, { document: Document; findings: Finding[] }>();
  beforeAll(async () => {
    for (const each of CASES) {
      const own = withRecords(sound(), each.changes);
      outcomes.set(each, { document: own, findings: await inspected(own, each.checking) });
    }
  });

  it('has a document that trips it', () => {
    const tried = new Set(CASES.map(({ rule }) => rule));
    // What cannot be composed is made by hand below.
    expect(RULES.map(({ name }) => name).filter((name) => !tried.has(name))).toEqual(['broken']);
  });

  it.each(CASES)('$rule: finds $what, says what it is and what comes of it', (each) => {
    const own = found(outcomes.get(each)!.findings, each.rule);
    expect(own.length).toBeGreaterThan(0);
    expect(own.map(({ words }) => words).join('\n')).toMatch(each.says);
    for (const { words, effect, title, at } of own) {
      expect(words.trim().length).toBeGreaterThan(5);
      expect(effect).toMatch(/\.$/);
      expect(title).not.toBe('');
      const record = recordAt(at);
      if (record !== undefined) expect(outcomes.get(each)!.document.records.has(record)).toBe(true);
    }
  });

  it.each(CASES)('$rule: each mend of $what leaves it gone and finds nothing new', async (each) => {
    const { document: before, findings } = outcomes.get(each)!;
    for (const finding of found(findings, each.rule))
      for (const mend of finding.mends) {
        if (!isDone(mend)) continue;
        const diff = mended(before, mend);
        for (const record of [...diff.added, ...diff.updated.map(({ after }) => after)]) expect(flawOf(record)).toBeUndefined();
        const now = await inspected(applied(before, diff), each.checking);
        const label = `${mend.name}: ${finding.words}`;
        expect(
          now.filter(({ about, words }) => about === finding.about && words === finding.words),
          label,
        ).toEqual([]);
        const known = new Set(findings.map(({ about }) => about));
        const news = now.filter(({ about, grave, rule }) => grave !== 'detail' && rule !== each.rule && !known.has(about));
        // What takes a page or a frame away leaves its story, or a number of pages, behind: that is then said.
        const follows = mend.do === 'removePage' || mend.do === 'addPages' || mend.do === 'removeFrame';
        if (!follows)
          expect(
            news.map(({ rule, words }) => `${rule}: ${words}`),
            label,
          ).toEqual([]);
      }
  });
});

describe('what is found', () => {
  it('of a frame that cannot be composed is the frame itself', async () => {
    const crooked = frame('ft1', { shape: { type: 'polygon', points: null as never } });
    const findings = await inspected(withRecords(sound(), { ft1: crooked }));
    expect(found(findings, 'broken').length + found(findings, 'emptyTexts').length).toBeGreaterThan(0);
  });

  it('by a rule that throws is the rule, and all others are made', async () => {
    const inspector = new Inspector();
    const own = document(...sound());
    await inspector.of(own);
    const throws = {
      name: 'throws',
      title: 'Throws',
      page: () => {
        throw new Error('no such thing');
      },
    };
    const checker = new Checker([throws, ...RULES]);
    const findings = checker.check(
      withRecords(sound(), { black: { id: 'black', kind: 'swatch', name: 'Black', cmyk: [0, 0, 0, 1] } }),
      inspector.composer.compose(own),
      {
        face: (id) => inspector.shaper.face(id),
        files: ALL_THERE,
        measured: () => undefined,
      },
    );
    expect(found(findings, 'throws')).toHaveLength(4);
    expect(found(findings, 'throws')[0]!.words).toBe('The check “Throws” could not be made: no such thing');
    expect(found(findings, 'swatches')).toHaveLength(1);
  });

  it('is no full page that fills its page, to the trim or into the bleed', async () => {
    const { width, height, bleed } = get(document(...sound()), 'format', 'format');
    const booked: DocumentRecord = { id: 'ad', kind: 'advertisement', name: 'Hollis', order: 'a0', size: 'full', picture: 'pic' };
    const inBox = async (box: FrameRecord['box']) => {
      const place = {
        ...pictureFrame('fa', undefined, 'p1', box),
        content: { type: 'advertisement', advertisement: 'ad' },
      } as const;
      return found(await inspected(withRecords(sound(), { ad: booked, pic: pictureRecord('pic'), fa: place })), 'advertisements');
    };
    expect(await inBox({ x: 0, y: 0, w: width, h: height })).toEqual([]);
    expect(await inBox({ x: -bleed, y: -bleed, w: width + 2 * bleed, h: height + 2 * bleed })).toEqual([]);
    expect(await inBox({ x: 0, y: 0, w: width, h: height * 0.8 })).toHaveLength(1);
  });

  it('is no light word on a dark picture that reaches over from the page beside', async () => {
    const light = (picture: string) =>
      withRecords(sound(), {
        paper: { id: 'paper', kind: 'swatch', name: 'Paper', cmyk: [0, 0, 0, 0] },
        white: paragraphStyle('white', { swatch: 'paper', size: 20, leading: 24 }),
        wt: textRecord('wt', plainBody('white', 'Wind over all of it')),
        wf: textFrame('wf', 'wt', 'p3', { x: 50, y: 540, w: 300, h: 30 }),
        [picture]: pictureRecord(picture),
        pf: {
          ...pictureFrame('pf', picture, 'p2', { x: -9, y: 535, w: 818, h: 74 }),
          order: 'Z0',
          content: { type: 'picture', picture, fit: 'fill' },
        },
      });
    const told = async (picture: string) => found(await inspected(light(picture)), 'contrast').map(({ words }) => words);
    expect(await told('dark')).toEqual([]);
    expect(await told('pale')).toEqual([expect.stringContaining('with what lies under it')]);
  });

  it('takes a wide line around letters as what they stand on, a narrow one as what is seen of them', async () => {
    // WCAG 2.2, note 4 to “contrast ratio”.
    const outlined = async (weight: number, swatch: string) => {
      const document = withRecords(sound(), {
        paper: { id: 'paper', kind: 'swatch', name: 'Paper', cmyk: [0, 0, 0, 0] },
        dark: picture('dark'),
        pf: {
          ...pictureFrame('pf', 'dark', 'p1', { x: -9, y: -9, w: 418, h: 618 }),
          order: 'Z0',
          content: { type: 'picture', picture: 'dark', fit: 'fill' },
        },
        lined: paragraphStyle('lined', { size: 10, letterOutline: { weight, swatch, tint: 1 } }),
        t1: textRecord('t1', plainBody('lined', prose(30)), { story: 's1' }),
      });
      return found(await inspected(document), 'contrast').filter(({ at }) => recordAt(at) === 'ft1').length;
    };
    expect(await outlined(1, 'paper')).toBe(0);
    expect(await outlined(0.3, 'paper')).toBe(0);
    expect(await outlined(1, 'ink')).toBeGreaterThan(0);
    expect(await outlined(0.3, 'ink')).toBeGreaterThan(0);
  });

  it('is no heading across its columns that stands right above what it is above', async () => {
    const across = (lines: number) =>
      withRecords(sound(), {
        wide: paragraphStyle('wide', { spans: true, keepNext: 1 }),
        nt: textRecord('nt', docOf([paragraph('body', prose(40)), paragraph('wide', 'Ropes'), paragraph('body', prose(60, 2))])),
        n1: textFrame('n1', 'nt', 'p1', { x: 50, y: 300, w: 300, h: lines * 12 }, { columns: 2, gutter: 12 }),
      });
    expect(found(await inspected(across(18)), 'headings')).toEqual([]);
  });

  it('can be accepted with a reason, until it says something else, and be asked for again', async () => {
    const before = withRecords(sound(), { ft1: frame('ft1', { box: { x: 50, y: 150, w: 300, h: 50 } }) });
    const [over] = found(await inspected(before), 'overset');
    expect(() => acceptFindings(before, [], ' ')).toThrow('Say why it may pass.');
    const accepted = applied(
      before,
      acceptFindings(before, [{ about: over!.about, words: over!.words, at: recordAt(over!.at) }], 'Dummy text'),
    );
    const [now] = found(await inspected(accepted), 'overset');
    expect(now!.accepted).toBe('Dummy text');
    // Two lines more are something else.
    const worse = withRecords([...accepted.records.values()], { ft1: frame('ft1', { box: { x: 50, y: 150, w: 300, h: 26 } }) });
    expect(found(await inspected(worse), 'overset')[0]!.accepted).toBeUndefined();
    const again = applied(accepted, askAgain(accepted, [now!]));
    expect(found(await inspected(again), 'overset')[0]!.accepted).toBeUndefined();
    expect(all(again, 'acceptance')).toEqual([]);
    // It goes with what it is about.
    const gone = withRecords([...accepted.records.values()], {});
    expect(get(gone, 'acceptance', all(gone, 'acceptance')[0]!.id).at).toBe('ft1');
  });

  it('of one kind is mended at once, in one change', async () => {
    const before = withRecords(sound(), {
      t1: textRecord('t1', plainBody('body', 'One  two  three.', 'And "more" here.'), { story: 's1' }),
      t2: textRecord('t2', plainBody('body', `Four  five. ${prose(30)}`), { story: 's2' }),
    });
    const findings = await inspected(before);
    const mends = found(findings, 'untidy').flatMap(({ mends: own }) => own);
    expect(mends.length).toBeGreaterThan(2);
    expect(found(await inspected(applied(before, allMended(before, mends))), 'untidy')).toEqual([]);
  });

  it('goes by limits that make sense together', () => {
    const before = document(...sound());
    expect(() => setLimits(before, { leastPpi: 400 })).toThrow('The least resolution cannot be above the good one.');
    expect(() => setLimits(before, { smallest: 30 })).toThrow(/cannot be allowed smaller/);
    expect(() => setLimits(before, { coverage: 9 })).toThrow(/Most ink coverage: from 50 to 400 %/);
    const news = applied(before, setLimits(before, { paper: 'newsprint' }));
    expect(get(news, 'profile', 'profile')).toMatchObject({ coverage: 2.4, leastPpi: 150 });
  });
});

describe('a document that is broken', () => {
  it('has findings, whichever of its records is missing', async () => {
    const inspector = new Inspector();
    for (const gone of everything) {
      // Without a format nothing has a size, and nothing is composed at all.
      if (gone.kind === 'format') continue;
      const findings = await inspector.of(documentOf(everything.filter(({ id }) => id !== gone.id)));
      expect(Array.isArray(findings), gone.id).toBe(true);
      expect(
        findings.filter(({ words }) => words.includes('could not be made')).map(({ words }) => `${gone.id}: ${words}`),
      ).toEqual([]);
    }
  });
});

describe('lines', () => {
  it('are counted as an independent reading of the display list counts them', async () => {
    const limits = { word: 5, before: 2, after: 3, consecutive: 1, lastWord: true, acrossColumns: true, capitals: true };
    const of = withRecords(sound(), {
      nt: textRecord('nt', plainBody('mixed', prose(120, 3), prose(90, 4))),
      mixed: paragraphStyle('mixed', { align: 'justify', breaking: 'first-fit', hyphenLimits: limits, size: 9, leading: 12 }),
      narrow: { ...narrow, box: { ...narrow.box, x: 50, y: 60, w: 90, h: 180 } },
    });
    const inspector = new Inspector();
    const findings = await inspector.of(of);
    const { pages, fits } = inspector.composer.compose(of);
    const columns = pages.flatMap(({ items }) =>
      items.flatMap((item) => (item.type === 'text' && item.text === 'nt' ? item.columns : [])),
    );
    const lines = columns.flatMap((column) => column.lines);
    // Word spaces as they are drawn: between the end of one word and the beginning of the next, in shares of the face's own.
    const wide = lines.filter(({ wordSpace, lastOfParagraph }) => !lastOfParagraph && wordSpace > 1.25 * 1.5);
    const [loose] = found(findings, 'spacing').filter(({ at }) => at.text === 'nt');
    const told = loose ? Number(/the worst of (\d+)/.exec(loose.words)?.[1] ?? 1) : 0;
    expect(told).toBe(wide.length);
    // What is over: lines that no page shows, counted by what the whole text has beside what its columns have.
    const over = found(findings, 'overset').filter(({ at }) => at.text === 'nt');
    const fit = fits.get('nt')!;
    expect(fit.lines - lines.length).toBe(fit.oversetLines);
    expect(over.map(({ words }) => Number(/^(\d+)/.exec(words)![1]))).toEqual(fit.oversetLines > 0 ? [fit.oversetLines] : []);
    // Hyphens: the longest run at the ends of lines of one paragraph in a column.
    let [run, longest] = [0, 0];
    for (const { lines: own, paragraphs } of columns)
      own.forEach((line, i) => {
        run =
          line.runs.at(-1)?.added && /[-‐]$/.test(line.runs.at(-1)!.text)
            ? (i > 0 && paragraphs[i] === paragraphs[i - 1] ? run : 0) + 1
            : 0;
        longest = Math.max(longest, run);
      });
    const ladders = found(findings, 'ladders').filter(({ at }) => at.text === 'nt');
    expect(Math.max(0, ...ladders.map(({ words }) => Number(/^(\d+)/.exec(words)![1])))).toBe(longest > 1 ? longest : 0);
  });
});

/** Lengths to a millionth of a point: sums are taken in another order where something is known already. */
const rounded = (findings: readonly Finding[]): unknown =>
  JSON.parse(
    JSON.stringify(findings, (_, value: unknown) => (typeof value === 'number' ? Math.round(value * 1e6) / 1e6 : value)),
  );

describe('checking after a change', () => {
  it('finds what checking anew finds, over every property of every kind of record', async () => {
    const base = [...everything];
    const inspector = new Inspector();
    await inspector.of(documentOf(base));
    let tried = 0;
    for (const record of base) {
      if (record.kind === 'text') continue;
      for (const { path, values } of variationsOf(
        SCHEMAS[record.kind],
        base.map(({ id }) => id),
      )) {
        const value = values.at(-1);
        const changed = withValue(record, path, value) as DocumentRecord;
        if (flawOf(changed)) continue;
        tried++;
        // Every ninth, of all kinds: composing anew takes its time.
        if (tried % 9 !== 0) continue;
        const now = documentOf(base.map((each) => (each.id === record.id ? changed : each)));
        let fresh: Finding[];
        try {
          fresh = await inspected(now);
        } catch {
          continue;
        }
        expect(rounded(await inspector.of(now)), `${record.kind} ${path.join('.')}`).toEqual(rounded(fresh));
        await inspector.of(documentOf(base));
      }
    }
    expect(tried).toBeGreaterThan(100);
  });

  it('looks again only at pages on which something changed', async () => {
    const inspector = new Inspector();
    const base = sound();
    await inspector.of(document(...base));
    expect(inspector.checker.pagesChecked).toBe(4);
    await inspector.of(withRecords(base, { t2: textRecord('t2', plainBody('body', prose(66, 9)), { story: 's2' }) }));
    // Its own page; the one beside it is painted with what reaches over.
    expect(inspector.checker.pagesChecked).toBeLessThanOrEqual(2);
  });
});
