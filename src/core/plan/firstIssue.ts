import { placedPage } from '../page/pages';
import { paragraphsOf, plainText } from '../records/body';
import { all, type Document, get, threadOf } from '../records/document';
import { pictureIn, textIn } from '../records/kinds/frames';

/** The way to a first issue: eight things that everybody does, in whatever order. */
export const FIRST_STEPS = ['copy', 'placed', 'picture', 'caption', 'goesOn', 'quote', 'checks', 'deliver'] as const;
export type FirstStep = (typeof FIRST_STEPS)[number];

/** What is known beside the document itself. */
export interface Around {
  /** Something grave was found; undefined while nobody has looked. */
  readonly grave: boolean | undefined;
  /** A delivery has been made. */
  readonly delivered: boolean;
}

/** What frames on pages show. */
const ON_PAGES = ['picture', 'caption', 'quote'] as const satisfies readonly FirstStep[];

/** Which of them an issue shows to have been done. */
export function stepsDone(document: Document, { grave, delivered }: Around): ReadonlySet<FirstStep> {
  const done = new Set<FirstStep>();
  for (const story of all(document, 'story')) {
    if (done.has('goesOn')) break;
    const { body } = story.parts;
    if (!paragraphsOf(get(document, 'text', body).body).some((paragraph) => plainText(paragraph).trim() !== '')) continue;
    done.add('copy');
    const thread = threadOf(document, body).filter(({ on }) => placedPage(document, on));
    if (thread.length > 0) done.add('placed');
    if (new Set(thread.map(({ on }) => on)).size > 1) done.add('goesOn');
  }
  for (const frame of all(document, 'frame')) {
    if (ON_PAGES.every((step) => done.has(step))) break;
    if (!placedPage(document, frame.on)) continue;
    if (frame.content.type === 'picture' && pictureIn(document, frame)?.picture !== undefined) done.add('picture');
    const text = textIn(frame);
    const role = text === undefined ? undefined : get(document, 'text', text).role;
    if (role === 'caption') done.add('caption');
    if (role === 'quote') done.add('quote');
  }
  // An empty issue has nothing wrong with it either.
  if (done.has('placed') && grave === false) done.add('checks');
  if (delivered) done.add('deliver');
  return done;
}
