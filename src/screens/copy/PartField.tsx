'use client';

import type { Node as TextNode } from 'prosemirror-model';
import { EditorState, TextSelection } from 'prosemirror-state';
import { Decoration, DecorationSet, EditorView } from 'prosemirror-view';
import { useEffect, useRef } from 'react';
import type { DeskStore } from '@/client/deskStore';
import type { Misspelt } from '@/core/spelling/reading';
import { positionOf, rangeOf } from '@/core/editing/places';
import { paragraphsOf, plainText } from '@/core/records/body';
import { find } from '@/core/records/document';
import { FIELD_WORDS } from '@/core/records/fieldWords';
import type { FieldName, ListAttrs } from '@/core/records/text';
import type { Command } from '../frame/commands/command';
import { useLatest } from '../frame/useLatest';
import type { Say } from '../frame/useNotices';
import { pasting, plainOf, serializer } from '../text/clipboard';
import { editingKey } from '../text/editingKeys';
import type { TextInHand } from '../text/textInHand';

interface PartFieldProps {
  readonly store: DeskStore;
  readonly inHand: TextInHand;
  readonly text: string;
  readonly name: string;
  readonly misspelt: readonly Misspelt[];
  readonly className: string;
  readonly commands: readonly Command[];
  readonly say: Say;
  readonly onTurn: (how: 'undo' | 'redo') => void;
}

/**
 * A part of a story to be written in: the same text, steps and undo as on the page, in a browser's own editable text. It
 * holds the text as the document has it; while the caret is in it, as it is in the hand.
 */
export function PartField({ store, inHand, text, name, misspelt, className, commands, say, onTurn }: PartFieldProps) {
  const place = useRef<HTMLDivElement>(null);
  const marks = useRef<readonly Misspelt[]>([]);
  const shownView = useRef<EditorView | undefined>(undefined);
  useEffect(() => {
    marks.current = misspelt.filter((each) => each.text === text);
    const view = shownView.current;
    if (!view || view.composing) return;
    // What is drawn anew is given the selection that is known: the one that is seen may be newer.
    if (view.hasFocus()) takeSeen(view);
    view.setProps({});
  }, [misspelt, text]);
  const latest = useRef({ name, say });
  useEffect(() => {
    latest.current = { name, say };
  });
  const key = useLatest((event: KeyboardEvent): boolean => editingKey(inHand, commands, onTurn, event));

  useEffect(() => {
    const body = () => find(store.document, 'text', text)?.body;
    const first = body();
    if (!first) return;
    const isMine = () => inHand.now()?.text === text;
    let plain = false;
    const view = new EditorView(place.current!, {
      state: EditorState.create({ doc: first }),
      attributes: () => ({
        role: 'textbox',
        'aria-multiline': 'true',
        'aria-label': latest.current.name,
        spellcheck: 'false',
        'data-text-field': '',
      }),
      decorations: ({ doc }) => withMisspelt(looksOf(doc), doc, marks.current),
      dispatchTransaction: (tr) => {
        if (!isMine()) inHand.begin(text, rangeOf(view.state));
        const now = inHand.now();
        if (!now?.state.doc.eq(tr.before)) return follow();
        const how = tr.getMeta('uiEvent') as string | undefined;
        inHand.take(tr, how === 'cut' ? 'Cut' : how === 'drop' ? 'Move text' : 'Type');
        follow();
      },
      handleKeyDown: (_, event) => {
        plain = event.shiftKey && event.key.toLowerCase() === 'v';
        takeSeen(view);
        return key(event);
      },
      handleTextInput: (own, from, to, words) => {
        if (own.composing) return false;
        if (!isMine()) inHand.begin(text, rangeOf(own.state));
        inHand.take(inHand.now()!.state.tr.setSelection(TextSelection.create(own.state.doc, from, to)));
        inHand.words(words);
        return true;
      },
      handleDOMEvents: {
        focus: () => {
          if (!isMine()) inHand.begin(text, rangeOf(view.state));
          return false;
        },
      },
      clipboardTextSerializer: plainOf,
      clipboardSerializer: serializer(store.document),
      handlePaste: (_, event, slice) => {
        const data = event.clipboardData;
        if (!data) return false;
        takeSeen(view);
        try {
          inHand.run(
            pasting(store.document, { html: data.getData('text/html'), plain: data.getData('text/plain'), slice }, plain),
            'Paste',
          );
        } catch (error) {
          latest.current.say((error as Error).message, 'wrong');
        }
        plain = false;
        return true;
      },
    });
    function follow(): void {
      const now = inHand.now();
      if (isMine()) {
        if (now!.state !== view.state) view.updateState(now!.state);
        // Something else has gone to a place of it: it is brought into sight.
        if (!view.hasFocus() && !isToolFocused()) {
          view.focus();
          const { node } = view.domAtPos(now!.state.selection.from);
          (node instanceof Element ? node : node.parentElement)?.scrollIntoView({ block: 'center' });
        }
        return;
      }
      const doc = body();
      if (doc && !doc.eq(view.state.doc)) view.updateState(EditorState.create({ doc }));
    }
    shownView.current = view;
    const stops = [inHand.subscribe(follow), store.subscribe(follow)];
    // Whoever opened its story may have gone to a place of it.
    follow();
    return () => {
      for (const stop of stops) stop();
      shownView.current = undefined;
      view.destroy();
    };
  }, [store, inHand, text, key]);

  return <div ref={place} className={`copy-text ${className}`} data-part={text} />;
}

/**
 * Takes over what the browser shows as selected. It tells of a selection a moment later, and keys come before that where somebody
 * is quick or the page is busy: what a key is meant for is what is seen.
 */
function takeSeen(view: EditorView): void {
  const seen = window.document.getSelection();
  if (view.composing || !seen?.anchorNode || !seen.focusNode || !(view.state.selection instanceof TextSelection)) return;
  if (!view.dom.contains(seen.anchorNode) || !view.dom.contains(seen.focusNode)) return;
  const place = (node: Node, offset: number) => view.state.doc.resolve(view.posAtDOM(node, offset));
  const selection = TextSelection.between(place(seen.anchorNode, seen.anchorOffset), place(seen.focusNode, seen.focusOffset));
  if (!selection.eq(view.state.selection)) view.dispatch(view.state.tr.setSelection(selection));
}

/** Whether the focus is in what is done to the text: it goes back by itself. */
const isToolFocused = (): boolean =>
  window.document.activeElement?.closest('[data-strip], [role=dialog], input, select, textarea') != null;

/** Words that no dictionary knows; where the text has changed since it was read, those that still say the same. */
function withMisspelt(set: DecorationSet, doc: TextNode, misspelt: readonly Misspelt[]): DecorationSet {
  if (misspelt.length === 0) return set;
  const paragraphs = paragraphsOf(doc);
  const own = misspelt.flatMap(({ paragraph, from, to, word }) => {
    const node = paragraphs[paragraph];
    if (!node || plainText(node).slice(from, to) !== word) return [];
    const start = positionOf(doc, { paragraph, offset: from });
    return [Decoration.inline(start, start + to - from, { class: 'misspelt' })];
  });
  return set.add(doc, own);
}

const made = new WeakMap<TextNode, DecorationSet>();

/** How paragraphs are told apart in the editor: by what they are rather than by the house's type. */
function looksOf(doc: TextNode): DecorationSet {
  let set = made.get(doc);
  if (!set) {
    const own: Decoration[] = [];
    doc.descendants((node, at) => {
      if (node.type.name === 'paragraph') {
        const list = node.attrs['list'] as ListAttrs | undefined;
        const mark = list && (list.kind === 'bullet' ? '•' : `${list.number ?? 1}.`);
        own.push(
          Decoration.node(at, at + node.nodeSize, {
            'data-style': node.attrs['style'] as string,
            ...(mark ? { 'data-mark': mark, style: `--level: ${list.level}` } : {}),
            ...(node.attrs['local'] ? { 'data-local': '' } : {}),
          }),
        );
      } else if (node.type.name === 'field')
        own.push(Decoration.node(at, at + node.nodeSize, { 'data-field': FIELD_WORDS[node.attrs['name'] as FieldName] }));
      return true;
    });
    made.set(doc, (set = DecorationSet.create(doc, own)));
  }
  return set;
}
