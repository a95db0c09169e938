import { countWords } from '../../records/body';
import { linesOn } from '../column/breakParagraph';
import type { Prepared } from '../paragraph/prepared';

/**
 * How many words of a house's text fit so many lines of a measure: as many to the line as real text of it takes when
 * it is set on that measure, short last lines of paragraphs and loose lines of narrow columns among them.
 *
 * @param text some of the house's text, prepared in its body style; @param measure points
 */
export function wordsThatFit(text: readonly Prepared[], measure: number, lines: number): number {
  if (measure <= 0 || lines <= 0) return 0;
  let words = 0;
  let taken = 0;
  for (const of of text) {
    words += countWords(of.text);
    taken += linesOn(of, measure);
  }
  return taken > 0 ? Math.round((lines * words) / taken) : 0;
}
