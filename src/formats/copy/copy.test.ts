import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { docx, swollenDocx } from '../../../tests/support/docx';
import { bodyOf, paragraphsOf, plainText } from '@/core/records/body';
import { RefusedFileError, plainName } from '../refused';
import { readArchive } from './archive';
import type { Block } from './blocks';
import { readHtml as copyOfHtml } from './html';
import { readMarkdown as copyOfMarkdown } from './markdown';
import { guessedLineEnds, readPlainText } from './plainText';
import { readCopy as copyOfFile } from './read';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import { sourceNames, storyOf } from './story';

const words = (block: Block) => block.content.map((node) => node.text ?? '|').join('');
const readHtml = (html: string) => copyOfHtml(html).blocks;
const readMarkdown = (text: string) => copyOfMarkdown(text).blocks;
const readCopy = async (...of: Parameters<typeof copyOfFile>) => (await copyOfFile(...of)).blocks;
/** A story of blocks, with nothing beside them. */
const storyIn = (blocks: readonly Block[]) => storyOf({ blocks, pictures: [], letters: [], dropped: [] });
const bytes = (text: string) => new TextEncoder().encode(text);

describe('HTML', () => {
  it('gives headings, paragraphs, quotations and lists with their levels', () => {
    const blocks = readHtml(
      '<h1>Head</h1><p>One</p><blockquote><p>Said</p></blockquote><ul><li>a<ul><li>b</li></ul></li></ul><ol start="3"><li>c</li><li>d</li></ol>',
    );
    expect(blocks.map((block) => [block.kind, block.level, words(block), block.list])).toEqual([
      ['heading', 1, 'Head', undefined],
      ['paragraph', 0, 'One', undefined],
      ['quotation', 0, 'Said', undefined],
      ['paragraph', 0, 'a', { kind: 'bullet', level: 0 }],
      ['paragraph', 0, 'b', { kind: 'bullet', level: 1 }],
      ['paragraph', 0, 'c', { kind: 'number', level: 0, number: 3 }],
      ['paragraph', 0, 'd', { kind: 'number', level: 0, number: 4 }],
    ]);
  });

  it('keeps emphasis, links and line breaks, and joins what is alike', () => {
    const [block] = readHtml(
      '<p>It is <em>nine <strong>feet</strong></em><em> long</em>, <a href="https://x.example">here</a><br>and there.</p>',
    );
    expect(block!.content.map((node) => node.toJSON() as unknown)).toEqual([
      { type: 'text', text: 'It is ' },
      { type: 'text', text: 'nine ', marks: [{ type: 'emphasis' }] },
      { type: 'text', text: 'feet', marks: [{ type: 'emphasis' }, { type: 'strong' }] },
      { type: 'text', text: ' long', marks: [{ type: 'emphasis' }] },
      { type: 'text', text: ', ' },
      { type: 'text', text: 'here', marks: [{ type: 'link', attrs: { href: 'https://x.example' } }] },
      { type: 'lineBreak' },
      { type: 'text', text: 'and there.' },
    ]);
  });

  it('folds white space and drops what is no text', () => {
    expect(readHtml('<p>  a \n b </p><script>evil()</script><style>p{}</style><p> </p><p>c<br></p>').map(words)).toEqual([
      'a b',
      'c',
    ]);
  });

  it('starts pages and columns where it is told to, and keeps lists of 500 levels in bounds', () => {
    expect(
      readHtml('<p>a<hr class="page">b</p><hr class="column"><p>c</p><hr><p>d</p>').map((block) => [words(block), block.startIn]),
    ).toEqual([
      ['a', undefined],
      ['b', 'page'],
      ['c', 'column'],
      ['d', undefined],
    ]);
    const [deep] = readHtml('<ul><li>'.repeat(500) + 'deep').slice(-1);
    expect(deep!.list!.level).toBe(8);
  });
});

describe('tables', () => {
  const cells = (block: Block | undefined) =>
    block!.table!.rows.map((row) => row.map((cell) => cell.blocks.map(words).join(' / ')));

  it('stay tables, with their head, and cells over several columns and rows', () => {
    const blocks = readHtml(
      '<p>Before</p><table><thead><tr><th>Wind</th><th colspan="2">Gusts</th></tr></thead><tbody><tr><td rowspan="2"><p>West</p><p>by north</p></td><td><b>4</b></td><td>9</td></tr><tr><td>3<td>8</table><p>After</p>',
    );
    expect(blocks.map(({ kind }) => kind)).toEqual(['paragraph', 'table', 'paragraph']);
    expect(cells(blocks[1])).toEqual([
      ['Wind', 'Gusts'],
      ['West / by north', '4', '9'],
      ['3', '8'],
    ]);
    expect(blocks[1]!.table!.head).toBe(1);
    expect(blocks[1]!.table!.rows.map((row) => row.map(({ across, down }) => [across, down]))).toEqual([
      [
        [1, 1],
        [2, 1],
      ],
      [
        [1, 2],
        [1, 1],
        [1, 1],
      ],
      [
        [1, 1],
        [1, 1],
      ],
    ]);
    const { body, words: count } = storyIn([{ kind: 'heading', level: 1, content: [] }, ...blocks]);
    const table = bodyOf(body).child(1);
    expect([table.type.name, table.attrs['headerRows'], (table.attrs['columns'] as unknown[]).length]).toEqual(['table', 1, 3]);
    expect(paragraphsOf(bodyOf(body)).map(plainText)).toEqual([
      'Before',
      'Wind',
      'Gusts',
      'West',
      'by north',
      '4',
      '9',
      '3',
      '8',
      'After',
    ]);
    expect(count).toBe(11);
  });

  it('in a cell of another give their words to it, however deep', () => {
    const [block] = readHtml('<table><tr><td>a<table><tr><td>b</td><td>c</td></tr></table>d</td></tr></table>');
    expect(cells(block)).toEqual([['a / b / c / d']]);
    const deep = readHtml(`${'<table><tr><td>'.repeat(2_000)}deep`);
    expect(cells(deep[0] ?? readHtml('<table><tr><td>deep</table>')[0])).toEqual([['deep']]);
  });

  it('come out of Markdown (GitHub Flavored Markdown, 4.10) as they do out of HTML', () => {
    const [block] = readMarkdown('| Wind | Gusts |\n|---|---|\n| West | 4 |');
    expect([cells(block), block!.table!.head]).toEqual([
      [
        ['Wind', 'Gusts'],
        ['West', '4'],
      ],
      1,
    ]);
  });

  it('with more rows or columns than one may have are refused in a sentence', () => {
    expect(() => readHtml(`<table><tr>${'<td>x'.repeat(101)}</table>`)).toThrow('more than 100 columns');
    expect(() => readHtml(`<table>${'<tr><td>x'.repeat(5_001)}</table>`)).toThrow('more than 5,000 rows');
  });

  it('that are never closed lose no word', () => {
    expect(readHtml('<table><tr><td>one<td>two').flatMap((block) => (block.table ? cells(block).flat() : words(block)))).toEqual([
      'one',
      'two',
    ]);
  });
});

describe('notes', () => {
  it('stand at the end as a list, without the links there and back', () => {
    const blocks = readHtml(
      '<p>A spar<sup><a href="#n1" id="r1">[1]</a></sup> bends.</p><ol><li id="n1"><p>Of ash. <a href="#r1">↑</a></p></li></ol>',
    );
    expect(blocks.map((block) => [words(block), block.list?.kind])).toEqual([
      ['A spar[1] bends.', undefined],
      ['Of ash.', 'number'],
    ]);
    expect(blocks[0]!.content.flatMap(({ marks }) => marks.map(({ type }) => type.name))).toEqual(['superscript']);
  });
});

describe('Markdown and plain text', () => {
  it('read Markdown as CommonMark has it', () => {
    const blocks = readMarkdown('# Head\n\nA *kite* is **finished**\nwhen.\n\n- one\n- two\n\n<script>x</script>');
    expect(blocks.map(words)).toEqual(['Head', 'A kite is finished when.', 'one', 'two', '<script>x</script>']);
  });

  it('part plain text at empty lines, or at every line where there are none', () => {
    expect(readPlainText('One\ntwo\n\nThree\r\n\r\n').map(words)).toEqual(['One|two', 'Three']);
    expect(readPlainText('One\ntwo\n\nThree\r\n\r\n', 'joined').map(words)).toEqual(['One two', 'Three']);
    expect(readPlainText('One\nTwo\nThree').map(words)).toEqual(['One', 'Two', 'Three']);
    expect(readPlainText('One\n\fTwo').map((block) => block.startIn)).toEqual([undefined, 'page']);
  });
});

describe('DOCX', () => {
  it('brings headings, emphasis, lists and breaks', async () => {
    const file = await docx([
      { style: 'Title', runs: [{ text: 'The spar remembers' }] },
      {
        runs: [
          { text: 'It is ' },
          { text: 'nine feet', italic: true },
          { text: ' of ' },
          { text: 'linen', bold: true },
          { text: '.' },
        ],
      },
      { style: 'Heading2', runs: [{ text: 'A note' }] },
      { list: 'bullet', runs: [{ text: 'ash' }] },
      { list: 'number', runs: [{ text: 'first' }] },
      { list: 'number', runs: [{ text: 'second' }] },
      { style: 'Quote', runs: [{ text: 'So it goes' }] },
      { runs: [{ break: 'page', text: 'On a new page' }] },
      { runs: [{ break: 'column', text: 'In a new column' }] },
      { runs: [{ text: 'Line' }, { break: 'line', text: 'broken' }] },
    ]);
    const blocks = await readCopy('Spar.DOCX', file);
    expect(blocks.map((block) => [block.kind, words(block), block.list?.kind, block.startIn])).toEqual([
      ['heading', 'The spar remembers', undefined, undefined],
      ['paragraph', 'It is nine feet of linen.', undefined, undefined],
      ['heading', 'A note', undefined, undefined],
      ['paragraph', 'ash', 'bullet', undefined],
      ['paragraph', 'first', 'number', undefined],
      ['paragraph', 'second', 'number', undefined],
      ['quotation', 'So it goes', undefined, undefined],
      ['paragraph', 'On a new page', undefined, 'page'],
      ['paragraph', 'In a new column', undefined, 'column'],
      ['paragraph', 'Line|broken', undefined, undefined],
    ]);
    expect(blocks[1]!.content[1]!.toJSON()).toEqual({ type: 'text', text: 'nine feet', marks: [{ type: 'emphasis' }] });
    expect(blocks[1]!.content[3]!.toJSON()).toEqual({ type: 'text', text: 'linen', marks: [{ type: 'strong' }] });
    expect(blocks[5]!.list).toMatchObject({ number: 2 });
  });

  it('that unpacks to far too much is not opened', async () => {
    const file = await swollenDocx(220);
    expect(file.length).toBeLessThan(2_000_000);
    await expect(readCopy('big.docx', file)).rejects.toMatchObject({
      status: 413,
      message: expect.stringMatching(/unpacks/) as string,
    });
  });

  it('that is damaged, cut short or no DOCX is refused', async () => {
    const whole = await docx([{ runs: [{ text: 'x' }] }]);
    await expect(readCopy('a.docx', whole.slice(0, whole.length - 60))).rejects.toThrow(/damaged/);
    const spoiled = whole.slice();
    spoiled.fill(0, 60, 400);
    await expect(readCopy('a.docx', spoiled)).rejects.toThrow(RefusedFileError);
    await expect(readCopy('a.docx', bytes('plain words'))).rejects.toMatchObject({ status: 415 });
    const empty = await docx([]);
    await expect(readCopy('a.docx', empty)).rejects.toThrow(/no text/);
  });

  it('is counted, not believed', async () => {
    const file = await docx([{ runs: [{ text: 'x' }] }], { 'a.txt': 'x'.repeat(5000), 'b.txt': 'y' });
    await expect(readArchive(file, undefined, { entries: 3, bytes: 1e9 })).rejects.toMatchObject({ status: 413 });
    await expect(readArchive(file, undefined, { entries: 100, bytes: 4000 })).rejects.toMatchObject({ status: 413 });
    await expect(readArchive(file)).resolves.toMatchObject({ entries: new Map() });
  });
});

describe('reading copy', () => {
  it.each([
    ['kite.exe', bytes('MZ'), 415, /not copy/],
    ['noending', bytes('x'), 415, /not copy/],
    ['empty.md', bytes(''), 422, /is empty/],
    ['blank.txt', bytes(' \n \n'), 422, /no text/],
    ['binary.txt', new Uint8Array([0x4d, 0x00, 0x01, 0x02]), 415, /not a text/],
    ['../../etc/passwd.png', bytes('x'), 415, /^“passwd\.png”/],
  ] as const)('refuses %s with one sentence', async (name, content, status, message) => {
    await expect(readCopy(name, content)).rejects.toMatchObject({ status, message: expect.stringMatching(message) as string });
  });

  it('knows UTF-16 by its mark and older files by their letters', async () => {
    const utf16 = new Uint8Array([0xff, 0xfe, ...Buffer.from('Été', 'utf16le')]);
    expect(words((await readCopy('a.txt', utf16))[0]!)).toBe('Été');
    expect(words((await readCopy('a.txt', new Uint8Array([0xc9, 0x74, 0xe9])))[0]!)).toBe('Été');
  });

  it('refuses what is larger than copy can be', async () => {
    await expect(readCopy('a.txt', new Uint8Array(20_000_001).fill(65))).rejects.toMatchObject({ status: 413 });
  });

  it('shows names without folders', () => {
    expect(plainName('../../a/b.md')).toBe('b.md');
    expect(plainName('c:\\x\\y.md')).toBe('y.md');
    expect(plainName('\u0007')).toBe('unnamed file');
  });
});

describe('a story from copy', () => {
  const demo = readFileSync('demo/imports/a-letter-from-the-hill-school.md', 'utf8');

  it('takes its headline from the first heading, and the house’s styles', () => {
    const story = storyIn(readMarkdown(demo));
    expect(story.headline).toBe('A letter from the hill school');
    const body = bodyOf(story.body);
    expect(paragraphsOf(body).map((node) => node.attrs['style'] as string)).toEqual([
      COPY_STYLES.first,
      COPY_STYLES.heading,
      COPY_STYLES.list,
      COPY_STYLES.list,
      COPY_STYLES.list,
      COPY_STYLES.body,
      COPY_STYLES.heading,
      COPY_STYLES.first,
    ]);
    expect(story.words).toBe(paragraphsOf(body).map(plainText).join(' ').split(/\s+/).length);
  });

  it('takes a first line that is short for its headline, and calls one without by its first words', () => {
    expect(storyIn(readPlainText('Harbour notes\n\nWords of a body.')).headline).toBe('Harbour notes');
    const long = `The ${'wind '.repeat(30)}blew.`;
    expect(storyIn(readPlainText(`${long}\n\nMore.`))).toMatchObject({ headline: '', name: 'The wind wind wind wind wind' });
    expect(storyIn(readMarkdown('# Only a head')).body.content).toHaveLength(1);
  });
});

describe('what becomes what', () => {
  const house = {
    paragraph: [
      { id: 'body', name: 'Body' },
      { id: 'boxText', name: 'Box text' },
    ],
    character: [{ id: 'caps', name: 'Names', properties: { letterCase: 'smallCapitals' as const } }],
  };
  const paragraph = (style: string | undefined, text: string): Block => ({
    kind: 'paragraph',
    level: 0,
    ...(style ? { style } : {}),
    content: copyOfHtml(`<p>${text}</p>`).blocks[0]!.content,
  });
  const copy = (...blocks: Block[]) => ({ blocks, pictures: [], letters: [], dropped: [] });

  it('goes by the names of the source: parts of the story, the house’s own styles, running text', () => {
    const own = copy(
      paragraph('Title', 'The wall'),
      paragraph('Subtitle', 'It keeps the harbour.'),
      paragraph('Byline', 'Ada Fenn'),
      paragraph('Box Text', 'In a box.'),
      paragraph('Whatever', 'Running.'),
    );
    const story = storyOf(own, {}, house);
    expect([story.headline, story.standfirst, story.byline]).toEqual(['The wall', 'It keeps the harbour.', 'Ada Fenn']);
    expect(bodyOf(story.body).content.content.map((node) => node.attrs['style'] as string)).toEqual([
      'boxText',
      COPY_STYLES.body,
    ]);
    expect(sourceNames(own, house).map(({ name, usual }) => [name, usual])).toEqual([
      ['Title', 'headline'],
      ['Subtitle', 'standfirst'],
      ['Byline', 'byline'],
      ['Box Text', 'style:boxText'],
      ['Whatever', 'body'],
    ]);
  });

  it('is as somebody says, also against what would be guessed', () => {
    const own = copy(paragraph(undefined, 'A short line'), paragraph('Whatever', 'Words.'), paragraph('Note', 'For the desk.'));
    expect(storyOf(own, {}, house).headline).toBe('A short line');
    const said = storyOf(own, { Paragraph: 'body', Whatever: 'standfirst', Note: 'leave' }, house);
    expect([said.headline, said.name, said.standfirst]).toEqual(['', 'A short line', 'Words.']);
    expect(said.dropped).toEqual(['1 paragraph that was left out']);
  });

  it('gives looks of letters a character style that looks so, and says what it has none for', () => {
    const own = copy(
      paragraph(
        undefined,
        'A <u>b</u> <span style="font-variant: small-caps">c</span> <s>d</s> word to begin with, and then some more of them.',
      ),
    );
    const { body, dropped } = storyOf(own, { Paragraph: 'body' }, house);
    const marks = bodyOf(body).firstChild!.content.content.flatMap((node) =>
      node.marks.map((mark) => [node.text, mark.attrs['style'] as string]),
    );
    expect(marks).toEqual([['c', 'caps']]);
    expect(dropped).toEqual(['“Underlined” in 1 place', '“Struck through” in 1 place']);
  });

  it('gives pictures the words that stand under them', () => {
    const picture = (index: number): Block => ({ kind: 'picture', level: 0, content: [], picture: index });
    const bytes_ = new Uint8Array([1]);
    const own = {
      ...copy(
        paragraph(undefined, 'Headline'),
        picture(0),
        paragraph('Caption', 'The wall.'),
        paragraph('Credit', 'Photo: Ivo Marr'),
        picture(1),
        paragraph(undefined, 'Text.'),
      ),
      pictures: [
        { name: 'picture 1', says: 'wall', bytes: bytes_ },
        { name: 'picture 2', says: 'The tide', bytes: bytes_ },
      ],
    };
    expect(storyOf(own, {}, house).pictures).toEqual([
      { index: 0, caption: 'The wall.', credit: 'Photo: Ivo Marr' },
      { index: 1, caption: 'The tide', credit: '' },
    ]);
  });
});

describe('line ends of plain text', () => {
  const wrapped =
    'The wind had been rising since the morning, and by noon the boats\nwere in. Nobody on the quay spoke of the wall, since nobody on the\nquay had ever seen it give way.\n\nIt did not give way.';
  it.each([
    [wrapped, 'joined'],
    ['Mr A. Fenn\n14 Wall Street\nTernhaven\n\nDear Sir', 'lines'],
    [
      'One paragraph.\nAnother, which is a good deal longer than the first of them, and goes on for a while as paragraphs do when nobody breaks their lines for them anywhere.\nA third.',
      'paragraphs',
    ],
    ['One line alone', 'joined'],
  ] as const)('of %j are %s', (text, ends) => {
    expect(guessedLineEnds(text)).toBe(ends);
  });

  it('that were broken to a width come together, also where no empty line parts paragraphs', () => {
    expect(readPlainText(wrapped).map(words)).toHaveLength(2);
    const close = wrapped.replace('\n\n', '\n');
    expect(readPlainText(close, 'joined').map(words)).toHaveLength(2);
  });
});

describe('files made to harm', () => {
  it('are read or refused, each in a sentence, however they were changed', async () => {
    const sources: [string, Uint8Array][] = [
      ['a.docx', await docx([{ style: 'Title', runs: [{ text: 'Head' }] }, { runs: [{ text: 'Words', bold: true }] }])],
      [
        'a.rtf',
        bytes(
          '{\\rtf1\\ansi{\\fonttbl{\\f0 A;}}{\\*\\listtable{\\list{\\listlevel\\levelnfc0}\\listid1}}\\pard\\b Head\\par\\pard words \\u8220? and {\\i more}\\par\\trowd\\cellx1\\intbl a\\cell\\row}',
        ),
      ],
      ['a.html', bytes('<h1>Head</h1><p>Words <b>bold</b><table><tr><td>x</table><ul><li>one')],
      ['a.md', bytes('# Head\n\nWords *with* [a](b) | c |\n\n- one\n    - two')],
    ];
    await fc.assert(
      fc.asyncProperty(
        fc.constantFrom(...sources),
        fc.array(fc.tuple(fc.double({ min: 0, max: 1, noNaN: true }), fc.integer({ min: 0, max: 255 })), {
          minLength: 1,
          maxLength: 12,
        }),
        async ([name, source], changes) => {
          const own = source.slice();
          for (const [at, value] of changes) own[Math.floor(at * (own.length - 1))] = value;
          try {
            const copy = await copyOfFile(name, own);
            // What was read is a document of the schema.
            bodyOf(storyOf(copy).body);
          } catch (error) {
            expect(error).toBeInstanceOf(RefusedFileError);
            expect((error as Error).message).toMatch(/\.$/);
          }
        },
      ),
      { numRuns: 250 },
    );
  }, 60_000);

  it('say what is wrong: encrypted, too deep, lying about their size', async () => {
    const compound = new Uint8Array([0xd0, 0xcf, 0x11, 0xe0, 0xa1, 0xb1, 0x1a, 0xe1]);
    await expect(readCopy('a.docx', compound)).rejects.toThrow('protected by a password, or comes from an old word processor');
    await expect(readCopy('a.rtf', bytes('{\\rtf1 {\\pict\\bin4000000000 x}}'))).rejects.toThrow('holds more than it does');
    await expect(readCopy('a.rtf', bytes(`{\\rtf1${'{'.repeat(20_000)}`))).rejects.toThrow('groups never end');
    const macros = await docx([{ runs: [{ text: 'Words' }] }], { 'word/vbaProject.bin': 'x' });
    expect((await copyOfFile('a.docx', macros)).dropped).toEqual(['the macros in it']);
    const html = await copyOfFile(
      'a.html',
      bytes('<p>Words<img src="https://elsewhere.example/a.png"><script>x()</script><iframe src="a"></iframe>'),
    );
    expect(html.dropped).toEqual(['1 picture that is kept elsewhere', '1 embedded page']);
    expect(html.blocks.map(words)).toEqual(['Words']);
  });

  it('with 10,000 empty paragraphs have the words that stand between them', async () => {
    const blocks = await readCopy('a.html', bytes(`${'<p> </p>'.repeat(10_000)}<p>Words</p>`));
    expect(blocks.map(words)).toEqual(['Words']);
  });
});
