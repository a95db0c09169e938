import { plainBody } from '@/core/records/body';
import { documentOf, type Document } from '@/core/records/document';
import type { TextContent, Wrap } from '@/core/records/frame';
import type { DocumentRecord, FrameRecord, PictureRecord, TextRecord } from '@/core/records/index';
import { SCHEMAS } from '@/core/records/schemas';
import { stored } from '@/core/records/stored';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import type { Node } from 'prosemirror-model';

/** Small documents for tests: a page of 400 × 600 pt, margins of 50, three columns with gutters of 15, lines of 12 pt. */

export const WRAP_NONE: Wrap = { mode: 'none', standOff: 0, outline: 'alpha' };

export function baseRecords(pages = 2, style: Partial<ParagraphProperties> = {}): DocumentRecord[] {
  return [
    {
      id: 'issue',
      kind: 'issue',
      publication: 'Longspar',
      number: '14',
      season: 'Winter',
      date: '2026-12-04',
      language: 'en-GB',
    },
    {
      id: 'format',
      kind: 'format',
      width: 400,
      height: 600,
      bleed: 9,
      safe: 12,
      facing: true,
      firstSide: 'right',
      baseline: { step: 12, offset: 0 },
    },
    {
      id: 'master',
      kind: 'master',
      name: 'Text',
      margins: { top: 48, bottom: 48, inner: 50, outer: 50 },
      columns: 3,
      gutter: 15,
      textSpan: 1,
    },
    ...Array.from({ length: pages }, (_, i): DocumentRecord => ({
      id: `p${i + 1}`,
      kind: 'page',
      order: `a${i}`,
      master: 'master',
    })),
    { id: 'ink', kind: 'swatch', name: 'Ink', cmyk: [0, 0, 0, 1] },
    { id: 'tint', kind: 'swatch', name: 'Tint', cmyk: [0, 0, 0.1, 0] },
    { id: 'body', kind: 'paragraphStyle', name: 'Body', properties: { size: 9, leading: 12, ...style } },
    {
      id: 'headline',
      kind: 'paragraphStyle',
      name: 'Headline',
      properties: { size: 24, leading: 26, weight: 700, align: 'left', hyphens: false, onGrid: false },
    },
    {
      id: 'crosshead',
      kind: 'paragraphStyle',
      name: 'Crosshead',
      basedOn: 'body',
      properties: { weight: 700, keepNext: 2, spaceBefore: 12, hyphens: false },
    },
    {
      id: 'pullQuote',
      kind: 'paragraphStyle',
      name: 'Pull quote',
      properties: { size: 14, leading: 16, align: 'left', hyphens: false, onGrid: false, italic: true },
    },
  ];
}

/** What the schemas find wrong with a record as it would be stored; undefined where it is well formed. */
export const flawOf = (record: DocumentRecord) => SCHEMAS[record.kind].validate(stored(record)).error;

export const textRecord = (id: string, body: Node, more: Partial<TextRecord> = {}): TextRecord => ({
  id,
  kind: 'text',
  role: 'body',
  body,
  ...more,
});

export function textFrame(
  id: string,
  text: string,
  on: string,
  box: FrameRecord['box'],
  more: Partial<TextContent> = {},
  order = 'a0',
): FrameRecord {
  return {
    id,
    kind: 'frame',
    on,
    side: 'both',
    box,
    order,
    content: {
      type: 'text',
      text,
      order: 'a0',
      columns: 1,
      gutter: 15,
      inset: 0,
      grows: false,
      ignoresWraps: false,
      align: 'top',
      ...more,
    },
    wrap: WRAP_NONE,
  };
}

export function pictureFrame(
  id: string,
  picture: string | undefined,
  on: string,
  box: FrameRecord['box'],
  wrap: Partial<Wrap> = {},
): FrameRecord {
  return {
    id,
    kind: 'frame',
    on,
    side: 'both',
    box,
    order: 'a5',
    content: { type: 'picture', ...(picture ? { picture } : {}), fit: 'fit' },
    wrap: { ...WRAP_NONE, ...wrap },
  };
}

export function pictureRecord(id: string, more: Partial<PictureRecord> = {}): PictureRecord {
  return {
    id,
    kind: 'picture',
    name: id,
    order: 'a0',
    blob: 'ab'.repeat(32),
    media: 'image/png',
    width: 1000,
    height: 1000,
    colour: 'rgb',
    transparent: false,
    outlines: {},
    caption: '',
    credit: '',
    ...more,
  };
}

export const document = (...records: DocumentRecord[]): Document => documentOf(records);

/** Sentences of the demo's world, enough for `words` words. */
export function prose(words: number, seed = 1): string {
  let state = seed;
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const out: string[] = [];
  while (out.length < words) {
    const length = 6 + Math.floor(next() * 14);
    for (let i = 0; i < length; i++) {
      const word = VOCABULARY[Math.floor(next() * VOCABULARY.length)]!;
      out.push(
        (i === 0 ? word.charAt(0).toUpperCase() + word.slice(1) : word) +
          (i === length - 1 ? '.' : i > 2 && next() < 0.1 ? ',' : ''),
      );
    }
  }
  return out
    .slice(0, words)
    .join(' ')
    .replace(/[,.]?$/, '.');
}

const VOCABULARY = (
  'the a of and to in wind kite spar line tail ash linen harbour easterly observatory instrument workshop bridle remembers measured ' +
  'difference understanding apprentice steady gust paper cellar keeper small weather morning window shavings considerable between without ' +
  'however everybody particular question answer somebody carefully handkerchief extraordinary island ferry northern lighthouse reading ' +
  'it was had not with her his that for on as at be by which when from they one all there would their said what if more'
).split(' ');

export const proseBody = (words: number, paragraphs = 1, seed = 1): Node =>
  plainBody('body', ...Array.from({ length: paragraphs }, (_, i) => prose(Math.ceil(words / paragraphs), seed + i * 7919)));
