import { readFile } from 'node:fs/promises';
import Ajv from 'ajv/dist/2020';
import * as fontkit from 'fontkit';
import { HtmlValidate } from 'html-validate';
import { parseDocument } from 'htmlparser2';
import JSZip from 'jszip';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { decompress } from 'wawoff2';
import { storyParts } from '@/core/plan/storyParts';
import { bodyText, docOf } from '@/core/records/body';
import { all, type Document, documentOf } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import type { WayChoices } from '@/core/handoff/ways';
import { makeEpub } from '@/services/deliveries/ways/epub';
import { makeWeb } from '@/services/deliveries/ways/web';
import { putBlob } from '@/store/blobs';
import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { type Cluster, openCluster } from '../support/application';
import { cellOf, characterStyle, field, mark, paragraph, paragraphStyle, tableOf, text } from '../support/composed';
import { baseRecords, pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../support/documents';
import { composerFor } from '../support/faces';
import { filed, ran } from '../support/programs';

/**
 * A web edition and an EPUB of an issue with a bit of everything, looked at from outside: html-validate (the rules of HTML), ajv
 * with a schema of JSON Feed 1.1 (jsonfeed.org, from memory), the clauses of Atom (RFC 4287, from memory), fontkit (faces), pandoc
 * (words) and epubcheck (EPUB 3).
 */

let cluster: Cluster;
let document: Document;
let web: JSZip;
let book: Uint8Array;
let steps: number[];
const html = new Map<string, string>();

const AT = new Date('2026-11-27T10:00:00Z');

const drawn = (svg: string, format: 'png' | 'jpeg') => sharp(Buffer.from(svg))[format]().toBuffer();
const svg = (width: number, height: number, inner: string) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}">${inner}</svg>`;

async function records(): Promise<DocumentRecord[]> {
  const field1 = await drawn(
    svg(1800, 1200, '<rect width="1800" height="1200" fill="#468"/><circle cx="1500" cy="600" r="300" fill="#fc3"/>'),
    'jpeg',
  );
  const kite = await drawn(svg(700, 700, '<path d="M350 20L680 300 350 680 20 300z" fill="#c33"/>'), 'png');
  const line = Buffer.from(svg(120, 60, '<path d="M0 30h120" stroke="#222"/>'));
  const blobs = await Promise.all([putBlob('image/jpeg', field1), putBlob('image/png', kite), putBlob('image/svg+xml', line)]);
  const cells = (...words: string[]) => words.map((each) => cellOf([paragraph('body', each)]));
  const long = [1, 2, 3, 4, 5].map((seed) => prose(80, seed));
  return [
    ...baseRecords(6),
    paragraphStyle('bodyFirst', { dropCap: { lines: 3, letters: 1, gap: 3 }, leadIn: { extent: 3, style: 'small' } }),
    paragraphStyle('crosshead', { weight: 700, size: 11, leading: 12 }),
    paragraphStyle('last', { endMark: { text: ' ◆' } }),
    characterStyle('small', { letterCase: 'smallCapitals', tracking: 30 }),
    { id: 'red', kind: 'swatch', name: 'Flag & red', cmyk: [0, 0.9, 0.8, 0] },
    paragraphStyle('loud', { swatch: 'red', size: 30, leading: 32, weight: 900 }),
    { id: 's1', kind: 'section', name: 'Harbour & hill', from: 'p2' },
    { id: 's2', kind: 'section', name: 'Letters', from: 'p5' },
    {
      id: 'one',
      kind: 'story',
      name: 'One',
      section: '',
      order: 'a0',
      tint: 0,
      parts: { headline: 'h1', body: 'b1', standfirst: 'd1', byline: 'y1' },
    },
    textRecord('h1', docOf([paragraph('loud', 'Wind & <weather> “over” the wall')]), { role: 'headline', story: 'one' }),
    textRecord('d1', docOf([paragraph('body', 'For ninety years somebody has written down every breath of wind.')]), {
      role: 'standfirst',
      story: 'one',
    }),
    textRecord('y1', docOf([paragraph('body', 'By Ines Calloway')]), { role: 'byline', story: 'one' }),
    textRecord(
      'b1',
      docOf([
        paragraph('bodyFirst', long[0]!),
        paragraph('crosshead', 'What the paper knows'),
        paragraph('body', [
          text('Some '),
          text('strong', mark('strong')),
          text(' and '),
          text('leaning', mark('emphasis')),
          text(' words, H'),
          text('2', mark('subscript')),
          text('O, 貓 and שלום, and '),
          text('the observatory', mark('link', { href: 'https://example.org/wind?a=1&b=2' })),
          text(' in '),
          text('red', mark('local', { properties: { swatch: 'red', italic: true } })),
          text('.'),
        ]),
        paragraph('body', 'Bread', { list: { kind: 'bullet', level: 0 } }),
        paragraph('body', 'Rope', { list: { kind: 'bullet', level: 0 } }),
        paragraph('body', 'of linen', { list: { kind: 'bullet', level: 1 } }),
        paragraph('body', 'Third', { list: { kind: 'number', level: 0, number: 3 } }),
        tableOf([cells('Day', 'Gusts'), cells('Monday', '19'), cells('Tuesday', '7')], {
          columns: [{ share: 1 }, { share: 1 }],
          headerRows: 1,
          inset: 2,
        }),
        ...long.slice(1).map((words) => paragraph('body', words)),
        paragraph('last', 'That is all there is.'),
      ]),
      { story: 'one' },
    ),
    textFrame('h1f', 'h1', 'p2', { x: 50, y: 48, w: 300, h: 70 }),
    textFrame('d1f', 'd1', 'p2', { x: 50, y: 120, w: 300, h: 24 }),
    textFrame('y1f', 'y1', 'p2', { x: 50, y: 146, w: 300, h: 12 }),
    { ...textFrame('b1f', 'b1', 'p2', { x: 50, y: 160, w: 300, h: 190 }, { jumpTo: 'jump' }) },
    textFrame('b1g', 'b1', 'p3', { x: 50, y: 48, w: 300, h: 500 }, { order: 'a1' }),
    textRecord('jump', docOf([paragraph('body', [text('Jumped to page '), field('nextFolio')])]), { role: 'furniture' }),
    textRecord('q1', docOf([paragraph('loud', 'It remembers the wind')]), { role: 'quote', story: 'one' }),
    textFrame('q1f', 'q1', 'p3', { x: 60, y: 560, w: 200, h: 34 }),
    pictureRecord('photo', {
      blob: blobs[0],
      media: 'image/jpeg',
      width: 1800,
      height: 1200,
      caption: 'The harbour at dusk.',
      credit: 'Rafe Dunmore',
      alternative: 'A yellow sun over "blue" water',
    }),
    pictureFrame('photo-frame', 'photo', 'p2', { x: 50, y: 360, w: 300, h: 190 }),
    { id: 'two', kind: 'story', name: 'Two', section: '', order: 'a1', tint: 1, parts: { headline: 'h2', body: 'b2' } },
    textRecord('h2', docOf([paragraph('headline', 'Letters')]), { role: 'headline', story: 'two' }),
    textRecord('b2', docOf([paragraph('body', prose(60, 9))]), { story: 'two' }),
    textFrame('h2f', 'h2', 'p5', { x: 50, y: 48, w: 300, h: 30 }),
    textFrame('b2f', 'b2', 'p5', { x: 50, y: 90, w: 300, h: 200 }),
    pictureRecord('kite', { blob: blobs[1], width: 700, height: 700, transparent: true, caption: 'A kite.' }),
    pictureFrame('kite-frame', 'kite', 'p5', { x: 60, y: 300, w: 120, h: 120 }),
    pictureRecord('rule', { blob: blobs[2], media: 'image/svg+xml', width: 120, height: 60, alternative: 'A line' }),
    textRecord('box', docOf([paragraph('crosshead', 'At the loft'), paragraph('body', 'Open on Tuesdays.')])),
    textFrame('box-frame', 'box', 'p6', { x: 50, y: 48, w: 200, h: 60 }),
    pictureFrame('rule-frame', 'rule', 'p6', { x: 50, y: 150, w: 120, h: 60 }),
    textRecord('inside', docOf([paragraph('body', [field('story'), text(', '), field('folio')], { each: 'story' })])),
    textFrame('inside-frame', 'inside', 'p1', { x: 50, y: 300, w: 200, h: 100 }),
  ];
}

async function made<W extends 'web' | 'epub'>(
  make: (of: never) => Promise<Uint8Array>,
  choices: WayChoices[W],
): Promise<Uint8Array> {
  const { composer, shaper } = await composerFor(document);
  steps = [];
  return make({
    document,
    whole: document,
    source: { id: 'issue', seq: 1 },
    composed: composer.compose(document),
    shaper,
    choices,
    report: { title: '', at: '', limits: '', findings: [] },
    at: AT,
    progress: (done: number, of: number) => {
      steps.push(done / of);
      return Promise.resolve();
    },
  } as never);
}

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
  document = documentOf(await records());
  web = await JSZip.loadAsync(await made<'web'>(makeWeb, { address: 'https://longspar.example/14' }));
  for (const path of Object.keys(web.files)) if (path.endsWith('.html')) html.set(path, await web.file(path)!.async('string'));
}, 120_000);

afterAll(async () => {
  await pool().end();
  await cluster.stop();
});

/** Words as pandoc reads them, without marks and breaks. */
const plain = (words: string): string => words.replace(/\s+/g, ' ').trim();

const wordsAmong = async (path: string, from: string): Promise<string> =>
  plain((await ran('pandoc', ['-f', from, '-t', 'plain', '--wrap=none', path])).out);

/** Letters and figures alone: small figures above and below the line count as figures. */
const bare = (of: string): string => of.normalize('NFKC').replace(/[^\p{L}\p{N}]+/gu, '');

/** What stands in a text of a story, paragraph by paragraph. */
const paragraphs = (): string[] =>
  all(document, 'story').flatMap((story) =>
    storyParts(document, story).flatMap(({ text: { body } }) => bodyText(body).split('\n').map(plain).filter(Boolean)),
  );

describe('a web edition', () => {
  it('has contents, a page for each section and each story, a style and feeds', () => {
    expect([...html.keys()].sort()).toEqual([
      'harbour-hill.html',
      'index.html',
      'letters-2.html',
      'letters.html',
      'wind-weather-over-the-wall.html',
    ]);
    for (const path of ['style.css', 'feed.xml', 'feed.json']) expect(web.file(path)).not.toBeNull();
    expect(steps[0]).toBe(0);
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
  });

  it('is found without fault by html-validate, page by page', async () => {
    const check = new HtmlValidate({
      extends: ['html-validate:recommended', 'html-validate:standard', 'html-validate:a11y', 'html-validate:document'],
      // Its style lies in the same folder.
      rules: { 'require-sri': ['error', { target: 'crossorigin' }] },
    });
    for (const [path, words] of html) {
      const { results } = await check.validateString(words);
      expect(
        results.flatMap(({ messages }) => messages.map(({ ruleId, message, line }) => `${path}:${line} ${ruleId} ${message}`)),
      ).toEqual([]);
    }
  });

  it('leads nowhere that is not there', () => {
    for (const [path, words] of html) {
      const to = [...words.matchAll(/(?:href|src)="([^"]+)"/g)].map((match) => match[1]!);
      const sets = [...words.matchAll(/srcset="([^"]+)"/g)].flatMap((match) =>
        match[1]!.split(', ').map((each) => each.split(' ')[0]!),
      );
      for (const each of [...to, ...sets]) {
        if (/^(https?:|#)/.test(each)) continue;
        expect(web.file(decodeURIComponent(each)), `${each} in ${path}`).not.toBeNull();
      }
    }
  });

  it('has every word of the stories, in their order, as pandoc reads them', async () => {
    const page = await filed('story.html', html.get('wind-weather-over-the-wall.html')!);
    const words = await wordsAmong(page, 'html');
    let at = 0;
    for (const each of [
      'What the paper knows',
      'Some strong and leaning words',
      'Bread',
      'of linen',
      'Third',
      'Monday',
      'That is all there is.',
    ]) {
      const found = words.indexOf(each, at);
      expect(found, each).toBeGreaterThanOrEqual(at);
      at = found;
    }
    const everything = plain(
      (await Promise.all([...html.values()].map(async (of) => wordsAmong(await filed('page.html', of), 'html')))).join(' '),
    );
    for (const each of paragraphs()) expect(bare(everything), each).toContain(bare(each));
    expect(everything).toContain('Open on Tuesdays.');
    for (const printed of ['Jumped to page', 'Two, 5']) expect(everything).not.toContain(printed);
  });

  it('has its pictures in two formats, as they are cropped, with words in their place', async () => {
    const page = html.get('wind-weather-over-the-wall.html')!;
    expect(page).toContain('alt="A yellow sun over &quot;blue&quot; water"');
    const files = Object.keys(web.files).filter((path) => path.startsWith('pictures/photo'));
    expect(files.sort()).toEqual([
      'pictures/photo-1600.avif',
      'pictures/photo-1600.jpg',
      'pictures/photo-640.avif',
      'pictures/photo-640.jpg',
    ]);
    const { width, height, format } = await sharp(await web.file('pictures/photo-1600.jpg')!.async('nodebuffer')).metadata();
    expect([width, format]).toEqual([1600, 'jpeg']);
    // The frame is 300 by 190 points; the picture is shown whole in its width.
    expect(width / height).toBeCloseTo(1800 / 1200, 1);
    expect((await sharp(await web.file('pictures/photo-640.avif')!.async('nodebuffer')).metadata()).format).toBe('heif');
    const cutOut = Object.keys(web.files).filter((path) => path.startsWith('pictures/kite'));
    expect(cutOut.some((path) => path.endsWith('.png'))).toBe(true);
    const { hasAlpha } = await sharp(
      await web.file(cutOut.find((path) => path.endsWith('.png'))!)!.async('nodebuffer'),
    ).metadata();
    expect(hasAlpha).toBe(true);
  });

  it('carries faces that have every letter of its pages, as WOFF2', async () => {
    const style = await web.file('style.css')!.async('string');
    const faces = [...style.matchAll(/@font-face\{font-family:"([^"]+)".*?url\("([^"]+)"\)/g)].map((match) => ({
      family: match[1]!,
      path: match[2]!,
    }));
    expect(faces.length).toBeGreaterThan(2);
    const opened = await Promise.all(
      faces.map(async ({ family, path }) => {
        const bytes = await web.file(path)!.async('nodebuffer');
        expect(bytes.subarray(0, 4).toString()).toBe('wOF2');
        // Two readers: the reference decoder, and fontkit.
        expect((await decompress(bytes)).length).toBeGreaterThan(bytes.length);
        return { family, font: fontkit.create(bytes) };
      }),
    );
    const words = [...html.values()].map((page) => textOf(page)).join('');
    const lacking = [...new Set(words)].filter(
      (character) => !/\s/.test(character) && !opened.some(({ font }) => font.hasGlyphForCodePoint(character.codePointAt(0)!)),
    );
    expect(lacking).toEqual([]);
    const serif = opened.find(({ family }) => family === 'Source Serif 4')!.font;
    for (const letter of 'Windovertheal') expect(serif.hasGlyphForCodePoint(letter.codePointAt(0)!), letter).toBe(true);
    // Small capitals are the face's own.
    expect(serif.availableFeatures).toContain('smcp');
  });

  it('says what it is to those who link to it, and to machines', () => {
    const page = html.get('wind-weather-over-the-wall.html')!;
    const meta = (property: string) => new RegExp(`<meta property="${property}" content="([^"]*)">`).exec(page)?.[1];
    // The Open Graph protocol (ogp.me): four properties that every page has.
    expect(meta('og:title')).toContain('Wind &amp; &lt;weather&gt;');
    expect(meta('og:type')).toBe('article');
    expect(meta('og:url')).toBe('https://longspar.example/14/wind-weather-over-the-wall.html');
    expect(meta('og:image')).toMatch(/^https:\/\/longspar\.example\/14\/pictures\/photo-/);
    const data = JSON.parse(/<script type="application\/ld\+json">(.*?)<\/script>/.exec(page)![1]!) as Record<string, unknown>;
    expect(data).toMatchObject({
      '@context': 'https://schema.org',
      '@type': 'Article',
      headline: 'Wind & <weather> “over” the wall',
      author: { '@type': 'Person', name: 'Ines Calloway' },
      pagination: '2–3',
      articleSection: 'Harbour & hill',
      isPartOf: { '@type': 'PublicationIssue', issueNumber: '14', isPartOf: { '@type': 'Periodical', name: 'Longspar' } },
    });
  });

  it('has a JSON Feed that keeps to its schema', async () => {
    const feed: unknown = JSON.parse(await web.file('feed.json')!.async('string'));
    const validate = new Ajv({ strict: false }).compile(
      JSON.parse(await readFile('tests/database/jsonFeed-1.1.schema.json', 'utf8')) as object,
    );
    expect(validate(feed), JSON.stringify(validate.errors)).toBe(true);
    expect(feed).toMatchObject({
      items: [{ url: 'https://longspar.example/14/wind-weather-over-the-wall.html' }, { title: 'Letters' }],
    });
  });

  it('has an Atom feed as RFC 4287 asks for', async () => {
    const root = parseDocument(await web.file('feed.xml')!.async('string'), { xmlMode: true });
    type Element = { name?: string; children?: Element[]; attribs?: Record<string, string>; data?: string };
    const feed = (root.children as Element[]).find(({ name }) => name === 'feed')!;
    const own = (of: Element, name: string) => (of.children ?? []).filter((each) => each.name === name);
    const words = (of: Element): string => of.data ?? (of.children ?? []).map(words).join('');
    expect(feed.attribs!['xmlns']).toBe('http://www.w3.org/2005/Atom');
    const entries = own(feed, 'entry');
    expect(entries).toHaveLength(2);
    const ids: string[] = [];
    // 4.1.1 and 4.1.2: exactly one id, title and updated each; an author in each entry or in the feed; a link to another form.
    for (const each of [feed, ...entries]) {
      for (const name of ['id', 'title', 'updated']) expect(own(each, name), name).toHaveLength(1);
      ids.push(words(own(each, 'id')[0]!));
      // 3.3: a date as RFC 3339 has it.
      expect(words(own(each, 'updated')[0]!)).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(\.\d+)?Z$/);
      expect(own(each, 'link').filter(({ attribs }) => attribs!['rel'] === 'alternate')).toHaveLength(1);
    }
    expect(own(feed, 'author')).toHaveLength(1);
    // 4.2.6: ids are IRIs, and differ.
    expect(new Set(ids).size).toBe(ids.length);
    for (const id of ids) expect(id).toMatch(/^urn:uuid:[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
    // 4.1.3.3: content of the type html is HTML, escaped.
    const content = own(entries[0]!, 'content')[0]!;
    expect(content.attribs!['type']).toBe('html');
    expect(words(content)).toContain('<strong>strong</strong>');
  });

  it('without an address leads from its own folder, and comes to the same when it is made again', async () => {
    const bytes = await made<'web'>(makeWeb, { address: '' });
    const again = await JSZip.loadAsync(bytes);
    const page = await again.file('index.html')!.async('string');
    expect(page).not.toContain('og:url');
    expect(await again.file('feed.xml')!.async('string')).toContain('href="index.html"');
    const third = await JSZip.loadAsync(await made<'web'>(makeWeb, { address: '' }));
    for (const path of Object.keys(again.files).filter((each) => !each.endsWith('/')))
      expect(Buffer.compare(await again.file(path)!.async('nodebuffer'), await third.file(path)!.async('nodebuffer')), path).toBe(
        0,
      );
  });

  it('names a picture whose file is lost, and is not made', async () => {
    const lost = [...document.records.values()].map((record) =>
      record.id === 'photo' ? { ...record, blob: 'cd'.repeat(32) } : record,
    ) as DocumentRecord[];
    const whole = document;
    document = documentOf(lost);
    await expect(made<'web'>(makeWeb, { address: '' })).rejects.toThrow('The file of the picture “photo” is lost.');
    document = whole;
  });
});

describe('an EPUB', () => {
  beforeAll(async () => {
    book = await made<'epub'>(makeEpub, { pages: true });
  }, 120_000);

  it('is found without error and without warning by epubcheck', async () => {
    const path = await filed('issue.epub', book);
    const report = `${path}.json`;
    const { out, error } = await ran('java', ['-jar', '/usr/share/java/epubcheck.jar', path, '--json', report]);
    const { messages } = JSON.parse(await readFile(report, 'utf8')) as { messages: { ID: string; message: string }[] };
    expect(
      messages.map(({ ID, message }) => `${ID} ${message}`),
      out + error,
    ).toEqual([]);
  });

  it('has every word of the stories, as pandoc reads it', async () => {
    const words = await wordsAmong(await filed('issue.epub', book), 'epub');
    for (const each of paragraphs()) expect(bare(words), each).toContain(bare(each));
    expect(words).toContain('Open on Tuesdays.');
  });

  it('says where printed pages begin, each once, where it is wanted', async () => {
    const zip = await JSZip.loadAsync(book);
    const nav = await zip.file('EPUB/nav.xhtml')!.async('string');
    const list = [...nav.slice(nav.indexOf('page-list')).matchAll(/<li><a href="([^"#]+)#([^"]+)">([^<]+)<\/a>/g)];
    expect(list.map((match) => match[3])).toEqual(['1', '2', '3', '5']);
    for (const [, path, id, folio] of list) {
      const page = await zip.file(`EPUB/${path}`)!.async('string');
      expect(page).toContain(`id="${id}" aria-label="Page ${folio}"`);
    }
    const without = await JSZip.loadAsync(await made<'epub'>(makeEpub, { pages: false }));
    expect(await without.file('EPUB/nav.xhtml')!.async('string')).not.toContain('page-list');
  });

  it('says what it is before anything else (OCF 3.3: the first file, as it lies)', () => {
    expect(Buffer.from(book.subarray(30, 58)).toString()).toBe('mimetypeapplication/epub+zip');
  });
});

/** What of a page is read. */
function textOf(page: string): string {
  type Element = { name?: string; children?: Element[]; data?: string; type?: string };
  const words = (of: Element): string =>
    of.type === 'text'
      ? (of.data ?? '')
      : of.name === 'script' || of.name === 'style'
        ? ''
        : (of.children ?? []).map(words).join('');
  return words(parseDocument(page, { decodeEntities: true }) as unknown as Element);
}
