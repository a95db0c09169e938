import { readFile } from 'node:fs/promises';
import { hyphenPoints } from '@/core/type/hyphenation';
import { facePath } from '@/formats/faces/files';
import { openChromium } from '../../tests/support/chromium';
import { AREA, PAGE } from './texts';

/** What Chromium takes for the same text in CSS columns, ms, and how even it sets it. */
export interface ChromiumFigures {
  readonly version: string;
  readonly cold: number;
  readonly keystrokes: readonly number[];
}

/**
 * A browser started for this alone lays the text out once, with its font loaded and all else cold, and then again for
 * letters typed into one paragraph. Layout only: nothing is painted.
 */
export async function inChromium(paragraphs: readonly string[], paragraph: number, times: number): Promise<ChromiumFigures> {
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.setContent(await markup(), { waitUntil: 'load' });
    const figures = await page.evaluate(
      async (texts, at, count) => {
        await document.fonts.load('10px Face');
        const body = document.querySelector('div')!;
        const fragment = document.createDocumentFragment();
        for (const text of texts) {
          const p = document.createElement('p');
          p.textContent = text;
          fragment.append(p);
        }
        const from = performance.now();
        body.append(fragment);
        void body.lastElementChild!.getBoundingClientRect().top;
        const cold = performance.now() - from;
        const keystrokes: number[] = [];
        const node = body.children[at]!.firstChild as Text;
        for (let i = 0; i < count; i++) {
          const start = performance.now();
          node.insertData(Math.floor(node.length / 2), 'etaoinshrdlu'[i % 12]!);
          void body.lastElementChild!.getBoundingClientRect().top;
          keystrokes.push(performance.now() - start);
        }
        return { cold, keystrokes };
      },
      paragraphs.map(hyphenated),
      paragraph,
      times,
    );
    return { version: await browser.version(), ...figures };
  } finally {
    await browser.close();
  }
}

/**
 * The text with soft hyphens at the very points where our own hyphenation has them. Debian's headless Chromium comes
 * without a dictionary, so that `hyphens: auto` divides nothing; this gives it the same one as ours.
 */
export const hyphenated = (text: string): string =>
  text.replace(/[^\s-]+/g, (word) => {
    let out = '';
    let at = 0;
    for (const point of hyphenPoints(word, 'en-US')) {
      out += `${word.slice(at, point)}\u00AD`;
      at = point;
    }
    return out + word.slice(at);
  });

async function markup(): Promise<string> {
  const font = (await readFile(facePath(PAGE.face))).toString('base64');
  return `<!doctype html><html lang="en-US"><style>@font-face{font-family:Face;src:url(data:font/ttf;base64,${font})}
    div{font:${PAGE.size}px/${PAGE.leading}px Face;columns:${PAGE.columns};column-gap:${PAGE.gutter}px;width:${AREA.w}px;
    text-align:justify;hyphens:manual;text-rendering:geometricPrecision}p{margin:0}</style><div></div></html>`;
}

/**
 * Word spaces of justified lines as Chromium sets them, as shares of the face's own, for a measure in points.
 * Lines that end a paragraph, and lines without a space, are left out.
 */
export async function chromiumSpaces(
  paragraphs: readonly string[],
  measure: number,
): Promise<{ spaces: number[]; hyphens: number }> {
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.setContent((await markup()).replace(/columns:\d+;/, '').replace(`width:${AREA.w}px`, `width:${measure}px`));
    return await page.evaluate(async (texts) => {
      await document.fonts.load('10px Face');
      const body = document.querySelector('div')!;
      const probe = document.createElement('span');
      probe.style.whiteSpace = 'pre';
      probe.textContent = ' '.repeat(100);
      body.append(probe);
      const own = probe.getBoundingClientRect().width / 100;
      probe.remove();
      const spaces: number[] = [];
      let hyphens = 0;
      const range = document.createRange();
      for (const text of texts) {
        const p = document.createElement('p');
        p.textContent = text;
        body.append(p);
        const node = p.firstChild!;
        const lines: { top: number; gaps: number[]; end: number }[] = [];
        let last: { top: number; gaps: number[]; end: number } | undefined;
        for (let i = 0; i < text.length; i++) {
          range.setStart(node, i);
          range.setEnd(node, i + 1);
          const rects = range.getClientRects();
          const rect = rects[rects.length - 1];
          if (!rect) continue;
          if (text[i] !== ' ' && (!last || rect.top - last.top > 4)) lines.push((last = { top: rect.top, gaps: [], end: i }));
          if (text[i] === ' ') {
            range.setStart(node, i + 1);
            range.setEnd(node, i + 2);
            const after = range.getClientRects();
            if (last && after.length > 0 && after[after.length - 1]!.top - last.top < 4) last.gaps.push(rect.width);
          } else last!.end = i;
        }
        for (const line of lines.slice(0, -1)) {
          if (text[line.end + 1] === '\u00AD' || text[line.end] === '\u00AD') hyphens++;
          for (const gap of line.gaps) spaces.push(gap / own);
        }
        p.remove();
      }
      return { spaces, hyphens };
    }, paragraphs.map(hyphenated));
  } finally {
    await browser.close();
  }
}
