import { readFile } from 'node:fs/promises';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { prepare } from '@/core/compose/prepare';
import { firstFit } from '@/core/compose/firstFit';
import { plainBody } from '@/core/records/body';
import { PLAIN } from '@/core/type/styles';
import type { Shaper } from '@/core/type/shaper';
import { facePath } from '@/formats/faces/files';
import { openChromium } from '../support/chromium';
import { prose } from '../support/documents';
import { settingWith, shaperWith } from '../support/faces';

/**
 * Reference: the line breaks of headless Chromium, same face, size, measure and text. First fit must break every line
 * of every paragraph where the browser does. Measures are whole quarters of a pixel, as a browser rounds them to 1/64; and there
 * is no slash in the text, after which UAX #14 allows a break that Chromium's table for ASCII does not.
 */

const FACE = 'SourceSerif4-400';
const SEASONING = [
  'well-known',
  'kite—maker',
  '“Quoted”',
  '(bracketed)',
  'AVATAR',
  'Te',
  'To.',
  'office',
  '1,206',
  'L’Été',
  'naïve',
  'semi-detached,',
  'wind–sea',
  'V.',
];

/** 500 paragraphs of 5 to 90 words, in sizes from 7 to 14 pt and measures from 60 to 400 pt. */
const cases = Array.from({ length: 500 }, (_, i) => {
  let state = 1 + i * 7919;
  const next = () => (state = (state * 48271) % 2147483647) / 2147483647;
  const words = prose(5 + Math.floor(next() * 85), i + 1).split(' ');
  for (let at = 0; at < words.length; at++) if (next() < 0.06) words[at] = SEASONING[Math.floor(next() * SEASONING.length)]!;
  return { text: words.join(' '), size: [7, 8.5, 9.3, 10, 11.25, 12, 14][i % 7]!, width: 60 + Math.floor(next() * 1360) / 4 };
});

describe('first fit beside Chromium', () => {
  let browser: Browser;
  let shaper: Shaper;
  beforeAll(async () => {
    browser = await openChromium();
    shaper = await shaperWith(FACE);
  });
  afterAll(() => browser.close());

  const ours = ({ text, size, width }: (typeof cases)[number]): string[] => {
    const style = { ...PLAIN, size, hyphens: false, align: 'left' as const };
    const prepared = prepare(plainBody('body', text).content[0]!, style, settingWith(shaper));
    const { breaks } = firstFit(prepared, { widthOf: () => width, uniform: true });
    return breaks.slice(1).map((b, i) => text.slice(prepared.next[breaks[i]!]!, prepared.end[b]!));
  };

  it('breaks every line of 500 paragraphs where the browser does', async () => {
    const page = await browser.newPage();
    const font = (await readFile(facePath(FACE))).toString('base64');
    await page.setContent(`<style>@font-face{font-family:Face;src:url(data:font/ttf;base64,${font})}
      p{font-family:Face;margin:0 0 20px;text-rendering:geometricPrecision;overflow-wrap:normal;hyphens:manual;-webkit-locale:"en-GB"}</style>`);
    // 1 pt is drawn as 1 px: the browser then has no rounding of its own to add.
    const theirs = await page.evaluate(async (list) => {
      await document.fonts.load('10px Face');
      return list.map(({ text, size, width }) => {
        const p = document.createElement('p');
        p.lang = 'en-GB';
        p.textContent = text;
        p.style.fontSize = `${size}px`;
        p.style.width = `${width}px`;
        document.body.append(p);
        const range = document.createRange();
        const node = p.firstChild!;
        const lines: string[] = [];
        let start = 0;
        let top = -1;
        for (let i = 0; i < text.length; i++) {
          if (text[i] === ' ') continue;
          range.setStart(node, i);
          range.setEnd(node, i + 1);
          const rects = range.getClientRects();
          const y = rects[rects.length - 1]!.top;
          if (top >= 0 && y - top > size / 2) {
            lines.push(text.slice(start, i).trimEnd());
            start = i;
          }
          top = y;
        }
        lines.push(text.slice(start));
        p.remove();
        return lines;
      });
    }, cases);
    let lines = 0;
    const different: string[] = [];
    cases.forEach((each, i) => {
      const own = ours(each);
      lines += own.length;
      if (own.join('\n') !== theirs[i]!.join('\n')) {
        const at = own.findIndex((line, n) => line !== theirs[i]![n]);
        different.push(`${each.size} pt on ${each.width}: “${own[at]}” for “${theirs[i]![at]}”`);
      }
    });
    expect(lines).toBeGreaterThan(4000);
    expect(different).toEqual([]);
  });
});
