import { docOf } from '@/core/records/body';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { characterStyle, field, mark, paragraph, paragraphStyle, text } from './composed';
import { baseRecords, pictureFrame, pictureRecord, prose, textFrame, textRecord } from './documents';

export const BOX = { x: 50, y: 48, w: 300, h: 300 };

/** A small document with every kind of record and content, and what they can be made of. */
export const everything: readonly DocumentRecord[] = [
  ...baseRecords(3),
  paragraphStyle('lead', { dropCap: { lines: 3, letters: 1, gap: 3 }, leadIn: { extent: 3, style: 'strong' } }),
  paragraphStyle('head', { spans: true, size: 16, leading: 18, hyphens: false, onGrid: false, keepNext: 2 }),
  paragraphStyle('tabbed', { tabs: [{ at: 40, align: 'left', leader: '.' }] }),
  characterStyle('strong', { weight: 700, tracking: 20 }),
  textRecord(
    'text',
    docOf([
      paragraph('lead', prose(24)),
      paragraph('head', 'A head over all columns'),
      paragraph('body', [text(prose(20)), text(' in bold and ', mark('strong')), text('貓 שלום Ω '), text(prose(20, 2))]),
      paragraph('tabbed', 'One\ttwo'),
      paragraph('body', [field('folio'), text(' stands here')]),
      paragraph('body', prose(50, 3)),
    ]),
  ),
  textRecord('caption', docOf([paragraph('body', prose(12))]), { role: 'caption' }),
  textRecord('head-text', docOf([paragraph('headline', 'Wind over the wall')]), { role: 'headline' }),
  {
    id: 'story',
    kind: 'story',
    name: 'Wind',
    section: 'News',
    order: 'a0',
    tint: 1,
    parts: { headline: 'head-text', body: 'text' },
  },
  textFrame('f1', 'text', 'p1', BOX, { columns: 2, balanced: false }),
  textFrame('f2', 'text', 'p2', { ...BOX, h: 200 }, { columns: 2, order: 'a1' }),
  textFrame('grown', 'head-text', 'p1', { x: 50, y: 380, w: 300, h: 20 }, { grows: true }),
  textFrame('cap', 'caption', 'p1', { x: 60, y: 470, w: 100, h: 60 }, { align: 'spread', spreadMost: 6 }),
  { ...pictureFrame('pf', 'pic', 'p1', { x: 180, y: 120, w: 80, h: 90 }, { mode: 'frame', standOff: 5 }), group: 'g' },
  {
    ...pictureFrame('pf2', 'pic', 'p2', { x: 60, y: 90, w: 60, h: 60 }, { mode: 'outline', standOff: 4, outline: 'shape' }),
    shape: { type: 'ellipse' },
  },
  { id: 'layer', kind: 'layer', name: 'Deutsch', order: 'a0' },
  { id: 'g', kind: 'group', name: 'Group', wrap: { mode: 'none', standOff: 0, outline: 'shape' } } as DocumentRecord,
  {
    ...pictureFrame('panel', undefined, 'p1', { x: 300, y: 470, w: 50, h: 50 }),
    content: { type: 'panel' },
    fill: { swatch: 'tint', tint: 1 },
    border: { swatch: 'ink', tint: 1, weight: 1 },
    shadow: { dx: 1, dy: 1, blur: 2, swatch: 'ink', opacity: 0.5 },
  } as FrameRecord,
  {
    ...pictureFrame('rule', undefined, 'p2', { x: 50, y: 400, w: 300, h: 1 }),
    layer: 'layer',
    content: { type: 'rule', weight: 1 },
    fill: { swatch: 'ink', tint: 1 },
  } as FrameRecord,
  {
    id: 'finish',
    kind: 'finish',
    name: 'Set off',
    order: 'a0',
    look: {
      shape: { type: 'rounded', radius: 4 },
      fill: { swatch: 'tint', tint: 0.5 },
      border: { swatch: 'ink', tint: 1, weight: 0.5 },
      inset: 5,
      wrap: { mode: 'frame', standOff: 6 },
    },
  },
  {
    id: 'quotes',
    kind: 'quoteDesign',
    name: 'Set off',
    order: 'a0',
    style: 'body',
    finish: 'finish',
    stand: 'column',
    across: 2,
  },
  textRecord('boxed', docOf([paragraph('body', prose(14, 5))]), { role: 'caption' }),
  {
    ...textFrame('finished', 'boxed', 'p2', { x: 220, y: 150, w: 90, h: 80 }),
    finish: 'finish',
    own: ['fill'],
    fill: { swatch: 'ink', tint: 0.1 },
    order: 'a6',
  } as FrameRecord,
  pictureRecord('pic', { width: 400, height: 300 }),
  textRecord('folio', docOf([paragraph('body', [field('folio')])]), { role: 'furniture' }),
  { ...textFrame('folio-frame', 'folio', 'master', { x: 50, y: 560, w: 60, h: 20 }, { grows: true }), on: 'master' },
  { id: 'section', kind: 'section', name: 'News', from: 'p2', folios: { style: 'i', prefix: 'A', start: 3 } } as DocumentRecord,
];
