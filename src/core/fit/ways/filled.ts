import { makeQuote } from '../../actions/quotes';
import { placePicture } from '../../actions/pictures';
import { placeStory } from '../../actions/stories';
import { bottom, type Box, overlaps } from '../../geometry/box';
import { pageWithGrid } from '../../actions/frames';
import { formatOf } from '../../page/pages';
import { sentencesOf } from '../../compose/displayList/sentences';
import { wordsOf } from '../../plan/storyList';
import { counted } from '../../records/count';
import { all, framesOn, threadOf } from '../../records/document';
import { pictureIn, textIn } from '../../records/kinds/frames';
import { shownLines } from '../shown';
import { type Candidate, type FitView, type FitWay, overBy } from '../way';

/** Lines of room from which something may be put there. */
const ENOUGH = 4;

/** What the story or the tray has for the room that is left: a pull quote, a picture, a short story. */
export const FILLED: FitWay = {
  name: 'filled',
  need: ['more'],
  *candidates(view): Generator<Candidate | undefined> {
    if (view.lines < ENOUGH) return;
    yield* quotes(view);
    const room = roomBelow(view);
    if (!room) return;
    const { document, typesetter } = view;
    const used = new Set(all(document, 'frame').flatMap((frame) => pictureIn(document, frame)?.picture ?? []));
    const shape = room.box.w / room.box.h;
    const [picture] = all(document, 'picture')
      .filter((each) => !used.has(each.id) && !all(document, 'advertisement').some((own) => own.picture === each.id))
      .sort((a, b) => Math.abs(Math.log(a.width / a.height / shape)) - Math.abs(Math.log(b.width / b.height / shape)));
    if (picture)
      yield {
        id: `picture in ${picture.id}`,
        name: `“${picture.name}” from the tray`,
        price: 'with its caption, in the room that is left',
        done: (of) => placePicture(of, { picture: picture.id, page: room.page, box: room.box }, typesetter),
      };
    const fits = view.lines * WORDS_PER_LINE;
    const [filler] = all(document, 'story')
      .filter((story) => !threadOf(document, story.parts.body).length && story.id !== view.story?.id)
      .map((story) => ({ story, words: wordsOf(document, story) }))
      .filter(({ words }) => words > 0 && words <= fits)
      .sort((a, b) => b.words - a.words);
    if (filler)
      yield {
        id: `story in ${filler.story.id}`,
        name: `“${filler.story.name}” from the tray`,
        price: `a short story of ${counted(filler.words, 'word')}`,
        done: (of) => placeStory(of, { story: filler.story.id, page: room.page, box: room.box, allPages: false }, typesetter),
      };
  },
};

/** Words that a line of a usual column takes, about. */
const WORDS_PER_LINE = 6;

function* quotes(view: FitView): Generator<Candidate | undefined> {
  const { document, text, language, composed, story, typesetter } = view;
  if (text.role !== 'body') return;
  const quoted = new Set(
    all(document, 'frame').flatMap((frame) => {
      const own = document.records.get(textIn(frame) ?? '');
      return own?.kind === 'text' && own.role === 'quote' && own.story === story?.id ? [own.source?.words ?? ''] : [];
    }),
  );
  const telling = sentencesOf(text, language, composed.pages)
    .filter(({ words, boxes }) => boxes.length > 0 && words.length > 40 && words.length < 140 && !quoted.has(words))
    .sort((a, b) => score(b.words) - score(a.words))
    .slice(0, 2);
  for (const { words, boxes: _, ...passage } of telling) {
    const candidate: Candidate = {
      id: `quote in ${passage.paragraph} ${passage.from}`,
      name: 'A pull quote',
      price: `“${words.length > 64 ? `${words.slice(0, 62)} …` : words}”`,
      done: (of) => makeQuote(of, passage, typesetter),
    };
    if (overBy(view.tried(candidate.done(document)).fit) <= 0) yield candidate;
    else yield undefined;
  }
}

/** Somebody speaks, or something is said in few words. */
const score = (words: string): number => (/[“‘]/.test(words) ? 2 : 0) + (words.length < 90 ? 1 : 0);

/** The room below the last line of the text, in its last frame. */
function roomBelow({ document, composed, text, frames }: FitView): { page: string; box: Box } | undefined {
  const last = frames.at(-1);
  if (!last) return undefined;
  const { grid } = pageWithGrid(document, last.on);
  const { step } = formatOf(document).baseline;
  const lines = shownLines(composed, text.id).filter(({ frame }) => frame === last.id);
  const foot = Math.max(last.box.y, ...lines.map(({ line }) => line.baseline));
  const y = grid.first + Math.ceil((foot - grid.first) / step) * step;
  const box = { ...last.box, y, h: bottom(last.box) - y };
  const isFree = framesOn(document, last.on).every((other) => other.id === last.id || !overlaps(other.box, box));
  return box.h >= ENOUGH * step && isFree ? { page: last.on, box } : undefined;
}
