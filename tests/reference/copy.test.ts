import { execFileSync } from 'node:child_process';
import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { beforeAll, describe, expect, it } from 'vitest';
import { bringInStory } from '@/core/actions/stories';
import { bodyOf } from '@/core/records/body';
import { applied } from '@/core/records/diff';
import { all, documentOf } from '@/core/records/document';
import { startingHouse } from '@/core/plan/startingHouse';
import type { Block, Copy } from '@/formats/copy/blocks';
import { writeCopy } from '@/formats/copy/out/write';
import { COPY_WAYS } from '@/formats/copy/out/ways';
import { readCopy } from '@/formats/copy/read';
import { storyOf } from '@/formats/copy/story';
import { SAMPLE, sampleAs } from '../support/copySample';
import { ran, scratch } from '../support/programs';

/** Copy against pandoc (Debian's), which writes the files that are read, and reads those that are written. */

const inline = (block: Block): string => block.content.map((node) => node.text ?? '|').join('');
/** Without the numbers of notes, which every format writes otherwise. */
const unnumbered = (block: Block): string =>
  block.content
    .filter(({ marks }) => !marks.some(({ type }) => type.name === 'superscript'))
    .map((node) => node.text ?? ' ')
    .join('');
const words = (blocks: readonly Block[]): string[] =>
  blocks.flatMap((block) =>
    block.table
      ? block.table.rows.flatMap((row) => row.flatMap((cell) => words(cell.blocks)))
      : unnumbered(block).split(/\s+/).filter(Boolean),
  );

const read = async (path: string): Promise<Copy> => readCopy(path, new Uint8Array(await readFile(path)));

/** The words of a file as pandoc extracts them, without its marks for lists, rules of tables and numbers of notes. */
async function pandocWords(path: string): Promise<string[]> {
  const { out } = await ran('pandoc', [path, '-t', 'plain', '--wrap=none']);
  return out
    .replace(/[¹²³⁰-⁹]+/gu, '')
    .normalize('NFKC')
    .replace(/\[(\d+)\]/g, ' ')
    .split(/\s+/)
    .filter((word) => /[\p{L}\p{N}]/u.test(word) && !/^(\d+\.|-+)$/.test(word));
}

const FORMATS = ['docx', 'odt', 'rtf', 'html'] as const;

describe.each(FORMATS)('%s', (format) => {
  let path: string;
  let copy: Copy;
  beforeAll(async () => {
    path = await sampleAs(format);
    copy = await read(path);
  });

  it('gives the words that pandoc extracts, every one', async () => {
    const own = words(copy.blocks).filter((word) => /[\p{L}\p{N}]/u.test(word));
    const theirs = await pandocWords(path);
    const bare = (list: readonly string[]) =>
      list
        .map((word) => word.replace(/[^\p{L}\p{N}]/gu, ''))
        .filter(Boolean)
        .sort();
    // Pandoc itself reads no head of an ODT's table, and a picture's words are its picture's; its HTML has them all.
    const expected = bare([...theirs, ...(await pandocWords(await sampleAs('html')))]);
    for (const word of bare(own)) expect(expected, `“${word}” is in the file`).toContain(word);
    const has = bare(own);
    // Pandoc writes no caption into RTF, and does not read its own quotation marks there: its HTML says what there is.
    const due =
      format === 'rtf' ? (await pandocWords(await sampleAs('html'))).filter((word) => !/^(at|low)$/.test(word)) : theirs;
    for (const word of bare(due)) expect(has, `“${word}” was read`).toContain(word);
  });

  it('keeps the table with its rows and columns', () => {
    const [table] = copy.blocks.filter(({ kind }) => kind === 'table');
    expect(table!.table!.rows.map((row) => row.map((cell) => words(cell.blocks).join(' ')))).toEqual([
      ['Day', 'High water', 'Height'],
      ['Monday', '04.12', '3.4 m'],
      ['Tuesday', '05.01', '3.1 m'],
    ]);
    // RTF as pandoc writes it does not say which rows are heads.
    expect(table!.table!.head).toBe(format === 'rtf' ? 0 : 1);
  });

  it('keeps lists with their levels', () => {
    const lists = copy.blocks.filter(({ list }) => list).map((block) => [inline(block), block.list!.kind, block.list!.level]);
    expect(lists.slice(0, 5)).toEqual([
      ['Mind the tide', 'number', 0],
      ['Mind the wind', 'number', 0],
      ['from the west', 'bullet', 1],
      ['from the north', 'bullet', 1],
      ['Go home', 'number', 0],
    ]);
  });

  it('sets notes at the end, each where its number says', () => {
    const notes = copy.blocks.slice(-2).map(inline);
    expect(notes).toEqual(['The first wall was of oak.', 'Measured at the harbour office.']);
    const text = copy.blocks.map(inline).join(' ');
    expect(text).toMatch(/wet\[?1\]?/);
    expect(text).toMatch(/signs>\.\[?2\]?/);
  });

  it('keeps emphasis, position and links', () => {
    const [block] = copy.blocks.filter((each) => inline(each).startsWith('It was'));
    const marks = Object.fromEntries(block!.content.map((node) => [node.text!.trim(), node.marks.map(({ type }) => type.name)]));
    expect(marks['cold']).toEqual(['strong']);
    expect(marks['wet']).toEqual(['emphasis']);
    expect(marks['2']).toEqual(['subscript']);
    expect(marks['morning']).toContain('link');
  });

  it('becomes a story with its headline and byline', () => {
    const story = storyOf(copy);
    expect([story.headline, story.byline]).toEqual(['The wall that keeps the harbour', 'By Ada Fenn']);
    expect(story.dropped.join()).toMatch(/Struck through/);
  });

  it('brings its picture along', () => {
    // Pandoc's HTML only names the file.
    if (format === 'html') return expect(copy.dropped).toEqual(['1 picture that is kept elsewhere']);
    expect(copy.pictures).toHaveLength(1);
    expect([...copy.pictures[0]!.bytes.slice(1, 4)]).toEqual([0x50, 0x4e, 0x47]);
    return undefined;
  });
});

describe('a story that goes out', () => {
  const house = documentOf(startingHouse('magazine', 'en-GB'));

  it.each(COPY_WAYS)('as %s is read by pandoc as what it is', async (way) => {
    const story = storyOf(await read(await sampleAs('docx')));
    const document = applied(
      house,
      bringInStory(house, { name: story.name, headline: story.headline, byline: story.byline!, body: bodyOf(story.body) }),
    );
    const bytes = await writeCopy(document, all(document, 'story')[0]!, way, 'en-GB');
    const path = join(await scratch(), `out.${way}`);
    await writeFile(path, bytes);
    const { code, out, error } = await ran('pandoc', [
      way === 'txt' ? path : path,
      ...(way === 'txt' ? ['-f', 'markdown'] : []),
      '-t',
      'json',
    ]);
    expect([code, error]).toEqual([0, '']);
    const { blocks } = JSON.parse(out) as { blocks: { t: string }[] };
    const kinds = new Set(blocks.map(({ t }) => t));
    const { out: plain } = await ran('pandoc', [
      path,
      ...(way === 'txt' ? ['-f', 'markdown'] : []),
      '-t',
      'plain',
      '--wrap=none',
    ]);
    for (const each of ['Ada Fenn', 'Nobody asks the wall.', 'from the west', 'Tuesday', 'Measured at the harbour office.'])
      expect(plain).toContain(each);
    if (way === 'txt') return;
    expect([...kinds]).toEqual(expect.arrayContaining(['Table', 'OrderedList', 'BlockQuote', 'Header']));
    // And comes back as it went.
    const again = storyOf(await readCopy(path, bytes));
    expect(again.headline).toBe(story.headline);
    expect(again.words).toBeGreaterThanOrEqual(story.words);
  });
});

describe('encodings', () => {
  const GERMAN = 'Über den Dächern von Ternhaven wehte der Wind so kräftig, daß die Drachen größer schienen als die Häuser.';
  const RUSSIAN = 'Над гаванью весь день дул сильный ветер, и змеи поднимались выше домов и кораблей у причала.';
  const POLISH = 'Latawce wznosiły się nad portem, a źdźbła trawy gięły się pod wiatrem; łodzie kołysały się ciężko.';
  const JAPANESE = '港の上では一日中強い風が吹き、凧は家々や船よりも高く上がった。夕方には風が弱まった。';

  // What glibc's `iconv` writes is what is read.
  it.each([
    ['UTF-8', GERMAN],
    ['UTF-16LE', GERMAN],
    ['UTF-16BE', GERMAN],
    ['WINDOWS-1252', GERMAN],
    ['WINDOWS-1251', RUSSIAN],
    ['KOI8-R', RUSSIAN],
    ['WINDOWS-1250', POLISH],
    ['SHIFT_JIS', JAPANESE],
    ['EUC-JP', JAPANESE],
  ])('%s is found out', async (encoding, text) => {
    const bytes = execFileSync('iconv', ['-f', 'UTF-8', '-t', encoding], { input: `${text}\n\n${text}\n` });
    const { blocks } = await readCopy('a.txt', new Uint8Array(bytes));
    // Central European encodings share most places: what is not found out can be said.
    const own = encoding === 'WINDOWS-1250' ? (await readCopy('a.txt', new Uint8Array(bytes), 'windows-1250')).blocks : blocks;
    expect(inline(own[0]!)).toBe(text);
  });

  it('that are no UTF-8 (RFC 3629, 3: overlong forms, surrogates, beyond U+10FFFF) are not taken for it', async () => {
    for (const bad of [
      [0xc0, 0xaf],
      [0xed, 0xa0, 0x80],
      [0xf4, 0x90, 0x80, 0x80],
    ]) {
      const { encoding } = await readCopy('a.txt', new Uint8Array([...Buffer.from('plain words '), ...bad]));
      expect(encoding).not.toBe('UTF-8');
    }
    expect((await readCopy('a.txt', new Uint8Array(Buffer.from(SAMPLE)))).encoding).toBeUndefined();
  });
});
