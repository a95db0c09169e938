import { sentencesOf } from '../../compose/displayList/sentences';
import { replaced } from '../../finding/replacing';
import { paragraphsOf, plainText } from '../../records/body';
import { counted } from '../../records/count';
import type { Candidate, Cut, FitView, FitWay } from '../way';

/** Sentences that are proposed at most. */
const MOST = 6;

/** Share of a sentence’s telling words that one other has too, from which it says the same again. */
const AGAIN = 0.4;

interface Scored extends Cut {
  readonly score: number;
  readonly why: string;
}

/**
 * Sentences that a story could best lose: that say again what another says, that come late, that are as long as what is over.
 * Each is shown, and cut by nobody but who ticks it.
 */
export const SENTENCES: FitWay = {
  name: 'sentences',
  need: ['fewer'],
  *candidates(view): Generator<Candidate | undefined> {
    if (view.text.role !== 'body') return;
    for (const { score: _, why, ...cut } of scored(view).slice(0, MOST))
      yield {
        id: `cut ${cut.paragraph} ${cut.from}`,
        name: cut.words,
        price: why,
        cut,
        done: (document) => replaced(document, [{ text: view.text.id, ...spaced(view, cut), words: '' }]),
      };
  },
};

/** A sentence goes with the space behind it, or before it at a paragraph’s end. */
function spaced({ text }: FitView, { paragraph, from, to }: Cut): Pick<Cut, 'paragraph' | 'from' | 'to'> {
  const plain = plainText(paragraphsOf(text.body)[paragraph]!);
  if (plain[to] === ' ') return { paragraph, from, to: to + 1 };
  return { paragraph, from: plain[from - 1] === ' ' ? from - 1 : from, to };
}

function scored({ text, language, lines, composed }: FitView): Scored[] {
  const paragraphs = paragraphsOf(text.body);
  const all = sentencesOf(text, language, []).map(({ paragraph, from, to, words }) => ({
    paragraph,
    from,
    to,
    words,
    telling: new Set(words.toLowerCase().match(/[\p{L}’]{5,}/gu) ?? []),
    isFirst: from === 0,
    isQuoted: /[“”‘"]/.test(words),
  }));
  const perLine = charactersPerLine(composed, text.id);
  const wanted = lines * perLine;
  return all
    .flatMap((each): Scored[] => {
      // How a story begins and ends, and how a paragraph does, is its writer’s.
      if (each.paragraph === 0 || each.paragraph === paragraphs.length - 1 || each.isFirst) return [];
      if (each.words.length < perLine / 2 || each.words.length > 2 * wanted + perLine) return [];
      const again = all
        .filter((other) => other !== each && other.paragraph <= each.paragraph)
        .map((other) => ({ other, share: common(each.telling, other.telling) }))
        .sort((a, b) => b.share - a.share)[0];
      const says = again && again.share >= AGAIN ? again : undefined;
      const late = each.paragraph / paragraphs.length;
      const near = 1 - Math.min(1, Math.abs(each.words.length - wanted) / Math.max(wanted, each.words.length));
      const score = (says ? 1.5 * says.share : 0) + late + near - (each.isQuoted ? 0.8 : 0);
      const count = (each.words.match(/\S+/g) ?? []).length;
      const why = says
        ? `says again what paragraph ${says.other.paragraph + 1} says; ${counted(count, 'word')}`
        : `${counted(count, 'word')}, paragraph ${each.paragraph + 1}`;
      return [{ paragraph: each.paragraph, from: each.from, to: each.to, words: each.words, score, why }];
    })
    .sort((a, b) => b.score - a.score);
}

function common(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  if (a.size < 3) return 0;
  let n = 0;
  for (const word of a) if (b.has(word)) n++;
  return n / a.size;
}

function charactersPerLine({ pages }: FitView['composed'], text: string): number {
  let [lines, characters] = [0, 0];
  for (const { items } of pages)
    for (const item of items)
      if (item.type === 'text' && item.text === text)
        for (const column of item.columns)
          for (const line of column.lines) {
            lines++;
            for (const run of line.runs) characters += run.text.length + 1;
          }
  return lines > 0 ? characters / lines : 40;
}
