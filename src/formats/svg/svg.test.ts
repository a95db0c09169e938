import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, pictureRecord, textFrame, textRecord } from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { plainBody } from '@/core/records/body';
import type { TextItem } from '@/core/compose/displayList/displayList';
import { outlinedSheet } from './outlined';
import { paintItem, paintLine, paintPage } from './painter';
import { escaped } from '@/formats/markup';

const doc = document(
  ...baseRecords(1),
  pictureRecord('pic', { outlines: { background: [[0, 0, 1, 0, 1, 1]] } }),
  textRecord('text', plainBody('body', 'Kites & “wind” < 5 knots.')),
  textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 200, h: 100 }),
  pictureFrame('pf', 'pic', 'p1', { x: 50, y: 200, w: 100, h: 50 }, { mode: 'outline', outline: 'background', standOff: 2 }),
  {
    ...pictureFrame('panel', undefined, 'p1', { x: 200, y: 400, w: 100, h: 100 }),
    content: { type: 'panel' },
    fill: { swatch: 'ink', tint: 0.5 },
  },
);

describe('painting as SVG', () => {
  it('gives each run its place and face, and escapes what it says', async () => {
    const { composer } = await composerFor(doc);
    const item = composer.compose(doc).pages[0]!.items.find((each): each is TextItem => each.type === 'text')!;
    const line = item.columns[0]!.lines[0]!;
    const markup = paintLine(line, () => '');
    expect(markup).toContain(`x="${Math.round((line.x + line.runs[0]!.x) * 1000) / 1000}" y="60"`);
    expect(markup).toContain('font-family="SourceSerif4-400" font-size="9"');
    expect(markup).toContain('>&amp;</text>');
    expect(markup).toContain('>&lt;</text>');
    expect(paintLine(line, () => '')).toBe(markup);
    expect(escaped('<"&">')).toBe('&lt;&quot;&amp;&quot;&gt;');
  });

  it('paints pictures clipped, areas filled, and nothing for a frame that waits', async () => {
    const { composer } = await composerFor(doc);
    const { items } = composer.compose(doc).pages[0]!;
    const markup = items.flatMap((item) => paintItem(item, () => '/a?b&c')).map((chunk) => chunk.markup);
    expect(markup.join('')).toContain('href="/a?b&amp;c"');
    expect(markup.join('')).toMatch(/<clipPath id="clip-pf"><path d="M/);
    expect(markup.join('')).toMatch(/<rect x="200" y="400" width="100" height="100" fill="#[0-9a-f]{6}"\/>/);
    expect(paintItem({ type: 'empty', frame: 'x', box: { x: 0, y: 0, w: 1, h: 1 } }, () => '')).toEqual([]);
  });

  it('makes pages that any reader of SVG can read, with and without fonts', async () => {
    const { composer, shaper } = await composerFor(doc);
    const [list] = composer.compose(doc).pages;
    for (const svg of [
      paintPage(list!, () => ''),
      paintPage(list!, () => '', { list: list!, dx: -400 }),
      outlinedSheet(
        { pages: [{ list: list!, dx: 0 }], beside: undefined, label: '1' },
        (id) => shaper.face(id),
        () => '',
      ),
    ]) {
      const { width, height } = await sharp(Buffer.from(svg)).metadata();
      expect(width / height).toBeCloseTo(400 / 600, 1);
    }
    // The outlined page shows ink where the text stands.
    const { data, info } = await sharp(
      Buffer.from(
        outlinedSheet(
          { pages: [{ list: list!, dx: 0 }], beside: undefined, label: '1' },
          (id) => shaper.face(id),
          () => '',
        ),
      ),
    )
      .removeAlpha()
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    const row = data.subarray(info.width * 57, info.width * 58);
    expect(Math.min(...row)).toBeLessThan(140);
  });
});
