import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { Node } from 'prosemirror-model';
import { checkBody } from '../records/body';
import { Edit } from './edit';

/** Gives a text new words. @throws RangeError when the body is not a document of the schema */
export function setBody(document: Document, id: string, body: Node): Diff {
  checkBody(body);
  const edit = new Edit(document);
  edit.put({ ...get(document, 'text', id), body });
  return edit.diff();
}
