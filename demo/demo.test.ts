import { createHash } from 'node:crypto';
import { beforeAll, describe, expect, it } from 'vitest';
import { Checker } from '@/core/checks/checker';
import type { Finding } from '@/core/checks/finding';
import type { Composed } from '@/core/compose/composer';
import { placedPages } from '@/core/page/pages';
import { ALL_THERE } from '@/core/pictures/states';
import { bodyText, countWords } from '@/core/records/body';
import { all, type Document, documentOf, get } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { flawOf } from '../tests/support/documents';
import { ARTWORK, artworkFile } from './advertisements';
import { BRIDLE_HOUSE } from './bridleLine/house';
import { issue86 } from './bridleLine/no86';
import { issue87 } from './bridleLine/no87';
import { LONGSPAR_HOUSE } from './longspar/house';
import { issue13 } from './longspar/no13/issue';
import { issue14 } from './longspar/no14/issue';
import type { ReadPictures } from './pages';
import { ALTERNATIVES } from './pictures/alternatives';
import { DEMO_PICTURES } from './pictures/index';
import { drawn, type DemoPicture } from './pictures/picture';
import { issue1206 } from './ternhavenPacket/issue1206';
import { PACKET_HOUSE } from './ternhavenPacket/house';

type Facts = ReturnType<ReadPictures['get']> & object;

/** What a picture's file says of it; only those on nothing are drawn, since their outlines are what text runs around. */
async function factsOf(picture: DemoPicture): Promise<Facts> {
  const { file, caption, credit, scale = 1 } = picture;
  if (/\.(png|svg)$/.test(file) || file === 'lantern.jpg')
    return { ...(await readPicture(file, await drawn(picture))).facts, caption, credit, blob: blobOf(file) };
  const [, width, height] = /width="(\d+)" height="(\d+)"/.exec(await picture.draw())!.map(Number);
  return {
    name: file.replace(/\.[^.]+$/, ''),
    media: 'image/jpeg',
    width: Math.round(width! * scale),
    height: Math.round(height! * scale),
    colour: 'rgb',
    transparent: false,
    outlines: {},
    caption,
    credit,
    blob: blobOf(file),
  };
}

const blobOf = (file: string): string => createHash('sha256').update(file).digest('hex');

let pictures: ReadPictures;

beforeAll(async () => {
  const facts = new Map<string, Facts>();
  for (const picture of DEMO_PICTURES) facts.set(picture.file, await factsOf(picture));
  for (const artwork of ARTWORK)
    facts.set(artwork.file, {
      ...(await readPicture(artwork.file, await artworkFile(artwork))).facts,
      blob: blobOf(artwork.file),
    });
  pictures = facts;
});

describe('what the demo is made of', () => {
  it('says of every picture what it shows, in other words than its caption', () => {
    expect(Object.keys(ALTERNATIVES).sort()).toEqual(DEMO_PICTURES.map(({ file }) => file).sort());
    for (const { file, caption } of DEMO_PICTURES) {
      expect(ALTERNATIVES[file], file).toMatch(/^[A-Z].*\.$/);
      expect(ALTERNATIVES[file]!.length, file).toBeLessThan(125);
      expect(ALTERNATIVES[file], file).not.toBe(caption);
    }
  });

  it('is at least sixty pictures of many kinds, each with caption and credit, and fifteen advertisements, two of them PDFs', () => {
    expect(DEMO_PICTURES.length).toBeGreaterThanOrEqual(60);
    expect(new Set(DEMO_PICTURES.map(({ file }) => file)).size).toBe(DEMO_PICTURES.length);
    for (const { file, caption, credit } of DEMO_PICTURES) {
      expect(caption, file).not.toBe('');
      expect(credit, file).not.toBe('');
    }
    expect(new Set(DEMO_PICTURES.map(({ file }) => file.split('.').at(-1)))).toEqual(new Set(['jpg', 'png', 'webp', 'svg']));
    expect(ARTWORK.length).toBeGreaterThanOrEqual(15);
    expect(ARTWORK.filter(({ file }) => file.endsWith('.pdf'))).toHaveLength(2);
  });
});

interface Issue {
  readonly name: string;
  readonly house: readonly DocumentRecord[];
  readonly lay: typeof issue14;
  readonly pages: number;
  /** What is wrong on purpose, in words of what is found; all else that is found is a fault of the demo. */
  readonly meant: readonly RegExp[];
}

const ISSUES: readonly Issue[] = [
  {
    name: 'Longspar No. 14',
    house: LONGSPAR_HOUSE,
    lay: issue14,
    pages: 36,
    meant: [/^“From the bench” is on no page/, /line over in “Dates for a cold quarter”/, /^“orrin-profile” has \d+ ppi/],
  },
  { name: 'Longspar No. 13', house: LONGSPAR_HOUSE, lay: issue13, pages: 12, meant: [] },
  { name: 'The Bridle Line No. 87', house: BRIDLE_HOUSE, lay: issue87, pages: 8, meant: [] },
  { name: 'The Bridle Line No. 86', house: BRIDLE_HOUSE, lay: issue86, pages: 4, meant: [] },
  {
    name: 'The Ternhaven Packet No. 1206',
    house: PACKET_HOUSE,
    lay: issue1206,
    pages: 16,
    // Half of it waits to be laid out.
    meant: [/is on no page/, /An empty place/, /has nothing on it/],
  },
];

describe.each(ISSUES)('$name', ({ house, lay, pages, meant }) => {
  let issue: Document;
  let composed: Composed;
  let findings: readonly Finding[];

  beforeAll(async () => {
    const { composer, shaper } = await composerFor(documentOf(house));
    issue = await lay(pictures, composer);
    composed = composer.compose(issue);
    findings = new Checker().check(issue, composed, {
      face: (id) => shaper.face(id),
      files: ALL_THERE,
      measured: () => undefined,
    });
  });

  it('has its pages, and records that can be stored', () => {
    expect(placedPages(issue)).toHaveLength(pages);
    for (const record of issue.records.values()) expect(flawOf(record), record.id).toBeUndefined();
    for (const id of issue.records.keys()) expect(id.length, id).toBeLessThanOrEqual(40);
  });

  it('has stories with a state, a day and somebody who writes them', () => {
    for (const story of all(issue, 'story')) {
      expect(story.state, story.name).toBeDefined();
      expect(story.due, story.name).toBeDefined();
      expect(story.target, story.name).toBeGreaterThan(0);
    }
  });

  it('says what it is meant to say in Checks, and nothing grave or amiss beside it', () => {
    const told = findings.filter(({ grave, rule }) => grave !== 'detail' && rule !== 'spacing').map(({ words }) => words);
    expect(told.filter((words) => !meant.some((each) => each.test(words)))).toEqual([]);
    for (const each of meant)
      expect(
        told.some((words) => each.test(words)),
        String(each),
      ).toBe(true);
  });

  it('has copy of a length that is worth reading', () => {
    const words = all(issue, 'story').map((story) => countWords(bodyText(get(issue, 'text', story.parts.body).body)));
    expect(Math.max(...words)).toBeGreaterThan(150);
  });
});
