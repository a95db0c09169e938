import { readFile } from 'node:fs/promises';
import type { PDFNumber } from '@cantoo/pdf-lib';
import {
  PDFArray,
  PDFDict,
  PDFDocument,
  PDFHexString,
  PDFName,
  type PDFObject,
  PDFRef,
  PDFStream,
  PDFString,
} from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { cellOf, field, figure, mark, paragraph, tableOf, text } from '../../../../tests/support/composed';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../../tests/support/documents';
import { madePdf } from '../../../../tests/support/pdf';
import { ran } from '../../../../tests/support/programs';
import { docOf, plainBody } from '@/core/records/body';
import type { DocumentRecord } from '@/core/records/index';

/**
 * A tagged PDF, by ISO 32000-1, 14.6 to 14.8, and ISO 14289-1 (PDF/UA-1); the clauses of the second are cited from memory. What
 * is in it is read back from its objects, and by poppler.
 */

const story = (id: string, name: string, more: object = {}): DocumentRecord => ({
  id,
  kind: 'story',
  name,
  section: 'Harbour',
  order: `a${id}`,
  tint: 0,
  parts: { headline: `${id}-headline`, body: `${id}-body`, standfirst: `${id}-standfirst` },
  ...more,
});

const of = (
  storyId: string,
  role: 'headline' | 'standfirst' | 'body' | 'caption' | 'quote',
  body: ReturnType<typeof docOf>,
  more = {},
) => textRecord(`${storyId}-${role}`, body, { role, story: storyId, ...more });

const TABLE = { columns: [{ share: 1 }, { share: 1 }], headerRows: 1, inset: 2 } as const;

const doc = document(
  ...baseRecords(4, { align: 'left' }),
  { id: 'harbour', kind: 'section', from: 'p1', name: 'Harbour' },
  { id: 'letters', kind: 'section', from: 'p4', name: 'Letters' },
  // On a master: a running head, which nobody wants read on every page.
  textRecord('running', plainBody('body', 'Longspar running head'), { role: 'furniture' }),
  textFrame('running-frame', 'running', 'master', { x: 50, y: 12, w: 300, h: 14 }),
  story('s1', 'The ferry'),
  of('s1', 'headline', plainBody('headline', 'The ferry comes late')),
  of('s1', 'standfirst', plainBody('body', 'Nobody on the quay minds.')),
  of(
    's1',
    'body',
    docOf([
      paragraph('body', [
        text('See the '),
        text('tide tables', mark('link', { href: 'https://example.org/tides' })),
        text(' first.'),
      ]),
      paragraph('crosshead', 'What it carries'),
      paragraph('body', 'Timber', { list: { kind: 'bullet', level: 0 } }),
      paragraph('body', 'Wire', { list: { kind: 'bullet', level: 0 } }),
      paragraph('body', 'Copper wire', { list: { kind: 'bullet', level: 1 } }),
      tableOf(
        [
          [cellOf([paragraph('body', 'Hour')]), cellOf([paragraph('body', 'Ferry')])],
          [cellOf([paragraph('body', 'Nine')]), cellOf([paragraph('body', 'Tam')])],
          [cellOf([paragraph('body', 'None on Sundays')], { across: 2 })],
        ],
        TABLE,
      ),
      figure({ picture: 'drawn', width: 40 }),
      paragraph('body', prose(360, 5)),
    ]),
  ),
  of('s1', 'caption', plainBody('body', 'The Tam at her mooring.'), { picture: 'photo' }),
  of('s1', 'quote', plainBody('pullQuote', 'Nobody minds.')),
  textFrame('h1', 's1-headline', 'p2', { x: 50, y: 48, w: 300, h: 60 }),
  textFrame('sf1', 's1-standfirst', 'p2', { x: 50, y: 110, w: 300, h: 24 }),
  textFrame('b1', 's1-body', 'p2', { x: 50, y: 140, w: 140, h: 400 }, { jumpTo: 'jump' }),
  textFrame('b2', 's1-body', 'p3', { x: 50, y: 48, w: 140, h: 500 }, { order: 'a1', jumpFrom: 'jumped' }, 'a1'),
  textFrame('q1', 's1-quote', 'p2', { x: 210, y: 420, w: 140, h: 60 }),
  textRecord('jump', docOf([paragraph('body', [text('More on page '), field('nextFolio')])]), { role: 'furniture' }),
  textRecord('jumped', docOf([paragraph('body', [text('From page '), field('previousFolio')])]), { role: 'furniture' }),
  pictureRecord('photo', { media: 'image/jpeg', width: 600, height: 400, alternative: 'A ferry at a wooden quay' }),
  pictureRecord('drawn', { media: 'image/png', width: 40, height: 40, caption: 'A small kite' }),
  pictureFrame('photo-frame', 'photo', 'p2', { x: 210, y: 140, w: 140, h: 94 }),
  textFrame('c1', 's1-caption', 'p2', { x: 210, y: 236, w: 140, h: 24 }),
  story('s2', 'A letter', { order: 'b', parts: { headline: 's2-headline', body: 's2-body' } }),
  of('s2', 'headline', plainBody('headline', 'A letter')),
  of('s2', 'body', docOf([paragraph('body', 'Sir, the kite flies.'), paragraph('quotes', 'It flew before.')])),
  { id: 'quotes', kind: 'paragraphStyle', name: 'Quoted', basedOn: 'quotation', properties: {} },
  { id: 'quotation', kind: 'paragraphStyle', name: 'Quotation', basedOn: 'body', properties: { indentLeft: 10 } as never },
  textFrame('h2', 's2-headline', 'p4', { x: 50, y: 48, w: 300, h: 30 }),
  textFrame('b2-2', 's2-body', 'p4', { x: 50, y: 90, w: 140, h: 60 }),
  // A contents list, written out for each story.
  textRecord('contents', docOf([paragraph('body', [field('folio'), text(' '), field('story')], { each: 'story' })]), {
    role: 'furniture',
  }),
  textFrame('contents-frame', 'contents', 'p1', { x: 50, y: 48, w: 200, h: 60 }),
  {
    ...pictureFrame('panel', undefined, 'p4', { x: 200, y: 300, w: 100, h: 60 }),
    content: { type: 'panel' },
    fill: { swatch: 'tint', tint: 1 },
  },
);

const bytes = () =>
  sharp({ create: { width: 600, height: 400, channels: 3, background: '#456' } })
    .jpeg()
    .toBuffer();

/** An element of the structure as it stands in the file. */
interface Read {
  readonly type: string;
  readonly dict: PDFDict;
  readonly kids: (Read | { readonly page: number; readonly mcid: number } | { readonly annotation: PDFDict })[];
}

let path: string;
let pdf: PDFDocument;
let root: Read;
let streams: string[];

beforeAll(async () => {
  ({ path } = await madePdf(doc, {
    for: 'screen',
    bytes: (picture) => (picture.id === 'drawn' ? bytes().then((b) => sharp(b).png().toBuffer()) : bytes()),
  }));
  pdf = await PDFDocument.load(await readFile(path), { updateMetadata: false });
  const tree = pdf.catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict);
  root = read(tree.get(PDFName.of('K'))!);
  const { out } = await ran('qpdf', ['--json', '--json-key=pages', path]);
  const pages = (JSON.parse(out) as { pages: { contents: string[] }[] }).pages;
  streams = await Promise.all(
    pages.map(
      async ({ contents }) =>
        (await ran('qpdf', [`--show-object=${contents[0]!.split(' ')[0]}`, '--filtered-stream-data', path])).out,
    ),
  );
});

const look = (object: PDFObject | undefined) => (object instanceof PDFRef ? pdf.context.lookup(object) : object);

function read(object: PDFObject): Read {
  const dict = look(object) as PDFDict;
  const kids = look(dict.get(PDFName.of('K')));
  const list = kids instanceof PDFArray ? kids.asArray() : kids ? [kids] : [];
  return {
    type: name(dict, 'S'),
    dict,
    kids: list.map((each) => {
      const kid = look(each) as PDFDict;
      if (name(kid, 'Type') === 'MCR')
        return {
          page: pdf.getPages().findIndex((page) => page.ref === kid.get(PDFName.of('Pg'))),
          mcid: (kid.get(PDFName.of('MCID')) as PDFNumber).asNumber(),
        };
      if (name(kid, 'Type') === 'OBJR') return { annotation: look(kid.get(PDFName.of('Obj'))) as PDFDict };
      return read(each);
    }),
  };
}

const name = (dict: PDFDict, key: string): string => {
  const value = dict.get(PDFName.of(key));
  return value instanceof PDFName ? value.decodeText() : '';
};

const words = (dict: PDFDict, key: string): string | undefined => {
  const value = look(dict.get(PDFName.of(key)));
  return value instanceof PDFHexString || value instanceof PDFString ? value.decodeText() : undefined;
};

const isRead = (kid: Read['kids'][number]): kid is Read => 'kids' in kid;

const every = (of: Read): Read[] => [of, ...of.kids.filter(isRead).flatMap(every)];

/** A tree in brackets: `Document[Part[Art[H1]]]`. */
const shape = (of: Read): string => {
  const kids = of.kids.filter(isRead);
  return kids.length > 0 ? `${of.type}[${kids.map(shape).join(' ')}]` : of.type;
};

describe('the structure of a screen PDF', () => {
  it('is that of the issue: sections, stories, and in them what a reader meets in its order', () => {
    expect(shape(root)).toBe(
      [
        'Document[Part[Sect[TOC[TOCI[Link] TOCI[Link]]] Art[H1 P P[Link] H2 L[LI[Lbl LBody] LI[Lbl LBody[L[LI[Lbl LBody]]]]]',
        'Table[THead[TR[TH[P] TH[P]]] TBody[TR[TD[P] TD[P]] TR[TD[P]]]] Figure P BlockQuote[P] P[Link] Figure[Caption] P[Link]]]',
        'Part[Art[H1 P BlockQuote[P]]]]',
      ].join(' '),
    );
    expect(
      every(root)
        .filter(({ type }) => type === 'Part' || type === 'Art')
        .map(({ dict }) => words(dict, 'T')),
    ).toEqual(['Harbour', 'The ferry', 'Letters', 'A letter']);
  });

  // Reference: poppler’s reading of the structure.
  it('is read by poppler in that order, whole words, without what masters show', async () => {
    const { out } = await ran('pdfinfo', ['-struct-text', path]);
    const said = out.replace(/\u00AD/g, '').replace(/\s+/g, ' ');
    const order = [
      'The ferry comes late',
      'Nobody on the quay minds',
      'tide tables',
      'What it carries',
      'Timber',
      'Hour',
      'Nine',
      'Nobody minds.',
      'at her mooring',
      'A letter',
      'the kite flies',
    ];
    const places = order.map((each) => said.lastIndexOf(each));
    expect(Math.min(...places), JSON.stringify(places)).toBeGreaterThanOrEqual(0);
    expect(places).toEqual([...places].sort((a, b) => a - b));
    expect(said).not.toContain('running head');
  });

  // ISO 32000-1, 14.7.4.4: from a mark on a page back to its element, and from the element to it.
  it('leads from every marked content to its element and back', () => {
    const numbers = pdf.catalog.lookup(PDFName.of('StructTreeRoot'), PDFDict).lookup(PDFName.of('ParentTree'), PDFDict);
    const nums = numbers.lookup(PDFName.of('Nums'), PDFArray);
    const marked = new Map<string, PDFDict>();
    for (const element of every(root))
      for (const kid of element.kids) if ('mcid' in kid) marked.set(`${kid.page} ${kid.mcid}`, element.dict);
    let count = 0;
    pdf.getPages().forEach((page, i) => {
      expect((page.node.get(PDFName.of('StructParents')) as PDFNumber).asNumber()).toBe(i);
      const owners = look(nums.get(2 * i + 1)) as PDFArray;
      owners.asArray().forEach((owner, mcid) => {
        expect(look(owner), `page ${i + 1}, ${mcid}`).toBe(marked.get(`${i} ${mcid}`));
        count++;
      });
    });
    expect(count).toBe(marked.size);
    for (const [i, stream] of streams.entries()) {
      const mcids = [...stream.matchAll(/<<\/MCID (\d+)>> BDC/g)].map((match) => Number(match[1]));
      expect(mcids).toEqual(mcids.map((_, k) => k));
      for (const mcid of mcids) expect(marked.has(`${i} ${mcid}`)).toBe(true);
    }
  });

  // ISO 14289-1, 7.1: content is an artifact or tagged, and never the one in the other.
  it('covers everything that is painted', () => {
    for (const stream of streams) {
      const open: string[] = [];
      let painted = 0;
      for (const line of stream.split('\n')) {
        if (/ B[DM]C$/.test(line)) {
          const kind = line.startsWith('/Artifact') ? 'artifact' : line.includes('/MCID') ? 'tagged' : 'span';
          if (kind !== 'span')
            expect(
              open.filter((each) => each !== 'span'),
              line,
            ).toEqual([]);
          open.push(kind);
        }
        if (/(^| )(Tj|TJ|f\*?|S|Do)( Q| ET)?$/.test(line) && !/ W n$/.test(line)) {
          painted++;
          expect(
            open.some((each) => each !== 'span'),
            line,
          ).toBe(true);
        }
        if (/(^| )EMC$/.test(line)) open.pop();
      }
      expect(open).toEqual([]);
      expect(painted).toBeGreaterThan(0);
    }
  });

  it('says that it is tagged, in which language, and what it is called (5, 7.1, 7.2)', () => {
    expect(String(pdf.catalog.lookup(PDFName.of('MarkInfo'), PDFDict).get(PDFName.of('Marked')))).toBe('true');
    expect(words(pdf.catalog, 'Lang')).toBe('en-GB');
    const shows = pdf.catalog.lookup(PDFName.of('ViewerPreferences'), PDFDict);
    expect(String(shows.get(PDFName.of('DisplayDocTitle')))).toBe('true');
    const xmp = new TextDecoder().decode(pdf.catalog.lookup(PDFName.of('Metadata'), PDFStream).getContents());
    expect(xmp).toContain('<pdfuaid:part>1</pdfuaid:part>');
    expect(xmp).toContain('Longspar 14');
    for (const page of pdf.getPages()) expect(name(page.node, 'Tabs')).toBe('S');
  });

  it('says something in the place of every picture, and where it is (7.3)', () => {
    const figures = every(root).filter(({ type }) => type === 'Figure');
    expect(figures.map(({ dict }) => words(dict, 'Alt'))).toEqual(['A small kite', 'A ferry at a wooden quay']);
    for (const { dict } of figures) {
      const box = dict
        .lookup(PDFName.of('A'), PDFDict)
        .lookup(PDFName.of('BBox'), PDFArray)
        .asArray()
        .map((each) => (each as PDFNumber).asNumber());
      expect(box[2]! - box[0]!).toBeGreaterThan(30);
      expect(box[3]! - box[1]!).toBeGreaterThan(20);
    }
    const photo = figures[1]!.dict
      .lookup(PDFName.of('A'), PDFDict)
      .lookup(PDFName.of('BBox'), PDFArray)
      .asArray()
      .map((each) => (each as PDFNumber).asNumber());
    [210, 600 - 234, 350, 600 - 140].forEach((value, i) => expect(photo[i]).toBeCloseTo(value, 3));
  });

  it('skips no heading (7.4.2), and gives the heads of tables their scope (7.5)', () => {
    const levels = every(root).flatMap(({ type }) => (/^H\d$/.test(type) ? [Number(type[1])] : []));
    expect(levels[0]).toBe(1);
    levels.forEach((level, i) => expect(level).toBeLessThanOrEqual((levels[i - 1] ?? 0) + 1));
    for (const { dict } of every(root).filter(({ type }) => type === 'TH'))
      expect(name(dict.lookup(PDFName.of('A'), PDFDict), 'Scope')).toBe('Column');
    const wide = every(root).filter(({ type, dict }) => type === 'TD' && dict.has(PDFName.of('A')));
    expect(wide.map(({ dict }) => String(dict.lookup(PDFName.of('A'), PDFDict).get(PDFName.of('ColSpan'))))).toEqual(['2']);
  });

  it('has live links to the web, to stories and to where a text goes on, each in the structure and described (7.18)', () => {
    const links = every(root).flatMap((element) =>
      element.kids.flatMap((kid) => ('annotation' in kid ? [{ element, annotation: kid.annotation }] : [])),
    );
    for (const { element } of links) expect(element.type).toBe('Link');
    const said = links.map(({ annotation }) => {
      const action = look(annotation.get(PDFName.of('A'))) as PDFDict | undefined;
      const dest = look(annotation.get(PDFName.of('Dest'))) as PDFArray | undefined;
      const page = dest && pdf.getPages().findIndex((each) => each.ref === dest.get(0)) + 1;
      return [words(annotation, 'Contents'), action ? words(action, 'URI') : page];
    });
    expect(said).toEqual([
      ['To “The ferry”', 2],
      ['To “A letter”', 4],
      ['tide tables', 'https://example.org/tides'],
      ['To page 3', 3],
      ['To page 2', 2],
    ]);
    const annotations = pdf.getPages().flatMap((page) => page.node.Annots()?.asArray() ?? []);
    expect(annotations).toHaveLength(said.length);
    for (const each of annotations) expect((look(each) as PDFDict).has(PDFName.of('StructParent'))).toBe(true);
  });

  // Reference: qpdf’s reading of bookmarks and labels.
  it('has bookmarks by section and story, and its pages called by their folios', async () => {
    const { out } = await ran('qpdf', ['--json', '--json-key=outlines', '--json-key=pagelabels', path]);
    const json = JSON.parse(out) as { outlines: Outline[]; pagelabels: { label: Record<string, string> }[] };
    const titles = (list: Outline[]): unknown[] =>
      list.map(({ title, kids, destpageposfrom1 }) => [title, destpageposfrom1, ...titles(kids)]);
    expect(titles(json.outlines)).toEqual([
      ['Harbour', 2, ['The ferry', 2]],
      ['Letters', 4, ['A letter', 4]],
    ]);
    expect(json.pagelabels.map(({ label }) => label['/P'])).toEqual(['u:1', 'u:2', 'u:3', 'u:4']);
  });
});

interface Outline {
  readonly title: string;
  readonly destpageposfrom1: number;
  readonly kids: Outline[];
}
