/** A change as undo knows it. */
export interface Remembered<Diff> {
  readonly id: string;
  readonly kind: 'edit' | 'undo' | 'redo';
  /** The edit that an undo or redo is of, by its id. */
  readonly of: string | undefined;
  readonly label: string;
  readonly diff: Diff;
}

/**
 * What can be undone and redone, worked out from the list of one author's changes: undo and redo are changes
 * themselves, so the list is all there is to remember, and a reload forgets nothing.
 */
export class History<Diff> {
  readonly #edits = new Map<string, Remembered<Diff>>();
  #undo: string[] = [];
  #redo: string[] = [];

  note(change: Remembered<Diff>): void {
    if (change.kind === 'edit') {
      this.#edits.set(change.id, change);
      this.#undo.push(change.id);
      this.#redo = [];
    } else if (change.of !== undefined) {
      const [from, to] = change.kind === 'undo' ? [this.#undo, this.#redo] : [this.#redo, this.#undo];
      const at = from.lastIndexOf(change.of);
      if (at >= 0) from.splice(at, 1);
      if (this.#edits.has(change.of)) to.push(change.of);
    }
  }

  /** Takes back the noting of a change that was refused. */
  forget(change: Pick<Remembered<Diff>, 'id' | 'kind' | 'of'>): void {
    if (change.kind === 'edit') {
      this.#undo = this.#undo.filter((id) => id !== change.id);
      this.#redo = this.#redo.filter((id) => id !== change.id);
      this.#edits.delete(change.id);
      return;
    }
    // What was refused cannot be done again either: the edit drops out of both lists.
    this.#undo = this.#undo.filter((id) => id !== change.of);
    this.#redo = this.#redo.filter((id) => id !== change.of);
  }

  get toUndo(): Remembered<Diff> | undefined {
    return this.#edits.get(this.#undo.at(-1) ?? '');
  }

  get toRedo(): Remembered<Diff> | undefined {
    return this.#edits.get(this.#redo.at(-1) ?? '');
  }
}
