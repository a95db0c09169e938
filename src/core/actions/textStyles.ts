import type { EditorState } from 'prosemirror-state';
import type { Step } from 'prosemirror-transform';
import { clearLocal, localOfParagraph, setParagraphs } from '../editing/formatting';
import type { ParagraphAttrs } from '../records/text';
import { type Diff, typing } from '../records/diff';
import type { Document } from '../records/document';
import type { ParagraphStyleRecord } from '../records/index';
import { done } from '../records/rebase';
import { ActionError, Edit, newId } from './edit';
import { setStyle, styleName } from './styles';

/** What is selected of a text, with which text it is. */
export interface SelectedText {
  readonly text: string;
  readonly state: EditorState;
}

/** Steps on a text, as a part of a change. */
const textsOf = ({ text, state }: SelectedText, steps: readonly Step[]): Diff['texts'] =>
  steps.length > 0 ? typing(text, done(state.doc, steps)).texts : [];

const localSaid = ({ state }: SelectedText) => {
  const local = localOfParagraph(state);
  if (Object.keys(local).length === 0) throw new ActionError('Nothing here is formatted otherwise than its style says.');
  return local;
};

/** Makes the style of the paragraph that is selected what that is formatted as by hand; the text then looks as its style says. */
export function styleToWhatIsHere(document: Document, selected: SelectedText): Diff {
  const local = localSaid(selected);
  const { style } = selected.state.selection.$from.parent.attrs as ParagraphAttrs;
  return { ...setStyle(document, style, local), texts: textsOf(selected, clearLocal(selected.state)?.steps ?? []) };
}

/** A new style of what is selected, based on the one it has; the paragraphs that are selected take it. */
export function styleFromText(document: Document, selected: SelectedText, name: string): Diff {
  const edit = new Edit(document);
  const { style } = selected.state.selection.$from.parent.attrs as ParagraphAttrs;
  const id = newId();
  edit.put<ParagraphStyleRecord>({
    id,
    kind: 'paragraphStyle',
    name: styleName(document, 'paragraphStyle', name),
    basedOn: style,
    properties: localOfParagraph(selected.state),
  });
  // Cleared first: what was formatted by hand is what the style says now.
  const cleared = clearLocal(selected.state);
  const state = cleared ? selected.state.apply(cleared) : selected.state;
  const given = setParagraphs({ style: id })(state);
  const every = [...(cleared?.steps ?? []), ...(given?.steps ?? [])];
  return { ...edit.diff(), texts: textsOf(selected, every) };
}
