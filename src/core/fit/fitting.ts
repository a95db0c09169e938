import { Edit } from '../actions/edit';
import type { Composed } from '../compose/composer';
import { partOf } from '../compose/measure/part';
import type { Fit } from '../compose/text/fit';
import { framesOnPages, placedPage } from '../page/pages';
import { applied, type Diff } from '../records/diff';
import { type Document, find, get } from '../records/document';
import { spoken } from '../records/language';
import { styleSheet } from '../type/styles';
import { shownLines, untidy } from './shown';
import { type Candidate, type FitView, overBy, type TriedMend } from './way';
import { WAYS } from './ways/index';

/** Mends that are offered of one way at most. */
const MOST_OF_A_WAY = 6;

/** What composes documents, one after another. */
interface Typesetter {
  compose(document: Document): Composed;
}

/**
 * Making a text fit: what may be done is tried by composing, one thing after another; what was found to help can be combined, seen
 * and taken. It goes by the document as it was when it began.
 */
export class Fitting {
  readonly document: Document;
  readonly text: string;
  readonly #candidates = new Map<string, Candidate>();
  readonly #view: FitView;

  /** @throws Error where the text is on no page */
  constructor(document: Document, text: string, typesetter: Typesetter) {
    this.document = document;
    this.text = text;
    const record = get(document, 'text', text);
    const frames = framesOnPages(document, text);
    if (frames.length === 0) throw new Error('That text is on no page yet.');
    const pages = [...new Set(frames.map(({ on }) => on))].map((on) => placedPage(document, on)!);
    pages.sort((a, b) => a.number - b.number);
    const ids = pages.map(({ page }) => page.id);
    const compose = (of: Document): Composed => typesetter.compose(partOf(of, ids));
    const composed = compose(document);
    const fit = composed.fits.get(text)!;
    const over = overBy(fit);
    this.#view = {
      document,
      text: record,
      story: find(document, 'story', record.story),
      frames,
      pages,
      composed,
      fit,
      need: over > 0 ? 'fewer' : 'more',
      lines: Math.abs(over),
      sheet: styleSheet(document),
      language: spoken(find(document, 'issue', 'issue')?.language),
      tried: (diff) => {
        const own = compose(applied(document, diff));
        return { fit: own.fits.get(text) ?? fit, composed: own };
      },
      typesetter: { compose },
    };
  }

  get fit(): Fit {
    return this.#view.fit;
  }

  /** What helps, as it is found: undefined between two that were tried, so that other work can be done. */
  *mends(): Generator<TriedMend | undefined> {
    const view = this.#view;
    const before = untidy(shownLines(view.composed, this.text)).length;
    for (const way of WAYS) {
      if (!way.need.includes(view.need)) continue;
      let found = 0;
      for (const candidate of way.candidates(view)) {
        if (!candidate) {
          yield undefined;
          continue;
        }
        if (found >= MOST_OF_A_WAY) break;
        const mend = this.#tried(candidate, before);
        if (mend) {
          found++;
          this.#candidates.set(candidate.id, candidate);
        }
        yield mend;
      }
    }
  }

  /** What a candidate does by itself; undefined where it does not help, or cannot be done. */
  #tried(candidate: Candidate, before: number): TriedMend | undefined {
    const view = this.#view;
    let result: ReturnType<FitView['tried']>;
    try {
      result = view.tried(candidate.done(view.document));
    } catch {
      return undefined;
    }
    const over = overBy(result.fit);
    const lines = view.need === 'fewer' ? overBy(view.fit) - over : over - overBy(view.fit);
    const tidied = before - untidy(shownLines(result.composed, this.text)).length;
    const evens = candidate.id === 'balanced' || candidate.id === 'spread';
    // What fills more room than there is would put words over.
    if (view.need === 'more' && over > 0) return undefined;
    if (lines <= 0 && !evens && !(tidied > 0 && candidate.id.startsWith('tidy'))) return undefined;
    const { done: _, ...said } = candidate;
    return { ...said, lines, tidied };
  }

  /**
   * What several mends do together, and how the text fits then. Words are cut from the end on, so that each is where it was found.
   * @throws ActionError where they cannot be done together
   */
  together(ids: readonly string[]): { readonly diff: Diff; readonly fit: Fit } {
    const chosen = ids.flatMap((id) => this.#candidates.get(id) ?? []);
    const cuts = chosen.filter(({ cut }) => cut).sort((a, b) => b.cut!.paragraph - a.cut!.paragraph || b.cut!.from - a.cut!.from);
    const edit = new Edit(this.document);
    for (const { done } of [...chosen.filter(({ cut }) => !cut), ...cuts]) edit.take(done(edit.document));
    const diff = edit.diff();
    return { diff, fit: ids.length === 0 ? this.fit : this.#view.tried(diff).fit };
  }
}
