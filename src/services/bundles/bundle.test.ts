import { createHash } from 'node:crypto';
import Ajv from 'ajv/dist/2020';
import JSZip from 'jszip';
import { beforeAll, describe, expect, it } from 'vitest';
import { baseRecords, pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../../../tests/support/documents';
import { ran, filed } from '../../../tests/support/programs';
import { plainBody } from '@/core/records/body';
import type { DocumentRecord } from '@/core/records/index';
import { recordsSchema } from '@/core/records/schemas/jsonSchema';
import { startingHouse } from '@/core/plan/startingHouse';
import { stored, type StoredRecord } from '@/core/records/stored';
import sharp from 'sharp';
import { readBundle } from './read';
import { BUNDLE_VERSION, type BundledDocument } from '@/formats/bundle/shape';
import { writeBundle } from '@/formats/bundle/write';

let photo: Uint8Array;
let sha256: string;
let bytes: Uint8Array;
let issue: BundledDocument;
let house: BundledDocument;

const records = (): DocumentRecord[] => [
  ...baseRecords(2),
  pictureRecord('pic', { blob: sha256, media: 'image/png', width: 4, height: 4 }),
  textRecord('text', plainBody('body', prose(80))),
  textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 300 }),
  pictureFrame('pf', 'pic', 'p2', { x: 50, y: 48, w: 300, h: 300 }),
];

beforeAll(async () => {
  photo = await sharp({ create: { width: 4, height: 4, channels: 3, background: '#456' } })
    .png()
    .toBuffer();
  sha256 = createHash('sha256').update(photo).digest('hex');
  issue = { name: 'No. 14', seq: 31, records: records().map(stored), versions: {} };
  house = { name: 'House', seq: 7, records: startingHouse('magazine', 'en-GB').map(stored), versions: { body: 7 } };
  bytes = await writeBundle(
    { made: '2026-03-01T10:00:00.000Z', publication: { name: 'Longspar', kind: 'magazine', frequency: 'quarterly' } },
    issue,
    house,
    [{ sha256, media: 'image/png', name: 'The quay.png', bytes: photo }],
    [{ id: 'Archivo-400', licence: 'OFL-1.1', bytes: new Uint8Array([0, 1, 0, 0]) }],
    recordsSchema(),
  );
});

/** A bundle with one of its entries changed, put in or taken out. */
async function changed(
  entry: string,
  change: (words: string) => string | Uint8Array | undefined,
  of: Uint8Array = bytes,
): Promise<Uint8Array> {
  const zip = await JSZip.loadAsync(of);
  const now = change((await zip.file(entry)?.async('string')) ?? '');
  if (now === undefined) zip.remove(entry);
  else zip.file(entry, now);
  return zip.generateAsync({ type: 'uint8array' });
}

// What is bent is JSON of any shape.
// eslint-disable-next-line @typescript-eslint/no-explicit-any
type Bent = any;

const inJson = (how: (value: Bent) => unknown) => (words: string) => {
  const value = JSON.parse(words);
  return JSON.stringify(how(value) ?? value);
};

describe('a bundle', () => {
  it('comes out as it went in: every record in its order, every file, every number', async () => {
    const read = await readBundle('a.zip', bytes);
    expect(read.issue).toEqual(JSON.parse(JSON.stringify(issue)));
    expect(read.house).toEqual(JSON.parse(JSON.stringify(house)));
    expect(Buffer.from(read.files.get(sha256)!).equals(Buffer.from(photo))).toBe(true);
    expect(read.manifest.publication).toEqual({ name: 'Longspar', kind: 'magazine', frequency: 'quarterly' });
  });

  // Reference: Debian’s unzip, by way of Python’s zipfile, which every reader of zips agrees with.
  it('of an older version reads in', async () => {
    const older = await changed(
      'bundle.json',
      inJson((value) => void (value.version = 1)),
    );
    expect((await readBundle('a.zip', older)).issue.records).toEqual(JSON.parse(JSON.stringify(issue.records)));
  });

  it('of a version that knew one colour between the ends of a gradient has a list of it', async () => {
    const through = { swatch: 'ink', tint: 0.5, at: 0.4 };
    const frame = issue.records.find((each) => each.kind === 'frame' && each.content.type !== 'rule')!;
    const gradient = { form: 'linear', from: { x: 0, y: 0 }, to: { x: 1, y: 1 }, swatch: 'ink', tint: 1 };
    const withIt = (value: unknown) =>
      inJson((all) => {
        const own = (all.records as { id: string }[]).find(({ id }) => id === frame.id)!;
        Object.assign(own, { fill: { swatch: 'ink', tint: 1 }, gradient: { ...gradient, through: value } });
      });
    const older = await changed(
      'issue.json',
      withIt(through),
      await changed(
        'bundle.json',
        inJson((value) => void (value.version = 2)),
      ),
    );
    const read = (await readBundle('a.zip', older)).issue.records.find(({ id }) => id === frame.id)!;
    expect(read).toMatchObject({ gradient: { through: [through] } });
    await expect(readBundle('a.zip', await changed('issue.json', withIt(through)))).rejects.toThrow(/is damaged/);
  });

  it('is a zip that others open, with names that say what is in it', async () => {
    const { out, code } = await ran('python3', ['-m', 'zipfile', '-l', await filed('a.zip', bytes)]);
    expect(code).toBe(0);
    for (const name of [
      'bundle.json',
      'issue.json',
      'house.json',
      'records.schema.json',
      'Read me.txt',
      'The quay.png',
      'faces/Archivo-400.ttf',
    ])
      expect(out).toContain(name);
  });

  // Reference: ajv, which checks JSON against JSON Schema (draft 2020-12).
  it('has a schema that is one, and that its own records are of; others are not', () => {
    const ajv = new Ajv({ strict: false, allErrors: true, validateFormats: false });
    const validate = ajv.compile(recordsSchema());
    for (const { records: own } of [issue, house])
      expect(validate(JSON.parse(JSON.stringify(own))), JSON.stringify(validate.errors?.slice(0, 3))).toBe(true);
    const bent = JSON.parse(JSON.stringify(issue.records)) as StoredRecord[];
    Object.assign(
      bent.find(({ kind }) => kind === 'format')!,
      { width: 'wide' },
    );
    expect(validate(bent)).toBe(false);
  });
});

describe('a bundle that will not do is refused with a sentence', () => {
  it.each<[string, () => Promise<Uint8Array> | Uint8Array, RegExp]>([
    ['no zip', () => new TextEncoder().encode('hello'), /cannot be unpacked/],
    ['half a zip', () => bytes.slice(0, Math.floor(bytes.length / 2)), /cannot be unpacked/],
    [
      'another zip',
      async () => new JSZip().file('a.txt', 'a').generateAsync({ type: 'uint8array' }),
      /is no bundle: it has no bundle\.json/,
    ],
    [
      'another format',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.format = 'other')),
        ),
      /is no bundle/,
    ],
    [
      'a newer one',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.version = BUNDLE_VERSION + 1)),
        ),
      /newer version of Restless Kite/,
    ],
    [
      'a version that is none',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.version = 'x')),
        ),
      /“version” must be|version/,
    ],
    ['broken JSON', () => changed('issue.json', (words) => words.slice(0, 400)), /its issue\.json cannot be read/],
    [
      'a record of no kind',
      () =>
        changed(
          'issue.json',
          inJson((value) => void (value.records[3].kind = 'wallpaper')),
        ),
      /in its issue\.json/,
    ],
    [
      'a value that there is not',
      () =>
        changed(
          'issue.json',
          inJson((value) => void (value.records[1].width = -1e9)),
        ),
      /in its issue\.json/,
    ],
    [
      'two of one id',
      () =>
        changed(
          'issue.json',
          inJson((value) => void value.records.push(value.records[5])),
        ),
      /two records/,
    ],
    [
      'a frame on no page',
      () =>
        changed(
          'issue.json',
          inJson((value) => void (value.records.find((each: Bent) => each.id === 'f').on = 'nowhere')),
        ),
      /needs something that is not there/,
    ],
    [
      'a second format',
      () =>
        changed(
          'issue.json',
          inJson(
            (value) => void value.records.push({ ...value.records.find((each: Bent) => each.kind === 'format'), id: 'other' }),
          ),
        ),
      /has a format that is called “other”/,
    ],
    [
      'a frequency that there is not',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.publication.frequency = 'now and then')),
        ),
      /frequency/,
    ],
    [
      'styles in a circle',
      () =>
        changed(
          'issue.json',
          inJson((value) => void (value.records.find((each: Bent) => each.id === 'body').basedOn = 'crosshead')),
        ),
      /circle/,
    ],
    [
      'no page',
      () =>
        changed(
          'issue.json',
          inJson((value) => void (value.records = value.records.filter((each: Bent) => !['page', 'frame'].includes(each.kind)))),
        ),
      /has no page/,
    ],
    ['a file that is missing', async () => changed((await fileName())!, () => undefined), /lacks a file that it names/],
    ['a file that is another', async () => changed((await fileName())!, () => 'other'), /is not what it was/],
    [
      'a picture whose file it does not name',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.files = [])),
        ),
      /lacks the file of picture/,
    ],
    [
      'a file that is not what it says',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.files[0].media = 'image/jpeg')),
        ),
      /is not what it says it is/,
    ],
    [
      'a page of a website as a picture',
      () =>
        changed(
          'bundle.json',
          inJson((value) => void (value.files[0].media = 'text/html')),
        ),
      /is not what it says it is/,
    ],
    ['a path that leads out', () => changed('../../etc/passwd', () => 'root'), /leads out of it|cannot be unpacked/],
  ])('%s', async (_, made, why) => {
    await expect(readBundle('a.zip', await made())).rejects.toThrow(why);
  });
});

const fileName = async () =>
  Object.keys((await JSZip.loadAsync(bytes)).files).find((name) => name.startsWith('files/') && name.endsWith('.png'));
