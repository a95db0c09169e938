import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { Column } from '@/core/compose/frames/column';
import { firstFit } from '@/core/compose/lines/firstFit';
import { prepare } from '@/core/compose/paragraph/prepare';
import { LineSpaces } from '@/core/compose/column/lineSpaces';
import { exclusion } from '@/core/geometry/exclusion';
import { outlineBox } from '@/core/geometry/outline';
import { plainParagraphs } from '@/core/records/body';
import { sidesOf } from '@/core/records/frame';
import type { Shaper } from '@/core/type/shaper';
import { PLAIN } from '@/core/type/styles';
import { openChromium } from '../support/chromium';
import { prose } from '../support/documents';
import { settingWith, shaperWith } from '../support/faces';
import { linesInChromium } from '../support/linesInChromium';

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

const chance = (seed: number) => {
  let state = 1 + seed * 7919;
  return () => (state = (state * 48271) % 2147483647) / 2147483647;
};

function seasoned(count: number, seed: number, next: () => number): string {
  const words = prose(count, seed).split(' ');
  for (let at = 0; at < words.length; at++) if (next() < 0.06) words[at] = SEASONING[Math.floor(next() * SEASONING.length)]!;
  return words.join(' ');
}

const SIZES = [7, 8.5, 9.3, 10, 11.25, 12, 14];

describe('first fit beside Chromium', () => {
  let browser: Browser;
  let shaper: Shaper;
  beforeAll(async () => {
    browser = await openChromium();
    shaper = await shaperWith(FACE);
  });
  afterAll(() => browser.close());

  const prepared = (text: string, size: number, leading = 1.3 * size) => {
    const style = { ...PLAIN, size, leading, hyphens: false, align: 'left' as const, onGrid: false };
    return prepare(plainParagraphs('body', text)[0]!, style, settingWith(shaper));
  };

  const compare = (
    cases: readonly { text: string; size: number; width: number }[],
    own: readonly string[][],
    theirs: readonly string[][],
  ) => {
    const different: string[] = [];
    cases.forEach(({ size, width }, i) => {
      if (own[i]!.join('\n') === theirs[i]!.join('\n')) return;
      const at = own[i]!.findIndex((line, n) => line !== theirs[i]![n]);
      different.push(`${i}: ${size} pt on ${width}: “${own[i]![at]}” for “${theirs[i]![at]}”`);
    });
    expect(different).toEqual([]);
  };

  it('breaks every line of 500 paragraphs where the browser does', async () => {
    // 5 to 90 words, in sizes from 7 to 14 pt and measures from 60 to 400 pt.
    const cases = Array.from({ length: 500 }, (_, i) => {
      const next = chance(i);
      const text = seasoned(5 + Math.floor(next() * 85), i + 1, next);
      return { text, size: SIZES[i % 7]!, width: 60 + Math.floor(next() * 1360) / 4 };
    });
    const own = cases.map(({ text, size, width }) => {
      const of = prepared(text, size);
      const { breaks } = firstFit(of, { widthOf: () => width, uniformFrom: 1 });
      return breaks.slice(1).map((b, i) => text.slice(of.next[breaks[i]!]!, of.end[b]!));
    });
    expect(own.flat().length).toBeGreaterThan(4000);
    compare(cases, own, await linesInChromium(browser, FACE, cases));
  });

  // CSS Shapes Module Level 1: shape-outside with polygon(), widened by shape-margin.
  it('breaks every line of 500 paragraphs around polygons where the browser does', async () => {
    const cases = Array.from({ length: 500 }, (_, i) => {
      const next = chance(i + 5000);
      const w = 60 + Math.floor(next() * 60);
      const h = 60 + Math.floor(next() * 90);
      const points = Array.from({ length: 3 + (i % 5) }, (_, k, n = 3 + (i % 5)) => {
        const angle = (2 * Math.PI * (k + 0.4 * next())) / n;
        const r = 0.25 + 0.25 * next();
        return [Math.round(w * (0.5 + r * Math.cos(angle))), Math.round(h * (0.5 + r * Math.sin(angle)))] as const;
      });
      return {
        text: seasoned(60 + Math.floor(next() * 60), i + 1, next),
        size: SIZES[i % 7]!,
        leading: Math.ceil(1.3 * SIZES[i % 7]!),
        width: 260 + Math.floor(next() * 640) / 4,
        float: { w, h, points, margin: i % 3 === 0 ? 0 : Math.floor(next() * 12) },
      };
    });
    /** Our lines, each measure wider by `more`. */
    const set = ({ text, size, leading, width, float }: (typeof cases)[number], more: number) => {
      // A line box of the browser is its whole line height; ours is the text's, so here the two are made the same.
      const of = { ...prepared(text, size, leading), ascent: leading, descent: 0 };
      const outline = [float.points.flat()];
      const column: Column = {
        frame: 'f',
        page: 'p',
        number: 1,
        side: 'right',
        box: { x: 0, y: 0, w: width, h: 1e6 },
        grid: undefined,
        first: 'ascent',
        exclusions: [exclusion(outline, sidesOf(float.margin), 'right', outlineBox(outline)!)],
        endless: true,
        overset: false,
      };
      const slots = new LineSpaces([column], { column: 0, y: 0, atTop: true, edge: true, after: 0 }, of);
      // A float's area never reaches out of its margin box, whatever the shape and its margin.
      const widthOf = (line: number) => {
        const slot = slots.at(line);
        return more + (slot.baseline - leading >= float.h ? width : slot.x + slot.width - Math.min(slot.x, float.w));
      };
      const { breaks } = firstFit(of, { widthOf, uniformFrom: Infinity });
      return breaks.slice(1).map((b, i) => text.slice(of.next[breaks[i]!]!, of.end[b]!));
    };
    const own = cases.map((each) => set(each, 0));
    const theirs = await linesInChromium(
      browser,
      FACE,
      cases.map((each) => ({
        ...each,
        float: { ...each.float, shape: `polygon(${each.float.points.map(([x, y]) => `${x}px ${y}px`).join(',')})` },
      })),
    );
    expect(own.flat().length).toBeGreaterThan(4000);
    // The browser rounds the ends of an exclusion and of its runs: where a word is a tenth of a pixel from fitting, either may be right.
    const ties = cases.filter((each, i) => own[i]!.join() !== theirs[i]!.join() && set(each, 0.12).join() === theirs[i]!.join());
    expect(ties.length).toBeLessThan(10);
    const sure = cases.map((_, i) => i).filter((i) => !ties.includes(cases[i]!));
    compare(
      sure.map((i) => cases[i]!),
      sure.map((i) => own[i]!),
      sure.map((i) => theirs[i]!),
    );
  });
});
