import { join } from 'node:path';
import { bookAdvertisement, placeAdvertisement } from '@/core/actions/advertisements';
import { Edit } from '@/core/actions/edit';
import { putRecurring } from '@/core/actions/pages';
import { fillFrame, placePicture } from '@/core/actions/pictures';
import { fillSlots } from '@/core/actions/slots';
import { placeStory, planStory, putStory } from '@/core/actions/stories';
import type { Typesetter } from '@/core/actions/typesetter';
import { pageGrid, stretchBox } from '@/core/page/grid';
import { formatOf, placedPages } from '@/core/page/pages';
import { slotsOn } from '@/core/page/slots';
import { startIssue } from '@/core/plan/startIssue';
import { startingHouse } from '@/core/plan/startingHouse';
import { documentOf, framesOn, get, type Document } from '@/core/records/document';
import type { DocumentRecord, PictureRecord } from '@/core/records/index';
import { said } from '@/core/records/said';
import { readStory } from '../stories';

/** The Bridle Line: the monthly newsletter of the Kitemakers' Circle, A4 on three columns, and its No. 87. */

const FOLDER = join(process.cwd(), 'demo', 'bridleLine', 'stories');

export const BRIDLE_HOUSE: readonly DocumentRecord[] = startingHouse('newsletter', 'en-GB').map((record) =>
  record.kind === 'details'
    ? {
        ...record,
        strapline: 'Newsletter of the Kitemakers’ Circle',
        publisher: 'The Kitemakers’ Circle of Ternhaven',
        address: 'The Sail Loft, Ropewalk, Ternhaven',
        contact: 'Second Thursday of the month, seven o’clock',
        price: 'Free to members',
        staff: 'Edited by Piers Holt and Bryony Cole',
      }
    : record,
);

/** No. 87, finished but for the dates on the back. */
export async function issue87(
  pictures: ReadonlyMap<string, Omit<PictureRecord, 'kind' | 'id' | 'order'>>,
  typesetter: Typesetter,
): Promise<Document> {
  const house = documentOf(BRIDLE_HOUSE);
  const started = documentOf(
    startIssue(BRIDLE_HOUSE, {
      publication: 'The Bridle Line',
      number: '87',
      season: 'December 2026',
      date: '2026-12-10',
      language: 'en-GB',
      pages: 7,
      houseSeq: 0,
    }),
  );
  const edit = new Edit(started);
  edit.take(putRecurring(edit.document, house, 'letters', placedPages(edit.document)[4]!.page.id));
  const story = async (id: string, file: string, section: string, state: 'edited' | 'passed', due: string) => {
    const own = putStory(edit, await readStory(join(FOLDER, `${file}.md`), section), id);
    edit.put(said({ ...own, state, due }));
  };
  await story('loft', 'the-circle-meets-in-the-sail-loft', 'The Circle', 'passed', '2026-11-28');
  await story('knots', 'three-knots-worth-the-time', 'The bench', 'passed', '2026-11-30');
  await story('paper', 'a-paper-kite-for-small-hands', 'Young hands', 'edited', '2026-12-01');
  await story('chair', 'from-the-chair', 'The Circle', 'edited', '2026-12-02');
  edit.take(
    planStory(edit.document, {
      name: 'Dates for the new year',
      section: 'Dates',
      state: 'commissioned',
      due: '2026-12-04',
      target: 180,
    }),
  );

  const page = (number: number) => placedPages(edit.document)[number - 1]!;
  const front = page(1);
  const lead = slotsOn(edit.document, front).find(({ content }) => content.takes === 'body')!;
  edit.take(fillSlots(edit.document, { story: 'loft', page: front.page.id, set: lead.content.set }, typesetter));
  const picture = (file: string) => {
    const read = pictures.get(file);
    if (!read) throw new Error(`The demo has no picture “${file}”.`);
    const id = file.replace(/\W/g, '-');
    edit.put<PictureRecord>({ ...read, id, kind: 'picture', order: `a${id}` });
    return id;
  };
  const waiting = framesOn(edit.document, front.page.id).find(({ content }) => content.type === 'picture')!;
  const bench = picture('fenn-bench.webp');
  edit.take(fillFrame(edit.document, waiting.id, bench));
  // The story goes on on page 2, beside the knots.
  const put = (id: string, number: number, columns: readonly [number, number], lines: readonly [number, number]) => {
    const at = page(number);
    const box = stretchBox(pageGrid(formatOf(edit.document), at.master, at.side), { columns, lines });
    edit.take(placeStory(edit.document, { story: id, page: at.page.id, box, allPages: false }, typesetter));
  };
  put('knots', 2, [1, 3], [1, 26]);
  put('paper', 3, [1, 2], [1, 44]);
  put('chair', 4, [1, 2], [1, 26]);
  const at = page(3);
  const box = stretchBox(pageGrid(formatOf(edit.document), at.master, at.side), { columns: [3, 3], lines: [1, 16] });
  const kite = picture('fenn-kite-cutout.png');
  edit.take(placePicture(edit.document, { picture: kite, page: at.page.id, box }));
  for (const [name, size, on] of [
    ['Marram & Sons, sailcloth', 'halfFlat', 2],
    ['Harbour Bakery', 'quarter', 4],
  ] as const) {
    edit.take(bookAdvertisement(edit.document, { name, size }));
    const booked = [...edit.document.records.values()].find((record) => record.kind === 'advertisement' && record.name === name)!;
    edit.take(
      placeAdvertisement(edit.document, {
        advertisement: get(edit.document, 'advertisement', booked.id).id,
        page: page(on).page.id,
      }),
    );
  }
  return edit.document;
}
