import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, textFrame, textRecord } from '../../../../tests/support/documents';
import { plainBody } from '@/core/records/body';
import { placedPages } from '@/core/page/pages';
import { all } from '@/core/records/document';
import { asRead } from './asRead';

const at = (x: number, y: number) => ({ x, y, w: 80, h: 60 });
const doc = document(
  ...baseRecords(3),
  textRecord('head', plainBody('headline', 'Wind'), { role: 'headline', story: 'story' }),
  textRecord('body', plainBody('body', 'It turns.'), { story: 'story' }),
  textRecord('cap', plainBody('body', 'The wall.'), { role: 'caption' }),
  { id: 'story', kind: 'story', name: 'Wind', section: '', order: 'a0', tint: 1, parts: { headline: 'head', body: 'body' } },
  textFrame('second', 'body', 'p2', at(200, 100), { order: 'a1' }),
  textFrame('first', 'body', 'p2', at(50, 300), { order: 'a0' }),
  textFrame('headline', 'head', 'p2', at(50, 200)),
  pictureFrame('above', undefined, 'p2', at(50, 20)),
  pictureFrame('below', undefined, 'p2', at(50, 400)),
  { ...textFrame('caption', 'cap', 'p2', at(50, 90)), beside: { frame: 'above', place: 'below', gap: 3, width: 80 } },
  pictureFrame('right', undefined, 'p3', at(10, 10)),
);

describe('frames as they are read', () => {
  it('come page by page, stories together in the order of their parts and threads, captions behind their pictures', () => {
    const pages = placedPages(doc);
    const frames = all(doc, 'frame').map((frame) => ({
      frame,
      page: pages.find(({ page }) => page.id === frame.on)!,
      box: frame.box,
    }));
    const order = asRead(doc, [...frames].reverse()).map(({ frame }) => frame.id);
    expect(order).toEqual(['above', 'caption', 'headline', 'first', 'second', 'below', 'right']);
  });
});
