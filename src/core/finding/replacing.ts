import { Transform } from 'prosemirror-transform';
import { ActionError } from '../actions/edit';
import { positionOf } from '../editing/places';
import { markOf } from '../records/body';
import { bodySchema } from '../records/bodySchema';
import { type Diff, NO_DIFF } from '../records/diff';
import { type Document, find } from '../records/document';
import { done } from '../records/rebase';

/** A stretch of a paragraph of a text. */
export interface Stretch {
  readonly text: string;
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
}

/** What a stretch becomes; what is not said stays as it is. */
export interface Replacement extends Stretch {
  readonly words?: string | undefined;
  /** A character style for its letters; `null` takes theirs away. */
  readonly characterStyle?: string | null | undefined;
  /** A style for the paragraph it stands in. */
  readonly paragraphStyle?: string | undefined;
  /** Letters that were raised stand on the line. */
  readonly onLine?: boolean | undefined;
  /** Its spelling is left as it is, or asked for again. */
  readonly asWritten?: boolean | undefined;
  /** The paragraph goes, empty as it is. */
  readonly goes?: boolean | undefined;
}

/**
 * Replaces stretches of texts, all in one change. Words take over the marks of the letters that they replace.
 *
 * @throws ActionError where a text is no longer as the stretches say
 */
export function replaced(document: Document, replacements: readonly Replacement[]): Diff {
  const byText = new Map<string, Replacement[]>();
  for (const each of replacements) {
    const own = byText.get(each.text);
    if (own) own.push(each);
    else byText.set(each.text, [each]);
  }
  const texts = [...byText].flatMap(([id, own]) => {
    const body = find(document, 'text', id)?.body;
    if (!body) return [];
    const tr = new Transform(body);
    // From the end on, so that what comes before stays where it was found.
    own.sort((a, b) => b.paragraph - a.paragraph || b.from - a.from);
    try {
      for (const each of own) replaceOne(tr, body, each);
    } catch (error) {
      if (error instanceof RangeError) throw new ActionError('The text has changed since it was searched. Search again.');
      throw error;
    }
    return tr.docChanged ? [{ id, ...done(body, tr.steps) }] : [];
  });
  return { ...NO_DIFF, texts };
}

function replaceOne(tr: Transform, body: Transform['doc'], each: Replacement): void {
  const { paragraph, from, to, words, characterStyle, paragraphStyle, onLine, asWritten, goes } = each;
  const start = positionOf(body, { paragraph, offset: from });
  const end = start + to - from;
  if (goes) {
    // The last paragraph of a text or cell stays, empty.
    const place = tr.doc.resolve(start);
    if (place.node(-1).childCount > 1) tr.delete(place.before(), place.after());
    return;
  }
  let until = end;
  if (words !== undefined) {
    const marks = body.resolve(start).nodeAfter?.marks ?? body.resolve(start).marks();
    if (words === '') tr.delete(start, end);
    else tr.replaceWith(start, end, bodySchema.text(words, marks));
    until = start + words.length;
  }
  if (characterStyle !== undefined && until > start) {
    tr.removeMark(start, until, bodySchema.marks['character']);
    if (characterStyle !== null) tr.addMark(start, until, markOf('character', { style: characterStyle }));
  }
  if (onLine && until > start) tr.removeMark(start, until, bodySchema.marks['superscript']);
  if (asWritten === true) tr.addMark(start, until, markOf('asWritten'));
  if (asWritten === false) tr.removeMark(start, until, bodySchema.marks['asWritten']);
  if (paragraphStyle !== undefined) {
    const at = tr.doc.resolve(start).before();
    tr.setNodeAttribute(at, 'style', paragraphStyle);
  }
}
