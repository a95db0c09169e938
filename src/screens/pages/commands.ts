/** An action of the desk by its name, with the key that does it. */
export interface Command {
  readonly id: string;
  readonly name: string;
  /** As shown, `Ctrl+Z`; compared with what is pressed by `matches`. */
  readonly keys?: string | undefined;
  readonly enabled: boolean;
  readonly run: () => void;
}

/** Whether a key press is a command's shortcut. */
export function matches(
  keys: string | undefined,
  event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>,
): boolean {
  if (!keys) return false;
  const parts = keys.split('+').map((part) => (part === '' ? '+' : part));
  const key = parts.at(-1)!;
  const wantsCtrl = parts.includes('Ctrl');
  const wantsShift = parts.includes('Shift');
  const command = event.ctrlKey || event.metaKey;
  if (command !== wantsCtrl || event.altKey) return false;
  // A sign that needs Shift on some keyboards is the sign, however it is typed.
  if (key.length === 1 && /[a-z]/i.test(key) && event.shiftKey !== wantsShift) return false;
  return event.key.toLowerCase() === (key === 'Space' ? ' ' : key.toLowerCase());
}

/** Whether a key press belongs to the field that has the focus. Undo is the document's where nothing is being typed. */
export function isTyping({ target, key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  const undoes = (ctrlKey || metaKey) && key.toLowerCase() === 'z';
  return (
    target instanceof HTMLElement &&
    !(undoes && target.dataset['atRest']) &&
    (target.isContentEditable || /^(input|textarea|select)$/i.test(target.tagName)) &&
    !/^(checkbox|radio|button)$/.test((target as HTMLInputElement).type ?? '')
  );
}
