import { DUMMY_TEXT } from '../page/dummyText';
import type { Composed } from '../compose/composer';
import { paragraphsOf, plainBody, plainText } from '../records/body';
import { all, type Document, documentOf, find, framesOn } from '../records/document';
import { type SlotTakes, textContent } from '../records/frame';
import { NO_WRAP } from '../actions/frames';
import type { DocumentRecord, FrameRecord } from '../records/index';

const HEADLINES = [
  'Wind over the harbour',
  'A roof is a conversation',
  'The table and the ferry',
  'Bread, and opinions',
] as const;
const STANDFIRST =
  'What the pen on the second floor of the observatory has drawn this winter, and what nobody on the bar is astonished at.';

/** Names of the sample stories that a contents list shows. */
const SAMPLES = 4;

/**
 * A house's recurring pages filled with sample copy, as a first issue would have them: what a design looks like before
 * there is anything to put into it. Pictures and advertisements are areas in the design's colours.
 */
export function designSpecimen(house: Document, publication: string): Document {
  const records = new Map<string, DocumentRecord>(house.records);
  const put = (record: DocumentRecord) => void records.set(record.id, record);
  put({
    id: 'issue',
    kind: 'issue',
    publication,
    number: '1',
    season: 'Spring',
    date: '2000-03-01',
    language: find(house, 'details', 'details')?.language ?? 'en-GB',
  });
  const named = new Map<string, number>();
  const order = (set: string) => {
    if (!named.has(set)) named.set(set, named.size);
    return named.get(set)!;
  };
  for (const page of all(house, 'page')) {
    for (const frame of framesOn(house, page.id)) {
      const { content } = frame;
      if (content.type === 'slot') {
        const n = order(content.set);
        const text = `${content.set}-${content.takes}`;
        put({ ...frame, content: { ...content.layout, type: 'text', text, order: content.order } });
        put({
          id: text,
          kind: 'text',
          role: content.takes === 'flow' ? 'body' : content.takes,
          body: sample(content.takes, n, frame),
        });
      } else if (content.type === 'picture' && content.picture === undefined) put(area(frame, 'accent2', 0.55));
      else if (content.type === 'advertisement') put(area(frame, 'accent1', 0.85));
    }
  }
  // Stories for the contents list; their frames lie off the pages.
  const first = all(house, 'page')[0];
  for (let i = 0; first && i < SAMPLES; i++) {
    const id = `sample-${i}`;
    put({
      id,
      kind: 'story',
      name: HEADLINES[i % HEADLINES.length]!,
      section: 'Feature',
      order: `a${i}`,
      tint: i,
      parts: { headline: `${id}-h`, body: `${id}-b` },
    });
    put({ id: `${id}-page`, kind: 'page', order: `b${i}`, master: first.master });
    put({ id: `${id}-b`, kind: 'text', role: 'body', story: id, body: plainBody('body', DUMMY_TEXT.body[0]!) });
    put({
      id: `${id}-h`,
      kind: 'text',
      role: 'headline',
      story: id,
      body: plainBody('headline', HEADLINES[i % HEADLINES.length]!),
    });
    put({
      id: `${id}-f`,
      kind: 'frame',
      on: `${id}-page`,
      side: 'both',
      box: { x: 40, y: 40, w: 200, h: 200 },
      order: 'a0',
      content: textContent(`${id}-b`),
      wrap: NO_WRAP,
    });
  }
  return documentOf(records.values());
}

/** The same with no more copy than its frames show: what is over is cut, at the end of a sentence where one is near. */
export function fittedSpecimen(specimen: Document, fits: Composed['fits']): Document {
  const records = new Map<string, DocumentRecord>(specimen.records);
  for (const [id, { oversetFrom }] of fits) {
    const text = find(specimen, 'text', id);
    if (!text || !oversetFrom || text.role !== 'body') continue;
    const { paragraph, offset } = oversetFrom;
    const words = paragraphsOf(text.body)
      .slice(0, paragraph + 1)
      .map((node) => plainText(node));
    const last = words.at(-1)!.slice(0, offset);
    const whole = last.slice(0, last.lastIndexOf('.') + 1);
    records.set(id, { ...text, body: plainBody('body', ...[...words.slice(0, -1), whole].filter((each) => each !== '')) });
  }
  return documentOf(records.values());
}

const area = (frame: FrameRecord, swatch: string, tint: number): FrameRecord => ({
  ...frame,
  content: { type: 'panel' },
  fill: { swatch, tint },
});

/** Enough sample copy to fill any frame of a page. */
function sample(takes: SlotTakes, n: number, { box, content }: FrameRecord) {
  switch (takes) {
    case 'headline':
      return plainBody('headline', HEADLINES[n % HEADLINES.length]!);
    case 'standfirst':
      return plainBody('standfirst', STANDFIRST);
    case 'byline':
      return plainBody('byline', 'Maud Tarrant');
    default: {
      const columns = content.type === 'slot' ? content.layout.columns : 1;
      const paragraphs = Math.max(3, Math.round((box.w * box.h) / 9000) + columns);
      return plainBody(
        'body',
        ...Array.from({ length: paragraphs }, (_, i) => DUMMY_TEXT.body[(i + n) % DUMMY_TEXT.body.length]!),
      );
    }
  }
}
