import { escaped } from '../markup';
import type { CopyPicture } from './blocks';
import type { Beside } from './html';

/** What a stretch of letters asks for, by the tags that `readHtml` knows. */
export interface Letters {
  readonly strong?: boolean;
  readonly emphasis?: boolean;
  readonly underline?: boolean;
  readonly strike?: boolean;
  readonly smallCapitals?: boolean;
  readonly position?: 'superscript' | 'subscript' | undefined;
  readonly link?: string | undefined;
  /** The source's own name for the look. */
  readonly named?: string | undefined;
}

/** Copy being written as the HTML that `readHtml` reads: what the readers of word processors' formats have in common. */
export class Written {
  readonly #html: string[] = [];
  readonly #notes: string[] = [];
  readonly #paragraphs: string[] = [];
  readonly #letters: string[] = [];
  readonly pictures: CopyPicture[] = [];
  readonly dropped: string[] = [];

  tag(html: string): void {
    this.#html.push(html);
  }

  /** Letters, escaped. */
  words(words: string, letters: Letters = {}): void {
    if (words !== '') this.#html.push(lettered(escaped(words), letters, letters.named && this.#named(letters.named)));
  }

  /** How a paragraph's tag names its style. */
  style(name: string | undefined): string {
    if (name === undefined) return '';
    let index = this.#paragraphs.indexOf(name);
    if (index < 0) index = this.#paragraphs.push(name) - 1;
    return ` class="s${index}"`;
  }

  #named(name: string): string {
    let index = this.#letters.indexOf(name);
    if (index < 0) index = this.#letters.push(name) - 1;
    return `c${index}`;
  }

  picture(bytes: Uint8Array, says: string): void {
    const index = this.pictures.push({ name: `picture ${this.pictures.length + 1}`, says, bytes }) - 1;
    this.#html.push(`<img src="picture:${index}" alt="${escaped(says)}">`);
  }

  /** What is written until it ends is a note, which stands at the end; its number stands here. Gives how to end it. */
  note(): () => void {
    const number = this.#notes.push('');
    this.#html.push(`<sup><a href="#note-${number}">[${number}]</a></sup>`);
    const from = this.mark();
    return () => {
      // Between a note's number and its words there is room of the list's own.
      this.#notes[number - 1] = this.cut(from).replace(/^((?:<[^>]*>)*)[\s\u00a0]+/, '$1');
    };
  }

  /** Where what is written next begins, for `cut`. */
  mark(): number {
    return this.#html.length;
  }

  /** Takes away what was written since a mark, and gives it. */
  cut(mark: number): string {
    return this.#html.splice(mark).join('');
  }

  html(): string {
    const notes = this.#notes.map((note) => `<li>${note}</li>`).join('');
    return this.#html.join('') + (notes === '' ? '' : `<ol>${notes}</ol>`);
  }

  beside(): Beside {
    return { paragraphs: this.#paragraphs, letters: this.#letters, pictures: this.pictures, dropped: this.dropped };
  }
}

function lettered(html: string, letters: Letters, named: string | undefined): string {
  let out = html;
  if (letters.strong) out = `<strong>${out}</strong>`;
  if (letters.emphasis) out = `<em>${out}</em>`;
  if (letters.position) out = letters.position === 'superscript' ? `<sup>${out}</sup>` : `<sub>${out}</sub>`;
  if (letters.link !== undefined) out = `<a href="${escaped(letters.link)}">${out}</a>`;
  if (named !== undefined) return `<span class="${named}">${out}</span>`;
  if (letters.smallCapitals) return `<span class="small-caps">${out}</span>`;
  if (letters.strike) return `<s>${out}</s>`;
  return letters.underline && letters.link === undefined ? `<u>${out}</u>` : out;
}
