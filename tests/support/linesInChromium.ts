import { readFile } from 'node:fs/promises';
import type { Browser } from 'puppeteer-core';
import { facePath } from '@/formats/faces/files';

/** A paragraph for the browser: lengths in CSS pixels, drawn 1 pt = 1 px so that nothing is rounded on the way. */
export interface BrowserParagraph {
  readonly text: string;
  readonly size: number;
  readonly width: number;
  readonly leading?: number;
  /** A float at the left that text runs around. */
  readonly float?: { readonly w: number; readonly h: number; readonly shape: string; readonly margin: number };
}

/** The lines that Chromium sets paragraphs in, ragged, in one face. */
export async function linesInChromium(browser: Browser, face: string, list: readonly BrowserParagraph[]): Promise<string[][]> {
  const page = await browser.newPage();
  const font = (await readFile(facePath(face))).toString('base64');
  await page.setContent(`<style>@font-face{font-family:Face;src:url(data:font/ttf;base64,${font})}
    p{font-family:Face;margin:0 0 20px;text-rendering:geometricPrecision;overflow-wrap:normal;hyphens:manual;-webkit-locale:"en-GB"}
    div{display:flow-root}i{float:left}</style>`);
  const lines = await page.evaluate(async (paragraphs) => {
    await document.fonts.load('10px Face');
    return paragraphs.map(({ text, size, width, leading, float }) => {
      const block = document.createElement('div');
      const p = document.createElement('p');
      p.lang = 'en-GB';
      p.style.fontSize = `${size}px`;
      block.style.width = `${width}px`;
      if (leading) p.style.lineHeight = `${leading}px`;
      if (float) {
        const image = document.createElement('i');
        Object.assign(image.style, {
          width: `${float.w}px`,
          height: `${float.h}px`,
          shapeOutside: float.shape,
          shapeMargin: `${float.margin}px`,
        });
        block.append(image);
      }
      const node = document.createTextNode(text);
      p.append(node);
      block.append(p);
      document.body.append(block);
      const range = document.createRange();
      const out: string[] = [];
      let start = 0;
      let top = -1;
      for (let i = 0; i < text.length; i++) {
        if (text[i] === ' ') continue;
        range.setStart(node, i);
        range.setEnd(node, i + 1);
        const rects = range.getClientRects();
        const y = rects[rects.length - 1]!.top;
        if (top >= 0 && y - top > size / 2) {
          out.push(text.slice(start, i).trimEnd());
          start = i;
        }
        top = y;
      }
      out.push(text.slice(start));
      block.remove();
      return out;
    });
  }, list);
  await page.close();
  return lines;
}
