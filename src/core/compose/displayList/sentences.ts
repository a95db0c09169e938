import type { Box } from '../../geometry/box';
import { mappedBox } from '../../geometry/matrix';
import { paragraphsOf, plainText } from '../../records/body';
import type { TextRecord } from '../../records/index';
import { type PageList, runWidth } from './displayList';

/** A sentence of a text: characters of a paragraph, and where they stand on pages, a box for each line. */
export interface PlacedSentence {
  readonly text: string;
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
  readonly words: string;
  readonly boxes: readonly { readonly page: string; readonly box: Box }[];
}

/**
 * The sentences of a text, by the rules of Unicode (UAX #29, as the language's `Intl.Segmenter` has them), with their
 * places on the pages. A sentence that no frame shows has no boxes.
 */
export function sentencesOf(text: TextRecord, language: string, pages: readonly PageList[]): PlacedSentence[] {
  const segmenter = new Intl.Segmenter(language, { granularity: 'sentence' });
  const out: PlacedSentence[] = [];
  paragraphsOf(text.body).forEach((node, paragraph) => {
    const plain = plainText(node);
    for (const { index, segment } of segmenter.segment(plain)) {
      const words = segment.trim();
      if (words === '') continue;
      const from = index + segment.indexOf(words);
      out.push({ text: text.id, paragraph, from, to: from + words.length, words, boxes: [] });
    }
  });
  const boxes = out.map(() => [] as { page: string; box: Box }[]);
  for (const list of pages) {
    for (const item of list.items) {
      if (item.type !== 'text' || item.text !== text.id) continue;
      for (const { lines, paragraphs } of item.columns) {
        lines.forEach((line, i) => {
          out.forEach((sentence, index) => {
            if (sentence.paragraph !== paragraphs[i]) return;
            const own = line.runs.filter((run) => run.to > sentence.from && run.from < sentence.to);
            const last = own.at(-1);
            if (!last) return;
            const { x } = own[0]!;
            const w = last.x + runWidth(last, line) - x;
            const box = { x: line.x + x, y: line.baseline - line.ascent, w, h: line.ascent + line.descent };
            const placed = mappedBox(item.transform, box);
            boxes[index]!.push({ page: list.page, box: placed });
          });
        });
      }
    }
  }
  return out.map((sentence, i) => ({ ...sentence, boxes: boxes[i]! }));
}
