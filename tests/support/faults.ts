import { generateNKeysBetween } from 'fractional-indexing';
import { docOf, paragraphOf, plainBody, textOf } from '@/core/records/body';
import { all, documentOf, get } from '@/core/records/document';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { USUAL_LIMITS } from '@/core/properties/print';
import { readDocument, stored, type StoredRecord } from '@/core/records/stored';
import { query } from './application';
import { mark, paragraphStyle } from './composed';
import { pictureFrame, textFrame, textRecord } from './documents';

/** A fault that was planted: what Checks calls it, and what it says. */
export interface Planted {
  readonly rule: string;
  readonly says: RegExp;
}

/** Twenty faults, each of which can be mended from the list. */
export const PLANTED: readonly Planted[] = [
  { rule: 'overset', says: /over in “The planted story”/ },
  { rule: 'waiting', says: /An empty place: Picture/ },
  { rule: 'emptyTexts', says: /A text frame has no text/ },
  { rule: 'resolution', says: /“planted-coarse” has \d+ ppi here; at least 200/ },
  { rule: 'advertisements', says: /of Planted & Sons is not in the size/ },
  { rule: 'pageCount', says: /13 pages: / },
  { rule: 'blankPages', says: /Page 12 has nothing on it/ },
  { rule: 'beyond', says: /A frame lies beside its page/ },
  { rule: 'bleed', says: /reaches the trim/ },
  { rule: 'safeArea', says: /“Too near the edge” stands/ },
  { rule: 'contrast', says: /“Dark on dark” contrasts/ },
  { rule: 'hairlines', says: /A line is 0\.1 pt thick/ },
  { rule: 'quotes', says: /no longer says “The planted kite flew backwards/ },
  { rule: 'contents', says: /say page 77 for “The planted story”/ },
  { rule: 'links', says: /“planted” is no address/ },
  { rule: 'untidy', says: /Several spaces, 1 place: “.*planted  spaces/ },
  { rule: 'byHand', says: /1 stretch formatted by hand/ },
  { rule: 'swatches', says: /“Planted twin” look the same/ },
  { rule: 'light', says: /“Planted sea” is given in light/ },
  { rule: 'storyParts', says: /“The planted story” ends without an end mark/ },
];

const planted = (id: string): string => `planted-${id}`;

/** The records of an issue of eight pages with five more, on which the faults are. */
export function withFaults(records: readonly DocumentRecord[]): DocumentRecord[] {
  const before = documentOf(records);
  const pages = all(before, 'page');
  const master = pages[1]!.master;
  const [n1, n2, n3, n4, n5] = [1, 2, 3, 4, 5].map((n) => planted(`page-${n}`)) as [string, string, string, string, string];
  const orders = generateNKeysBetween(pages.at(-1)!.order, null, 5);
  const format = get(before, 'format', 'format');
  const { width } = format;
  const body = (id: string, ...paragraphs: string[]) =>
    textRecord(planted(id), plainBody(planted('style'), ...paragraphs), { role: 'furniture' });
  const panel = (id: string, on: string, box: FrameRecord['box'], more: Partial<FrameRecord> = {}): FrameRecord => ({
    ...pictureFrame(planted(id), undefined, on, box),
    content: { type: 'panel' },
    fill: { swatch: planted('pale'), tint: 1 },
    order: 'Z0',
    ...more,
  });
  const text = (id: string, of: string, on: string, box: FrameRecord['box'], more: Parameters<typeof textFrame>[4] = {}) =>
    textFrame(planted(id), planted(of), on, box, { ignoresWraps: true, ...more });
  const [picture] = all(before, 'picture');
  return [
    ...records.filter(({ id }) => id !== 'profile'),
    { id: 'profile', kind: 'profile', ...USUAL_LIMITS.coated, endMark: 30 },
    ...[n1, n2, n3, n4, n5].map((id, i): DocumentRecord => ({ id, kind: 'page', order: orders[i]!, master })),
    paragraphStyle(planted('style'), {
      size: 10,
      leading: 13,
      align: 'left',
      hyphens: false,
      onGrid: false,
      endMark: null,
      swatch: planted('black'),
    }),
    paragraphStyle(planted('end'), { size: 10, leading: 13, align: 'left', onGrid: false, endMark: { text: '◆' } }),
    { id: planted('black'), kind: 'swatch', name: 'Planted black', cmyk: [0, 0, 0, 1] },
    { id: planted('pale'), kind: 'swatch', name: 'Planted pale', cmyk: [0.08, 0, 0.3, 0] },
    { id: planted('twin'), kind: 'swatch', name: 'Planted twin', cmyk: [0.08, 0, 0.3, 0] },
    { id: planted('sea'), kind: 'swatch', name: 'Planted sea', cmyk: [0.6, 0.1, 0.3, 0.05], rgb: [0.3, 0.6, 0.6] },
    { id: planted('night'), kind: 'swatch', name: 'Planted night', cmyk: [0, 0, 0, 0.85] },
    // A story that is over, whose end has no mark, with a quote that it no longer says.
    textRecord(planted('headline'), plainBody('headline', 'The planted story'), { role: 'headline', story: planted('story') }),
    textRecord(
      planted('body'),
      plainBody(
        planted('style'),
        'The planted kite flew straight up, said the keeper, and it stayed there until the harbour lights came on.',
        'Nobody had seen it come down. It may be up there still, for all that anybody on the quay can say of it.',
        'There are people who go out at night to look, with a lamp and a flask, and come home when the flask is empty.',
      ),
      { story: planted('story') },
    ),
    {
      id: planted('story'),
      kind: 'story',
      name: 'The planted story',
      section: 'Feature',
      order: 'aZ',
      tint: 3,
      parts: { headline: planted('headline'), body: planted('body') },
    },
    text('fh', 'headline', n1, { x: 60, y: 60, w: width - 120, h: 40 }, { grows: true }),
    text('fb', 'body', n1, { x: 60, y: 140, w: 200, h: 92 }),
    textRecord(planted('quote'), plainBody('pullQuote', '‘The planted kite flew backwards, said the keeper’'), {
      role: 'quote',
      story: planted('story'),
      source: { text: planted('body'), words: 'The planted kite flew backwards, said the keeper, and it stayed there' },
    }),
    text('fq', 'quote', n1, { x: 60, y: 420, w: 260, h: 60 }, { grows: true }),
    // Frames that wait, frames in wrong places.
    pictureFrame(planted('empty-picture'), undefined, n1, { x: 340, y: 420, w: 80, h: 60 }),
    body('nothing'),
    text('ft', 'nothing', n1, { x: 340, y: 500, w: 80, h: 40 }),
    { ...picture!, id: planted('coarse'), name: 'planted-coarse', order: 'aY', width: 90, height: 60 },
    {
      ...pictureFrame(planted('fc'), planted('coarse'), n2, { x: 60, y: 60, w: 150, h: 100 }),
      content: { type: 'picture', picture: planted('coarse'), fit: 'fill' },
    },
    { id: planted('ad'), kind: 'advertisement', name: 'Planted & Sons', order: 'aZ', size: 'quarter', picture: picture!.id },
    {
      ...pictureFrame(planted('fa'), undefined, n5, { x: 60, y: 60, w: 120, h: 60 }),
      content: { type: 'advertisement', advertisement: planted('ad') },
    },
    panel('beside', n2, { x: 3 * width, y: 60, w: 60, h: 60 }),
    panel('trim', n2, { x: 0, y: 620, w: 70, h: 40 }),
    body('near', 'Too near the edge'),
    text('fn', 'near', n2, { x: 250, y: 4, w: 160, h: 20 }),
    panel('dark', n2, { x: 60, y: 220, w: 200, h: 60 }, { fill: { swatch: planted('night'), tint: 1 } }),
    body('dark-words', 'Dark on dark'),
    { ...text('fd', 'dark-words', n2, { x: 70, y: 230, w: 180, h: 30 }), order: 'a9' },
    panel(
      'thin',
      n2,
      { x: 60, y: 320, w: 120, h: 40 },
      { fill: undefined, border: { weight: 0.1, swatch: planted('black'), tint: 1 } },
    ),
    // Words.
    body('contents', '77 The planted story'),
    text('fk', 'contents', n3, { x: 60, y: 60, w: 200, h: 30 }),
    textRecord(
      planted('link'),
      docOf([paragraphOf({ style: planted('style') }, [textOf('Go '), textOf('there', [mark('link', { href: 'planted' })])])]),
      { role: 'furniture' },
    ),
    text('fl', 'link', n3, { x: 60, y: 120, w: 200, h: 30 }),
    textRecord(planted('spaces'), plainBody(planted('style'), 'With planted  spaces.'), { role: 'caption' }),
    text('fs', 'spaces', n3, { x: 60, y: 180, w: 200, h: 30 }),
    textRecord(
      planted('hand'),
      docOf([paragraphOf({ style: planted('style'), local: { size: 11 } }, [textOf('Set by hand.')])]),
      { role: 'caption' },
    ),
    text('fm', 'hand', n3, { x: 60, y: 240, w: 200, h: 30 }),
  ];
}

/** Plants the faults in an issue of a test database. */
export async function plantFaults(databaseUrl: string, issue: string): Promise<void> {
  const rows = await query<{ body: StoredRecord }>(databaseUrl, 'select body from record where document_id = $1', [issue]);
  const before = readDocument(rows.map(({ body }) => body));
  for (const record of withFaults([...before.records.values()])) {
    if (before.records.get(record.id) === record) continue;
    await query(
      databaseUrl,
      `insert into record (document_id, id, kind, body, version) values ($1, $2, $3, $4, 0)
       on conflict (document_id, id) do update set body = excluded.body`,
      [issue, record.id, record.kind, JSON.stringify(stored(record))],
    );
  }
}
