import { Edit } from '../../actions/edit';
import { removeFrames } from '../../actions/frames';
import { bodyText } from '../../records/body';
import { type Document, find, framesOn, get, threadOf } from '../../records/document';
import { textIn } from '../../records/kinds/frames';
import { below, headsMoved } from '../around';
import type { Candidate, FitView, FitWay } from '../way';

/** Something of the page’s taken off it, with the room it took: the standfirst, a pull quote. Its words stay with the story. */
export const WITHOUT: FitWay = {
  name: 'without',
  need: ['fewer'],
  *candidates(view): Generator<Candidate | undefined> {
    const { document, story, pages, text } = view;
    for (const { page } of pages)
      for (const frame of framesOn(document, page.id)) {
        const own = find(document, 'text', textIn(frame));
        if (own?.role !== 'quote' || frame.locked) continue;
        if (own.story !== story?.id && own.source?.text !== text.id) continue;
        yield off(view, frame.id, `quote ${frame.id}`, 'Pull quote out', `“${shortened(bodyText(own.body))}”`);
      }
    const standfirst = story?.parts.standfirst;
    const [frame] = standfirst ? threadOf(document, standfirst) : [];
    if (frame && !frame.locked)
      yield off(view, frame.id, 'standfirst', 'Without the standfirst', 'it stays in Copy, and is not printed');
  },
};

function off(view: FitView, id: string, key: string, name: string, price: string): Candidate {
  const { text, composed } = view;
  return {
    id: key,
    name,
    price,
    done: (document: Document) => {
      const frame = get(document, 'frame', id);
      const box = composed.grown.get(id) ?? frame.box;
      const after = below(document, text.id, frame.on, [{ ...frame.box, h: box.h }]);
      const edit = new Edit(document);
      edit.take(removeFrames(document, [id]));
      // A quote stands in the text, which closes up by itself; what stood above it leaves its room.
      headsMoved(edit, after, box.h);
      return edit.diff();
    },
  };
}

const shortened = (words: string): string => (words.length > 50 ? `${words.slice(0, 48).trimEnd()} …` : words);
