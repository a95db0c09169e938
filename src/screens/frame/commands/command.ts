/** Something that can be done, by its name, with the key that does it. */
export interface Command {
  readonly id: string;
  readonly name: string;
  /** As shown, `Ctrl+Z`; compared with what is pressed by `matches`. */
  readonly keys?: string | undefined;
  /** The browser tells of it by an event of its own (copying, pasting): its key is shown, and not taken. */
  readonly native?: true;
  /** Why it cannot be done now, in a word or two; undefined where it can. */
  readonly not?: string | undefined;
  readonly run: () => void;
}

/** A command in one line. */
export const command = (
  id: string,
  name: string,
  keys: string | undefined,
  not: string | false | undefined,
  run: () => void,
): Command => ({ id, name, keys, not: not || undefined, run });

/**
 * How well what was typed means a command of a name, 0 to 1: its beginning best, then beginnings of its words in any order, then
 * letters within them. Letters that are merely scattered over a name mean nothing.
 */
export function meantBy(name: string, typed: string): number {
  const own = name.toLowerCase();
  const asked = typed.toLowerCase().trim();
  if (own.startsWith(asked)) return 1;
  const words = own.split(/[\s(]+/);
  const parts = asked.split(/\s+/);
  if (parts.every((part) => words.some((word) => word.startsWith(part)))) return 0.7;
  return parts.every((part) => own.includes(part)) ? 0.3 : 0;
}

/** The key of a command, to be said behind its name. */
export const keysIn = ({ keys }: Command): string => (keys ? ` (${keys})` : '');

type Press = Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'> & { readonly code?: string };

/** Whether a key press is a command's shortcut. */
export function matches(keys: string | undefined, event: Press): boolean {
  if (!keys) return false;
  const parts = keys.split('+').map((part) => (part === '' ? '+' : part));
  const key = parts.at(-1)!;
  const wantsCtrl = parts.includes('Ctrl');
  const wantsShift = parts.includes('Shift');
  const held = event.ctrlKey || event.metaKey;
  if (held !== wantsCtrl || event.altKey !== parts.includes('Alt')) return false;
  // A sign that needs Shift on some keyboards is the sign, however it is typed.
  if (key.length === 1 && /[a-z]/i.test(key) && event.shiftKey !== wantsShift) return false;
  // With Alt some keyboards type another letter: the key itself is meant.
  if (event.altKey && /^[a-z]$/i.test(key)) return event.code === `Key${key.toUpperCase()}`;
  return event.key.toLowerCase() === (key === 'Space' ? ' ' : key.toLowerCase());
}

/** Whether a shortcut is a letter or sign alone, which speech input and unsteady hands press unmeant (WCAG 2.1.4). */
export const isSingle = (keys: string | undefined): boolean => keys !== undefined && /^(Shift\+)?\S$/.test(keys);

/** Enter and Space press what has the focus. */
export const isPressing = ({ key }: Press): boolean => key === 'Enter' || key === ' ';

/** Whether something that is pressed by keys has the focus; frames on the desk are not, they are chosen by it. */
export const onControl = ({ target }: Event): boolean =>
  target instanceof HTMLElement && target.closest('button, a[href], input, select, [role=tab]') !== null;

/**
 * Whether a key press belongs to the field that has the focus. Undo is the document's where nothing is being typed, and
 * the command bar and finding open from anywhere.
 */
export function isTyping({ target, key, ctrlKey, metaKey }: KeyboardEvent): boolean {
  if (!(target instanceof HTMLElement)) return false;
  // A sheet or menu over the work has the keys to itself.
  if (target.closest('[role=dialog], [role=menu]')) return true;
  const isField = /^(input|textarea|select)$/i.test(target.tagName) || target.isContentEditable;
  if (!isField || /^(checkbox|radio|button)$/.test((target as HTMLInputElement).type ?? '')) return false;
  if (!ctrlKey && !metaKey) return true;
  const letter = key.toLowerCase();
  if (letter === 'z') return !(target.dataset['atRest'] || target.tagName === 'SELECT');
  return letter !== 'k' && letter !== 'f';
}
