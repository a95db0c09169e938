import { slotsOn } from '../../page/slots';
import { inheritedFrames, placedPage } from '../../page/pages';
import { fieldsOf, paragraphsOf } from '../../records/body';
import { type Document, documentOf, find, framesOn, threadOf } from '../../records/document';

/**
 * What of a document some of its pages need to be composed as they are in the whole: all frames on them, and those that
 * the texts on them run through elsewhere. The other pages are there, but empty, so that numbers and folios are right.
 * What follows from the whole issue, as a contents list, is not.
 */
export function partOf(document: Document, pages: readonly string[]): Document {
  const needed = new Set<string>();
  for (const page of pages) {
    const placed = placedPage(document, page);
    for (const frame of [...framesOn(document, page), ...(placed ? slotsOn(document, placed) : [])]) {
      needed.add(frame.id);
      if (frame.content.type === 'text') for (const { id } of threadOf(document, frame.content.text)) needed.add(id);
    }
  }
  return documentOf(
    [...document.records.values()].filter(
      (record) => record.kind !== 'frame' || needed.has(record.id) || !placedPage(document, record.on),
    ),
  );
}

/** Whether a page shows something that follows from other pages, as a contents list does: it needs the whole document. */
export function showsOthers(document: Document, page: string): boolean {
  const placed = placedPage(document, page);
  const frames = [...framesOn(document, page), ...(placed ? inheritedFrames(document, placed) : [])];
  return frames.some(({ content }) => {
    const text = content.type === 'text' ? find(document, 'text', content.text) : undefined;
    return text !== undefined && paragraphsOf(text.body).some((own) => own.attrs['each'] || fieldsOf(own).some(({ of }) => of));
  });
}
