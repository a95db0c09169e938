import { bookAdvertisement } from '@/core/actions/advertisements';
import { Edit } from '@/core/actions/edit';
import { putCaptions } from '@/core/actions/captions';
import { placeFrames, putFrame } from '@/core/actions/frames';
import { fillFrame, usualWrap } from '@/core/actions/pictures';
import { makeQuote } from '@/core/actions/quotes';
import { fillSlots } from '@/core/actions/slots';
import { placeStory, putStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import type { Box } from '@/core/geometry/box';
import { mm } from '@/core/length/length';
import { pageGrid, stretchBox } from '@/core/page/grid';
import { formatOf, placedPages, type PlacedPage } from '@/core/page/pages';
import { slotsOn } from '@/core/page/slots';
import { docOf, paragraphsOf, plainParagraphs, plainText } from '@/core/records/body';
import { framesOn, get, threadOf, type Document } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { said } from '@/core/records/said';
import type { StoryState } from '@/core/records/story';
import { readStory } from './stories';

export type ReadPictures = ReadonlyMap<string, Omit<PictureRecord, 'kind' | 'id' | 'order'>>;

/** Columns and lines from and to, both counted from 1. */
type Stretch = readonly [from: number, to: number];

/** An issue of the demo being laid out, page by page, in grid terms. */
export class Pages {
  readonly edit: Edit;
  readonly #typesetter: Typesetter;
  readonly #pictures: ReadPictures;
  readonly #folder: string;

  constructor(issue: Document, typesetter: Typesetter, pictures: ReadPictures, folder: string) {
    this.edit = new Edit(issue);
    this.#typesetter = typesetter;
    this.#pictures = pictures;
    this.#folder = folder;
  }

  page(number: number): PlacedPage {
    return placedPages(this.edit.document)[number - 1]!;
  }

  box(number: number, columns: Stretch, lines: Stretch): Box {
    const at = this.page(number);
    return stretchBox(pageGrid(formatOf(this.edit.document), at.master, at.side), { columns, lines });
  }

  /** Brings a story in, with where it stands. */
  async story(id: string, file: string, section: string, state: StoryState, due: string): Promise<void> {
    const own = putStory(this.edit, await readStory(`${this.#folder}/${file}.md`, section), id);
    const words = paragraphsOf(get(this.edit.document, 'text', own.parts.body).body)
      .map((each) => plainText(each).split(/\s+/).length)
      .reduce((sum, each) => sum + each, 0);
    this.edit.put(said({ ...own, state, due, target: Math.round(words / 50) * 50 }));
  }

  place(id: string, number: number, columns: Stretch, lines: Stretch, balanced = false): void {
    const page = this.page(number).page.id;
    const box = this.box(number, columns, lines);
    this.edit.take(placeStory(this.edit.document, { story: id, page, box, allPages: false }, this.#typesetter));
    if (balanced) this.balance(id);
  }

  /** Ends the columns of a story's last frame at one height. */
  balance(id: string): void {
    const frame = threadOf(this.edit.document, get(this.edit.document, 'story', id).parts.body).at(-1)!;
    if (frame.content.type === 'text') this.edit.put({ ...frame, content: { ...frame.content, balanced: true } });
  }

  fill(id: string, number: number, slots: string): void {
    const page = this.page(number);
    const slot = slotsOn(this.edit.document, page).find(({ content }) => content.name === slots)!;
    this.edit.take(fillSlots(this.edit.document, { story: id, page: page.page.id, set: slot.content.set }, this.#typesetter));
  }

  /** The picture of a file, brought in when it is first asked for. */
  picture(file: string): string {
    const id = file.replace(/\W/g, '-');
    if (this.edit.has(id)) return id;
    const read = this.#pictures.get(file);
    if (!read) throw new Error(`The demo has no picture “${file}”.`);
    this.edit.put<PictureRecord>({ ...read, id, kind: 'picture', order: `a${id}` });
    return id;
  }

  /** Puts a picture on a page, with its caption beneath. */
  show(file: string, number: number, columns: Stretch, lines: Stretch): void {
    const id = this.picture(file);
    const picture = get(this.edit.document, 'picture', id);
    const box = this.box(number, columns, lines);
    const wrap = { ...usualWrap(picture), standOff: { top: mm(3), right: mm(4), bottom: mm(1), left: mm(4) } };
    const fit = picture.outlines.alpha ? 'fit' : 'fill';
    const frame = putFrame(
      this.edit,
      this.page(number).page.id,
      box,
      { type: 'picture', picture: picture.id, fit },
      picture.outlines.alpha ? usualWrap(picture) : wrap,
    );
    if (fit === 'fill') putCaptions(this.edit, frame.id);
  }

  /** Fills the picture frame that waits on a page. */
  fillPicture(file: string, number: number): void {
    const waiting = framesOn(this.edit.document, this.page(number).page.id).find(
      ({ content }) => content.type === 'picture' && content.picture === undefined,
    )!;
    const picture = this.picture(file);
    this.edit.take(fillFrame(this.edit.document, { frame: waiting.id, picture }, this.#typesetter));
  }

  /** Books an advertisement with its artwork and gives it a place: a stretch, or the one that waits on the page. */
  advertise(name: string, artwork: string, number: number, at?: readonly [Stretch, Stretch]): void {
    const picture = this.picture(artwork);
    const before = new Set(this.edit.document.records.keys());
    this.edit.take(bookAdvertisement(this.edit.document, { name, size: at ? 'halfFlat' : 'quarter', picture }));
    const booked = [...this.edit.document.records.keys()].find((id) => !before.has(id))!;
    const page = this.page(number).page.id;
    if (at) {
      putFrame(
        this.edit,
        page,
        this.box(number, ...at),
        { type: 'advertisement', advertisement: booked },
        {
          mode: 'frame',
          standOff: mm(4),
          outline: 'shape',
        },
      );
      return;
    }
    const waiting = framesOn(this.edit.document, page).find(
      ({ content }) => content.type === 'advertisement' && content.advertisement === undefined,
    )!;
    this.edit.put({ ...waiting, content: { type: 'advertisement', advertisement: booked } });
  }

  /** Gives the body of a story in slots, and the picture over or under it, other lines. */
  moveParts(id: string, file: string, number: number, columns: Stretch, lines: { body: Stretch; picture: Stretch }): void {
    const { parts } = get(this.edit.document, 'story', id);
    const body = threadOf(this.edit.document, parts.body)[0]!;
    const picture = file.replace(/\W/g, '-');
    const frame = framesOn(this.edit.document, this.page(number).page.id).find(
      ({ content }) => content.type === 'picture' && content.picture === picture,
    )!;
    this.edit.put({ ...body, box: this.box(number, columns, lines.body) });
    const box = this.box(number, columns, lines.picture);
    // Its caption goes with it.
    this.edit.take(placeFrames(this.edit.document, new Map([[frame.id, { on: frame.on, box }]])));
  }

  /** Puts paragraphs behind the standing text of a page that holds some of a style. */
  tell(number: number, style: string, paragraphs: readonly (readonly [style: string, words: string])[]): void {
    for (const { content } of framesOn(this.edit.document, this.page(number).page.id)) {
      const text = content.type === 'text' ? get(this.edit.document, 'text', content.text) : undefined;
      if (!text || !paragraphsOf(text.body).some(({ attrs }) => attrs.style === style)) continue;
      const more = paragraphs.flatMap(([own, words]) => plainParagraphs(own, words));
      this.edit.put({ ...text, body: docOf([...text.body.content.content, ...more]) });
    }
  }

  /** A panel under what is laid on it. */
  panel(number: number, columns: Stretch, lines: Stretch): void {
    const box = this.box(number, columns, lines);
    putFrame(
      this.edit,
      this.page(number).page.id,
      { ...box, x: box.x - 0, w: box.w },
      { type: 'panel' },
      {
        mode: 'frame',
        standOff: mm(3),
        outline: 'shape',
      },
      { fill: { swatch: 'tint', tint: 1 } },
    );
  }

  /** Pulls a sentence out of a story, by how it begins. */
  quote(id: string, begins: string): void {
    const { parts } = get(this.edit.document, 'story', id);
    const list = paragraphsOf(get(this.edit.document, 'text', parts.body).body);
    list.forEach((each, paragraph) => {
      const text = plainText(each);
      const from = text.indexOf(begins);
      if (from < 0) return;
      const end = /[.!?][’”]?(?=\s|$)/.exec(text.slice(from));
      const to = end ? from + end.index + end[0].length : text.length;
      this.edit.take(makeQuote(this.edit.document, { text: parts.body, paragraph, from, to }, this.#typesetter));
    });
  }
}
