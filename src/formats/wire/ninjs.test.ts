import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { RefusedFileError } from '../refused';
import { storyOf } from '../copy/story';
import { copyOfNews, readFeed, type WireItem } from './ninjs';

const read = (json: unknown) => readFeed('Wire', new TextEncoder().encode(JSON.stringify(json)));

/** One piece of news in the shape of version 1, and the same in that of versions 2 and 3. */
const FIRST = {
  uri: 'urn:wire:1',
  type: 'text',
  version: '3',
  versioncreated: '2026-11-27T08:00:00+01:00',
  pubstatus: 'usable',
  urgency: 2,
  headline: 'Gale on Thursday',
  slugline: 'gale',
  description_text: 'Force nine.',
  byline: 'By Sefa Brill',
  subject: [{ name: 'Weather' }],
  body_html: '<h1>Gale on Thursday</h1><p>It will <b>blow</b>.</p><ul><li>Moor twice</li></ul>',
  associations: {
    main: {
      uri: 'urn:wire:p',
      type: 'picture',
      headline: 'the light',
      description_text: 'The light in a gale.',
      byline: 'Ida Corrow',
      renditions: {
        small: { href: 'small.jpg', width: 100, height: 60 },
        original: { href: 'large.jpg', width: 2400, height: 1600 },
      },
    },
    sound: { uri: 'urn:wire:s', type: 'audio', renditions: { original: { href: 'gale.mp3' } } },
  },
};
const SECOND = {
  standard: { name: 'ninjs', version: '2.1' },
  uri: 'urn:wire:1',
  type: 'text',
  version: '3',
  versioncreated: '2026-11-27T08:00:00+01:00',
  pubstatus: 'usable',
  urgency: 2,
  headlines: [{ role: 'main', value: 'Gale on Thursday' }],
  slugline: 'gale',
  descriptions: [{ role: 'summary', value: 'Force nine.' }],
  byline: 'By Sefa Brill',
  subjects: [{ name: 'Weather' }],
  bodies: [
    { role: 'plain', contenttype: 'text/plain', value: 'It will blow.' },
    { role: 'main', contenttype: 'text/html', value: FIRST.body_html },
  ],
  associations: [
    {
      name: 'main',
      uri: 'urn:wire:p',
      type: 'picture',
      headlines: [{ value: 'the light' }],
      descriptions: [{ value: 'The light in a gale.' }],
      byline: 'Ida Corrow',
      renditions: [
        { name: 'small', href: 'small.jpg', width: 100, height: 60 },
        { name: 'original', href: 'large.jpg', width: 2400, height: 1600 },
      ],
    },
  ],
};

describe('news in ninjs', () => {
  it('is the same in the shape of version 1 and in that of 2 and 3, alone, in a list, or as a composite', () => {
    const [own] = read(FIRST);
    expect(own).toMatchObject({
      uri: 'urn:wire:1',
      version: '3',
      at: '2026-11-27T07:00:00.000Z',
      headline: 'Gale on Thursday',
      slug: 'gale',
      summary: 'Force nine.',
      subjects: ['Weather'],
      urgency: 2,
      status: 'usable',
      words: 8,
      pictures: [{ name: 'the light', href: 'large.jpg', caption: 'The light in a gale.', credit: 'Ida Corrow' }],
    });
    for (const other of [
      SECOND,
      [FIRST],
      { items: [SECOND] },
      { type: 'composite', uri: 'urn:feed', associations: { a: FIRST } },
    ])
      expect(read(other)).toEqual([own]);
  });

  it('becomes a story with its parts, its words as they are marked, and its pictures with caption and credit', () => {
    const story = storyOf(copyOfNews(read(FIRST)[0]!));
    expect(story).toMatchObject({
      headline: 'Gale on Thursday',
      standfirst: 'Force nine.',
      byline: 'By Sefa Brill',
      words: 5,
      pictures: [{ index: 0, caption: 'The light in a gale.', credit: 'Ida Corrow' }],
      dropped: [],
    });
    expect(JSON.stringify(story.body)).toContain('"strong"');
    expect(JSON.stringify(story.body)).toContain('"bullet"');
  });

  it('keeps what the wire says to the desk, and whether it may be printed', () => {
    const [own] = read({
      ...FIRST,
      pubstatus: 'canceled',
      embargoed: '2026-11-28T06:00:00Z',
      ednote: 'Corrects the tide.',
      usageterms: 'Not online.',
    });
    expect(own).toMatchObject({
      status: 'canceled',
      embargoed: '2026-11-28T06:00:00.000Z',
      note: 'Corrects the tide.\nNot online.',
    });
    expect(copyOfNews(own!).notes).toBe('Corrects the tide.\nNot online.');
  });

  it('takes an empty feed as one without news, and refuses what is none', () => {
    expect(read({ uri: 'urn:feed', type: 'composite' })).toEqual([]);
    expect(read([])).toEqual([]);
    for (const other of [{}, { hello: 'world' }, 'text', 7, null]) expect(() => read(other)).toThrow(/not in the form of ninjs/);
    expect(() => readFeed('Wire', new TextEncoder().encode('<rss>'))).toThrow(/is not JSON/);
    expect(() => readFeed('Wire', new Uint8Array([0xff, 0xfe, 0x00]))).toThrow(RefusedFileError);
  });

  it('holds to its limits in linear time: a body of open brackets, and more items than are kept', () => {
    const open = { uri: 'urn:x', headline: 'h', body_html: '<'.repeat(2_000_000) };
    expect(read(open)).toHaveLength(1);
    expect(read(Array.from({ length: 2_000 }, (_, i) => ({ uri: `urn:${i}`, headline: 'h' })))).toHaveLength(500);
  });

  it('reads anything that JSON can say without failing, as text that can be stored', () => {
    const shaken = fc.dictionary(fc.constantFrom(...Object.keys(FIRST), ...Object.keys(SECOND), 'items'), fc.jsonValue());
    fc.assert(
      fc.property(shaken, (json) => {
        let items: WireItem[] = [];
        try {
          items = read({ ...FIRST, ...json });
        } catch (error) {
          expect(error).toBeInstanceOf(RefusedFileError);
        }
        for (const item of items) {
          expect(typeof item.headline).toBe('string');
          expect(() => storyOf(copyOfNews(item))).not.toThrow();
        }
      }),
      { numRuns: 500 },
    );
  });
});
