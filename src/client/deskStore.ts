import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import type { Step } from 'prosemirror-transform';
import type { DeskView } from '@/core/page/houseDesk';
import type { DocumentSource } from './composerClient';
import type { Action, DocumentStore, Snapshot, StoreState } from './documentStore';
import { SpecimenSource } from './specimenSource';

/** What a desk works on: a document that can be changed, with undo, and says how far what was done has come. */
export interface DeskStore extends DocumentSource {
  readonly subscribe: (listener: () => void) => () => void;
  readonly snapshot: () => Snapshot;
  readonly state: () => StoreState;
  /** The last change that it holds, by number. */
  readonly seq: number;
  /** Does what an action makes of the document, and gives it. @throws ActionError with a sentence where it cannot be done */
  act(label: string, action: Action): Diff;
  do(label: string, diff: Diff): void;
  /** Does steps on a text that more may follow, until the hand rests. */
  type(label: string, text: string, steps: readonly Step[]): void;
  rest(): void;
  /** The document itself, of which what lies on the desk may be a view; and changing it there. */
  readonly whole: Document;
  actWhole(label: string, action: Action): void;
  undo(): ReturnType<DocumentStore['undo']>;
  redo(): ReturnType<DocumentStore['redo']>;
  /** Told when something that was done here could not be kept. */
  onRefused: DocumentStore['onRefused'];
}

/**
 * A house as it lies on the desk: what is looked at is worked out from it, and what is done there is done to it. Undo
 * is the house's own, so it reaches what was done in other chapters too.
 */
export class ViewedStore implements DeskStore {
  readonly #store: DocumentStore;
  readonly #view: DeskView;
  readonly #source: SpecimenSource;
  #snapshot: Snapshot;
  readonly #stop: () => void;

  constructor(store: DocumentStore, view: DeskView) {
    this.#store = store;
    this.#view = view;
    this.#source = new SpecimenSource(view.look(store.document));
    this.#snapshot = { ...store.snapshot(), document: this.document };
    this.#stop = store.onDiff(() => this.#source.show(view.look(store.document)));
  }

  get document(): Document {
    return this.#source.document;
  }

  readonly subscribe = (listener: () => void): (() => void) => this.#store.subscribe(listener);

  readonly snapshot = (): Snapshot => {
    const { undo, redo } = this.#store.snapshot();
    const now = this.#snapshot;
    if (now.document !== this.document || now.undo !== undo || now.redo !== redo)
      this.#snapshot = { document: this.document, undo, redo };
    return this.#snapshot;
  };

  readonly state = (): StoreState => this.#store.state();

  type(label: string, text: string, steps: readonly Step[]): void {
    this.#store.type(label, text, steps);
  }

  rest(): void {
    this.#store.rest();
  }

  act(label: string, action: Action): Diff {
    let own!: Diff;
    this.#store.act(label, (house) => this.#view.back((own = action(this.document)), house));
    return own;
  }

  do(label: string, diff: Diff): void {
    this.#store.do(label, this.#view.back(diff, this.#store.document));
  }

  get seq(): number {
    return this.#store.seq;
  }

  get whole(): Document {
    return this.#store.document;
  }

  actWhole(label: string, action: Action): void {
    this.#store.act(label, action);
  }

  undo(): ReturnType<DocumentStore['undo']> {
    return this.#store.undo();
  }

  redo(): ReturnType<DocumentStore['redo']> {
    return this.#store.redo();
  }

  set onRefused(told: DeskStore['onRefused']) {
    this.#store.onRefused = told;
  }

  onDiff(listener: (diff: Diff) => void): () => void {
    return this.#source.onDiff(listener);
  }

  close(): void {
    this.#stop();
  }
}
