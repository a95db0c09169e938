import { existsSync, readFileSync } from 'node:fs';
import { readdir } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { docx } from '../../../tests/support/docx';
import { prose } from '../../../tests/support/documents';
import { filed, pdfWords, ran, scratch } from '../../../tests/support/programs';
import { mm } from '@/core/length/length';
import { OptionError, readOptions } from './options';
import { readStyleFile } from './styleFile';
import type { LinesReport } from './typeset';

const render = (...args: string[]) => ran('npm', ['run', '-s', 'render', '--', ...args]);

const story = `# The spar remembers\n\n${prose(700, 3)}\n\n## A note\n\n${prose(700, 4)}\n\n- one\n- two\n`;

describe('the command render', () => {
  let folder: string;
  let input: string;
  beforeAll(async () => {
    folder = await scratch();
    input = await filed('story.md', story);
  });

  const both = async (...args: string[]) => {
    const out = join(folder, `${Math.random()}.pdf`);
    const { code, error } = await render('--input', input, '--out', out, '--lines', `${out}.json`, ...args);
    expect(error).toBe('');
    expect(code).toBe(0);
    return { out, report: JSON.parse(readFileSync(`${out}.json`, 'utf8')) as LinesReport };
  };
  const allLines = (report: LinesReport) => report.pages.flatMap((page) => page.columns.flatMap((column) => column.lines));

  it('typesets Markdown on a grid with pages as needed, and tells of every line', async () => {
    const { out, report } = await both();
    expect(report.pages.length).toBeGreaterThanOrEqual(2);
    expect(report.pages[0]!.columns).toHaveLength(3);
    const info = await ran('pdfinfo', [out]);
    expect(info.out).toMatch(/Page size:\s+595\.2\d* x 841\.8\d* pts \(A4\)/);
    const column = (mm(210) - mm(30) - mm(10)) / 3;
    const [first, second] = report.pages[0]!.columns;
    expect(first!.lines[0]).toMatchObject({ text: 'The spar remembers', wordSpace: 1, hyphenated: false });
    // Page 1 is a right page: its inner margin is on the left. The first baseline is a line below the margin.
    expect(first!.lines[0]!.x).toBeCloseTo(mm(15), 2);
    expect(first!.lines[0]!.y).toBeCloseTo(mm(20) + 13, 2);
    expect(second!.lines[0]!.x).toBeCloseTo(mm(15) + column + mm(5), 2);
    const justified = first!.lines.slice(1, -1).filter((line) => Math.abs(line.width - column) < 0.01);
    expect(justified.length).toBeGreaterThan(30);
    const words = allLines(report)
      .map((line) => (line.hyphenated ? line.text.slice(0, -1) : `${line.text} `))
      .join('');
    expect(words.replace(/\s+/g, ' ').trim()).toBe(
      story.replace(/^#+ /gm, '').replace(/^- /gm, '• ').replace(/\s+/g, ' ').trim(),
    );
  });

  it('puts every line in the PDF where it says', async () => {
    const { out, report } = await both('--columns', '2', '--align', 'left', '--hyphens', 'off');
    const words = await pdfWords(out);
    for (const page of report.pages) {
      for (const line of page.columns.flatMap((column) => column.lines)) {
        const first = line.text.split(' ')[0]!;
        expect(
          words.some(
            (word) =>
              word.page === page.number &&
              word.text === first &&
              Math.abs(word.x - line.x) < 0.1 &&
              word.top < line.y &&
              word.bottom > line.y - 1,
          ),
          line.text,
        ).toBe(true);
        expect(line.hyphenated).toBe(false);
        expect(line.wordSpace).toBe(1);
      }
    }
  });

  it('mirrors its margins on left pages', async () => {
    const { report } = await both('--margins', '20mm,10mm,20mm,30mm', '--columns', '1');
    expect(report.pages[0]!.columns[0]!.lines[0]!.x).toBeCloseTo(mm(30), 2);
    expect(report.pages[1]!.columns[0]!.lines[0]!.x).toBeCloseTo(mm(10), 2);
  });

  it('is evener by total fit than by first fit', async () => {
    const unevenness = (report: LinesReport) => {
      const spaces = allLines(report).map((line) => Math.abs(line.wordSpace - 1));
      return spaces.reduce((sum, each) => sum + each, 0) / spaces.length;
    };
    const [best, greedy] = await Promise.all([both('--breaking', 'total-fit'), both('--breaking', 'first-fit')]);
    expect(unevenness(best.report)).toBeLessThan(unevenness(greedy.report));
  });

  it('keeps text out of a picture, by frame and by outline', async () => {
    const disc = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="400" height="400"><circle cx="200" cy="200" r="199"/></svg>',
    );
    const picture = await filed('disc.png', await sharp(disc).png().toBuffer());
    const place = ['--picture', picture, '--at', '70mm,80mm,70mm,70mm', '--stand-off', '4mm'];
    const frame = await both(...place, '--wrap', 'frame');
    const outline = await both(...place, '--wrap', 'outline');
    const inside = (report: LinesReport, r: number) =>
      report.pages[0]!.columns.flatMap((column) => column.lines).filter((line) => {
        const nearest = {
          x: Math.max(line.x, Math.min(mm(105), line.x + line.width)),
          y: Math.max(line.y - 7, Math.min(mm(115), line.y)),
        };
        return Math.hypot(nearest.x - mm(105), nearest.y - mm(115)) < r;
      });
    expect(inside(frame.report, mm(36))).toEqual([]);
    expect(inside(outline.report, mm(38))).toEqual([]);
    expect(allLines(outline.report).filter((line) => line.y < mm(155)).length).toBeGreaterThan(0);
    const images = await ran('pdfimages', ['-list', outline.out]);
    expect(images.out).toMatch(/image\s+400\s+400\s+rgb/);
  });

  it('takes more from a style file: styles, characters, frames', async () => {
    const style = await filed(
      'style.json',
      JSON.stringify({
        paragraphs: {
          bodyFirst: { dropCap: { lines: 3, letters: 1, gap: 3, style: 'red' }, leadIn: { extent: 3, style: 'caps' } },
          crosshead: { spans: true, size: 20, leading: 26 },
          body: { letterSpace: { least: -0.01, best: 0, most: 0.02 } },
        },
        characters: { red: { swatch: 'red' }, caps: { letterCase: 'smallCapitals' } },
        swatches: { red: [0, 1, 1, 0] },
        text: { balanced: true },
      }),
    );
    const { out, report } = await both('--style', style);
    const columns = report.pages.map((page) => page.columns.length);
    expect(Math.max(...columns)).toBeGreaterThan(3);
    expect(allLines(report).some((line) => line.text.startsWith(prose(700, 3).slice(0, 12)))).toBe(true);
    expect((await ran('pdffonts', [out])).code).toBe(0);
  });

  it.each([
    ['no JSON', '{', /is not JSON/],
    ['an unknown style', '{"paragraphs":{"nobody":{}}}', /paragraphs\.nobody is not allowed/],
    ['an unknown property', '{"paragraphs":{"body":{"colour":"red"}}}', /paragraphs\.body\.colour is not allowed/],
    ['a value out of bounds', '{"text":{"columns":400}}', /text\.columns must be less than or equal to 40/],
  ])('refuses a style file with %s', (_, content, message) => {
    expect(() => readStyleFile('s.json', content)).toThrow(message);
  });

  it('reads DOCX and plain text too', async () => {
    const word = await filed(
      'a.docx',
      await docx([
        { style: 'Heading1', runs: [{ text: 'Head' }] },
        { runs: [{ text: 'Words and ' }, { text: 'emphasis', italic: true }] },
      ]),
    );
    const out = join(folder, 'word.pdf');
    expect((await render('--input', word, '--out', out)).code).toBe(0);
    expect((await pdfWords(out)).map(({ text }) => text)).toEqual(['Head', 'Words', 'and', 'emphasis']);
    expect((await ran('pdffonts', [out])).out).toContain('SourceSerif4-400i');
    const plain = await filed('a.txt', 'Only words.');
    expect(
      (
        await render(
          '--input',
          plain,
          '--out',
          out,
          '--page',
          '100mm x 50mm',
          '--margins',
          '5mm',
          '--columns',
          '1',
          '--font',
          'archivo',
        )
      ).code,
    ).toBe(0);
    expect((await ran('pdffonts', [out])).out).toContain('Archivo');
  });

  it('fails with one sentence, status 2 and no file', async () => {
    const cases: string[][] = [
      ['--input', join(folder, 'nobody.md')],
      ['--input', input, '--colour', 'red'],
      ['--input', await filed('a.exe', 'MZ')],
      ['--input', await filed('empty.md', '')],
      ['--input', await filed('broken.docx', 'PK\u0003\u0004 broken')],
      ['--input', input, '--columns', '0'],
    ];
    const failing = async (args: readonly string[]) => {
      const at = await scratch();
      const { code, error, out } = await render(...args, '--out', join(at, 'x.pdf'), '--lines', join(at, 'x.json'));
      expect(code, args.join(' ')).toBe(2);
      expect(error.trim().split('\n'), args.join(' ')).toHaveLength(1);
      expect(out).toBe('');
      expect(await readdir(at)).toEqual([]);
    };
    // Each starts the command anew, which takes its time: two go on at once.
    for (let i = 0; i < cases.length; i += 2) await Promise.all(cases.slice(i, i + 2).map(failing));
    const { code } = await render('--input', input, '--out', join(folder, 'no', 'such', 'folder', 'x.pdf'));
    expect(code).toBe(2);
    expect(existsSync(join(folder, 'no'))).toBe(false);
  });
});

describe('its options', () => {
  const options = (...more: string[]) => readOptions(['--input', 'a.md', '--out', 'a.pdf', ...more]);

  it('have the usual values unless told otherwise', () => {
    expect(options()).toMatchObject({
      columns: 3,
      size: 10,
      leading: 13,
      align: 'justify',
      breaking: 'total-fit',
      hyphens: true,
      language: 'en-gb',
      font: 'Source Serif 4',
      picture: undefined,
    });
    expect(options('--margins', '1in').margins).toEqual({ top: 72, outer: 72, bottom: 72, inner: 72 });
    expect(options('--margins', '1in,2in,3in,4in').margins).toEqual({ top: 72, outer: 144, bottom: 216, inner: 288 });
    expect(options('--page', 'A5').page.width).toBeCloseTo(mm(148), 6);
    expect(options('--picture', 'a.png', '--at', '1in,2in,3in,4in')).toMatchObject({
      picture: { at: { x: 72, y: 144, w: 216, h: 288 }, wrap: 'frame' },
    });
  });

  it.each([
    [['--wide', '1'], /unknown/],
    [['extra'], /options/],
    [['--columns', '41'], /--columns/],
    [['--columns', '2.5'], /--columns/],
    [['--gutter', '90mm'], /no width/],
    [['--gutter', 'wide'], /--gutter/],
    [['--margins', '1mm,2mm'], /--margins/],
    [['--margins', '150mm'], /no width/],
    [['--margins', '148mm,5mm,148mm,5mm'], /no height/],
    [['--page', 'A99'], /--page/],
    [['--page', '1mm x 1mm'], /--page/],
    [['--font', 'Nobody'], /--font/],
    [['--size', '0'], /--size/],
    [['--leading', '-3'], /--leading/],
    [['--align', 'middle'], /--align/],
    [['--breaking', 'best'], /--breaking/],
    [['--hyphens', 'yes'], /--hyphens/],
    [['--language', 'xx'], /--language/],
    [['--at', '1,2,3,4'], /go with --picture/],
    [['--picture', 'a.png'], /--at/],
    [['--picture', 'a.png', '--at', '1,2,3'], /four lengths/],
    [['--picture', 'a.png', '--at', '1,2,0,4'], /--at/],
    [['--picture', 'a.png', '--at', '1,2,3,4', '--wrap', 'tight'], /--wrap/],
  ])('are refused when they make no sense: %s', (more, message) => {
    expect(() => options(...more)).toThrow(OptionError);
    expect(() => options(...more)).toThrow(message);
  });

  it('are refused without input or output', () => {
    expect(() => readOptions(['--out', 'a.pdf'])).toThrow(/--input/);
    expect(() => readOptions(['--input', 'a.md'])).toThrow(/--out/);
  });
});
