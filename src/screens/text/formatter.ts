import { EditorState } from 'prosemirror-state';
import type { DeskStore } from '@/client/deskStore';
import { type SelectedText, styleFromText, styleToWhatIsHere } from '@/core/actions/textStyles';
import { type Formatting, formattingOf } from '@/core/editing/formatting';
import { everything, selectionOf } from '@/core/editing/places';
import type { TableDress } from '@/core/editing/tables';
import type { TextCommand } from '@/core/editing/typing';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import type { Diff } from '@/core/records/diff';
import { all, find } from '@/core/records/document';
import type { Role } from '@/core/records/swatch';
import { same } from '@/core/records/same';
import type { StyleSheet } from '@/core/type/styles';
import type { Say } from '../frame/useNotices';
import { styleLists } from './styleLists';
import { type TextInHand, useInHandNow } from './textInHand';

/** Formats what is selected in the text in hand; all of a text, where its frame is chosen. */
export class Formatter {
  readonly #store: DeskStore;
  readonly #inHand: TextInHand;
  readonly #whole: string | undefined;
  readonly say: Say;
  #formatting: Formatting | undefined;

  /** @param whole the text of the one frame that is chosen */
  constructor(store: DeskStore, inHand: TextInHand, whole: string | undefined, say: Say) {
    this.#store = store;
    this.#inHand = inHand;
    this.#whole = whole;
    this.say = say;
  }

  selected(): SelectedText | undefined {
    const writing = this.#inHand.now();
    if (writing) return writing;
    const body = find(this.#store.document, 'text', this.#whole)?.body;
    return (
      body && { text: this.#whole!, state: EditorState.create({ doc: body, selection: selectionOf(body, everything(body)) }) }
    );
  }

  sheet(): StyleSheet {
    return styleLists(this.#store).sheet;
  }

  /** What a table is made with here: the house’s own styles for tables, or that of the paragraph. */
  tableDress(): TableDress {
    const { document } = this.#store;
    const swatches = all(document, 'swatch');
    const of = (role: Role) => (swatches.find((each) => each.role === role) ?? swatches[0])?.id ?? '';
    const there = (style: string) => (find(document, 'paragraphStyle', style) ? style : undefined);
    const here = this.selected()?.state.selection.$from.parent.attrs['style'] as string | undefined;
    return {
      ink: of('ink'),
      tint: of('tint'),
      style: there(COPY_STYLES.table) ?? here ?? COPY_STYLES.body,
      headStyle: there(COPY_STYLES.tableHead),
      isRunning: !there(COPY_STYLES.table),
    };
  }

  formatting(): Formatting | undefined {
    const selected = this.selected();
    const now = selected && formattingOf(selected.state, this.sheet());
    if (!same(now, this.#formatting)) this.#formatting = now;
    return this.#formatting;
  }

  run(command: TextCommand, label: string): void {
    if (this.#inHand.now()) return this.#inHand.run(command, label);
    const selected = this.selected();
    const tr = selected && command(selected.state);
    if (!tr?.docChanged) return;
    this.#store.type(label, selected!.text, tr.steps);
    this.#store.rest();
  }

  /** Makes the style what is formatted by hand here. */
  toStyle(): void {
    try {
      this.#act('Change a style', (selected) => styleToWhatIsHere(this.#store.document, selected));
    } catch (error) {
      this.say((error as Error).message, 'wrong');
    }
  }

  /** Makes a style of what is formatted here. @throws ActionError with a sentence where it cannot be called so */
  newStyle(name: string): void {
    this.#act('Add a style', (selected) => styleFromText(this.#store.document, selected, name));
  }

  #act(label: string, action: (selected: SelectedText) => Diff): void {
    this.#inHand.rest();
    const selected = this.selected();
    if (selected) this.#store.do(label, action(selected));
  }
}

/** How what would be formatted is formatted now; the same object as long as it is the same. Undefined where there is no text to be. */
export function useFormatting(formatter: Formatter, inHand: TextInHand): Formatting | undefined {
  useInHandNow(inHand);
  return formatter.formatting();
}
