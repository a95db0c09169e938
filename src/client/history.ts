/** A change as undo knows it. */
export interface Remembered {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  /** The edit that an undo or redo is of, by its id. */
  readonly of: string | undefined;
  readonly label: string;
}

/** What can be turned: the edit, and the change that last did or undid it, which is what is taken back. */
export interface Turnable {
  readonly edit: string;
  readonly last: string;
  readonly label: string;
}

/**
 * What can be undone and redone, worked out from the list of one author's changes: undo and redo are changes
 * themselves, so the list is all there is to remember, and a reload forgets nothing.
 */
export class History {
  readonly #edits = new Map<string, Turnable>();
  #undo: string[] = [];
  #redo: string[] = [];

  note({ id, kind, of, label }: Remembered): void {
    if (kind === 'edit') {
      this.#edits.set(id, { edit: id, last: id, label });
      this.#undo.push(id);
      this.#redo = [];
    } else if (of !== undefined) {
      const [from, to] = kind === 'undo' ? [this.#undo, this.#redo] : [this.#redo, this.#undo];
      const at = from.lastIndexOf(of);
      if (at >= 0) from.splice(at, 1);
      const edit = this.#edits.get(of);
      if (!edit) return;
      this.#edits.set(of, { ...edit, last: id });
      to.push(of);
    }
  }

  /** Takes back the noting of a change that was refused. */
  forget(change: Pick<Remembered, 'id' | 'kind' | 'of'>): void {
    // What was refused cannot be done again either: the edit drops out of both lists.
    const id = change.kind === 'edit' ? change.id : change.of;
    this.#undo = this.#undo.filter((each) => each !== id);
    this.#redo = this.#redo.filter((each) => each !== id);
    if (change.kind === 'edit') this.#edits.delete(change.id);
  }

  get toUndo(): Turnable | undefined {
    return this.#edits.get(this.#undo.at(-1) ?? '');
  }

  get toRedo(): Turnable | undefined {
    return this.#edits.get(this.#redo.at(-1) ?? '');
  }
}
