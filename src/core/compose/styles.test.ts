import { describe, expect, it } from 'vitest';
import {
  characterStyle,
  composed,
  mark,
  oneText,
  paragraph,
  paragraphStyle,
  rightOf,
  text,
} from '../../../tests/support/composed';
import { prose } from '../../../tests/support/documents';
import { together } from '../records/together';
import { styleSheet } from '../type/styles';
import { documentOf } from '../records/document';
import { letterRamp, runWidth } from './displayList/displayList';
import { counted } from '../page/folio';
import { lineText } from './displayList/lineText';

const styled = (id: string) => mark('character', { style: id });

describe('character styles', () => {
  it('lie over their paragraph and inherit from one another', async () => {
    const { lines } = await composed(
      ...oneText(
        [paragraph('body', [text('A '), text('light word', styled('light')), text(' and a small one', styled('small'))])],
        [characterStyle('light', { weight: 300, tint: 0.5 }), characterStyle('small', { size: 6 }, 'light')],
      ),
    );
    const looks = new Map(lines()[0]!.runs.map((run) => [run.text, run.look]));
    expect(looks.get('A')).toMatchObject({ face: 'SourceSerif4-400', size: 9 });
    expect(looks.get('word')).toMatchObject({ face: 'SourceSerif4-300', size: 9, ink: { cmyk: [0, 0, 0, 0.5] } });
    expect(looks.get('one')).toMatchObject({ face: 'SourceSerif4-300', size: 6, ink: { cmyk: [0, 0, 0, 0.5] } });
  });

  it('that are based on one another in a circle are named, and a document that holds them opens all the same', () => {
    const styles = [
      characterStyle('a', { size: 8 }, 'b'),
      characterStyle('b', { weight: 700 }, 'c'),
      characterStyle('c', { italic: true }, 'a'),
    ];
    expect(styleSheet(documentOf(styles)).character.get('a')).toEqual({ size: 8, weight: 700, italic: true });
    expect(together(styles)).toBe('“a”, “b” and “c” would be based on one another in a circle.');
  });

  it('change case, and keep the positions of what was typed', async () => {
    const { lines } = await composed(
      ...oneText([paragraph('loud', 'Straße und Meer')], [paragraphStyle('loud', { letterCase: 'upper', align: 'left' })]),
    );
    const [line] = lines();
    expect(lineText(line!)).toBe('STRASSE UND MEER');
    expect(line!.runs.map(({ from, to }) => [from, to])).toEqual([
      [0, 6],
      [7, 10],
      [11, 15],
    ]);
  });

  it('take small capitals, figures and raised letters from the face, kerning off when asked', async () => {
    const kinds = {
      small: { letterCase: 'smallCapitals' },
      all: { letterCase: 'allSmallCapitals' },
      old: { figures: 'oldStyle', figureWidth: 'tabular' },
      lining: { figures: 'lining', figureWidth: 'proportional' },
      loose: { kerning: false },
    } as const;
    const { lines } = await composed(
      ...oneText(
        [
          paragraph('body', [
            ...Object.keys(kinds).map((id) => text(`AVxy123${id} `, styled(id))),
            text('2', mark('superscript')),
            text(' '),
            text('2', mark('subscript')),
          ]),
        ],
        Object.entries(kinds).map(([id, properties]) => characterStyle(id, properties)),
      ),
    );
    const runs = lines().flatMap((line) => line.runs);
    expect(runs.map(({ look }) => look.features)).toEqual([
      'smcp',
      'smcp,c2sc',
      'onum,tnum',
      'lnum,pnum',
      '-kern',
      'sups',
      'subs',
    ]);
    const glyphs = runs.map(({ shaped }) => shaped.glyphs.join(' '));
    expect(new Set(glyphs).size).toBe(glyphs.length);
  });

  it('that a face lacks are not faked, and are told', async () => {
    const { fits, lines } = await composed(
      ...oneText(
        [paragraph('wide', 'A word')],
        [paragraphStyle('wide', { family: 'Archivo', weight: 700, italic: true, features: ['zzzz'] })],
      ),
    );
    expect(lines()[0]!.runs[0]!.look.face).toBe('Archivo-600i');
    expect(fits.get('text')!.lacks).toEqual(['zzzz', 'Archivo 700 italic']);
  });

  // The OpenType specification (post, OS/2) says where the lines of a face lie.
  it('underline and strike through whole stretches, where the face says', async () => {
    const { lines, shaper } = await composed(
      ...oneText(
        [paragraph('body', [text('Before '), text('two words', styled('under')), text(' '), text('gone', styled('struck'))])],
        [characterStyle('under', { underline: true }), characterStyle('struck', { strike: true })],
      ),
    );
    const [line] = lines();
    const face = shaper.face('SourceSerif4-400');
    const [under, struck] = line!.marks!;
    const word = (of: string) => line!.runs.find((run) => run.text === of)!;
    expect(under).toMatchObject({ type: 'area', over: false });
    expect(under!.box.x).toBeCloseTo(word('two').x, 6);
    expect(under!.box.x + under!.box.w).toBeCloseTo(word('words').x + runWidth(word('words'), line!), 6);
    expect(under!.box.y + under!.box.h / 2).toBeCloseTo((-face.underline.at * 9) / 1000, 6);
    expect(under!.box.y).toBeGreaterThan(0);
    expect(struck).toMatchObject({ over: true });
    expect(struck!.box.y).toBeLessThan(0);
  });

  it('underline and strike through as thick and as far off as is said, and lay colour behind whole stretches', async () => {
    const highlight = { swatch: 'tint', tint: 1, around: 1.5 };
    const { lines, shaper } = await composed(
      ...oneText(
        [paragraph('body', [text('Before '), text('two words', styled('lit')), text(' after')])],
        [characterStyle('lit', { highlight, underline: true, strike: true, lineWeight: 2, underlineOffset: 4, strikeOffset: 3 })],
      ),
    );
    const [line] = lines();
    const { ascent, descent, unitsPerEm } = shaper.face('SourceSerif4-400');
    const word = (of: string) => line!.runs.find((run) => run.text === of)!;
    const [x0, x1] = [word('two').x, word('words').x + runWidth(word('words'), line!)];
    const [area, under, struck] = line!.marks!;
    // From the ascent to the descent, the space between the words in it, and standing out on every side.
    expect(area!.box.x).toBeCloseTo(x0 - 1.5, 6);
    expect(area!.box.w).toBeCloseTo(x1 - x0 + 3, 6);
    expect(area!.box.y).toBeCloseTo((-ascent * 9) / unitsPerEm - 1.5, 6);
    expect(area!.box.h).toBeCloseTo(((ascent - descent) * 9) / unitsPerEm + 3, 6);
    expect(area).toMatchObject({ over: false, ink: { cmyk: [0, 0, 0.1, 0] } });
    expect(under!.box.h).toBe(2);
    expect(under!.box.y + 1).toBeCloseTo(4, 6);
    expect(struck).toMatchObject({ over: true });
    expect(struck!.box.y + 1).toBeCloseTo(-3, 6);
  });

  it('run into a second colour, from the height of a capital to the baseline or along their line', async () => {
    const gradient = (way: 'down' | 'right') => ({ gradient: { swatch: 'tint', tint: 1, way } }) as const;
    const { lines } = await composed(
      ...oneText(
        [paragraph('body', [text('down', styled('down')), text(' along', styled('along')), text(' plain')])],
        [characterStyle('down', gradient('down')), characterStyle('along', gradient('right'))],
      ),
    );
    const [line] = lines();
    const [down, along, plain] = line!.runs.map((run) => letterRamp(run, line!));
    expect(down!.to.y).toBeCloseTo(line!.baseline, 6);
    expect(down!.to.y - down!.from.y).toBeCloseTo(0.72 * 9, 6);
    expect([along!.from.x, along!.to.x]).toEqual([line!.x, line!.x + line!.natural]);
    expect(along!.stops[0]!.ink.cmyk).toEqual([0, 0, 0, 1]);
    expect(along!.stops.at(-1)!.ink.cmyk).toEqual([0, 0, 0.1, 0]);
    expect(plain).toBeUndefined();
  });

  it('tell letters apart whose colours differ on screens alone', async () => {
    const red = (id: string, rgb: readonly [number, number, number]) =>
      ({ id, kind: 'swatch', name: id, cmyk: [0, 1, 1, 0], rgb }) as const;
    const { lines } = await composed(
      ...oneText(
        [paragraph('body', [text('one', styled('a')), text(' two', styled('b'))])],
        [
          red('r1', [1, 0, 0]),
          red('r2', [0.8, 0, 0]),
          characterStyle('a', { swatch: 'r1' }),
          characterStyle('b', { swatch: 'r2' }),
        ],
      ),
    );
    const colours = lines()[0]!.runs.map((run) => run.look.ink.rgb);
    expect(new Set(colours).size).toBe(2);
  });

  it('set letters off their baseline and give them an outline', async () => {
    const { lines } = await composed(
      ...oneText(
        [paragraph('body', [text('up', styled('up'))])],
        [characterStyle('up', { rise: 3, letterOutline: { weight: 0.6, swatch: 'tint', tint: 1 } })],
      ),
    );
    expect(lines()[0]!.runs[0]!.look).toMatchObject({ rise: 3, outline: { weight: 0.6, ink: { cmyk: [0, 0, 0.1, 0] } } });
  });
});

describe('justification', () => {
  const set = (properties: object, words = 120, width = 150) =>
    composed(
      ...oneText(
        [paragraph('j', prose(words, 5))],
        [paragraphStyle('j', { align: 'justify', ...properties })],
        {},
        {
          x: 50,
          y: 48,
          w: width,
          h: 504,
        },
      ),
    );
  const range = (least: number, best: number, most: number) => ({ least, best, most });

  it('fills every line but the last exactly, whatever gives', async () => {
    for (const properties of [
      {},
      { letterSpace: range(-0.01, 0, 0.02) },
      { glyphScale: range(0.97, 1, 1.03) },
      { letterSpace: range(0, 0.01, 0.03), glyphScale: range(0.96, 0.98, 1.02), wordSpace: range(0.7, 0.9, 1.2), tracking: 10 },
    ]) {
      const { lines } = await set(properties);
      for (const line of lines()) {
        if (line.lastOfParagraph || line.overfull) continue;
        expect(rightOf(line)).toBeCloseTo(line.x + line.width, 6);
        expect(line.natural).toBeCloseTo(line.width, 6);
      }
    }
  });

  it('asks word spaces first, then letter spaces, then the width of glyphs, each within its limits', async () => {
    const limits = {
      wordSpace: range(0.8, 1, 1.3),
      letterSpace: range(-0.01, 0, 0.02),
      glyphScale: range(0.98, 1, 1.02),
      hyphens: false,
    };
    const { lines } = await set(limits, 200, 110);
    let letters = 0;
    for (const line of lines()) {
      if (line.lastOfParagraph || line.overfull) continue;
      const space = line.letterSpace / 9;
      expect(space).toBeGreaterThanOrEqual(-0.01 - 1e-9);
      expect(space).toBeLessThanOrEqual(0.02 + 1e-9);
      expect(line.glyphScale).toBeGreaterThanOrEqual(0.98 - 1e-9);
      expect(line.glyphScale).toBeLessThanOrEqual(1.02 + 1e-9);
      if (space > 1e-9) expect(line.wordSpace).toBeGreaterThanOrEqual(1.3 - 1e-9);
      if (line.glyphScale > 1 + 1e-9) expect(space).toBeCloseTo(0.02, 9);
      if (line.wordSpace > 1.3 + 1e-9) expect(line.glyphScale).toBeCloseTo(1.02, 9);
      if (space !== 0) letters++;
    }
    expect(letters).toBeGreaterThan(5);
  });

  it('evens out the word spaces when letters may give', async () => {
    const unevenness = async (properties: object) => {
      const { lines } = await set(properties, 600, 140);
      const spaces = lines().flatMap((line) => (line.lastOfParagraph ? [] : [Math.abs(line.wordSpace - 1)]));
      return spaces.reduce((sum, each) => sum + each, 0) / spaces.length;
    };
    expect(await unevenness({ letterSpace: range(-0.02, 0, 0.03), glyphScale: range(0.98, 1, 1.02) })).toBeLessThan(
      0.9 * (await unevenness({})),
    );
  });

  it.each(['left', 'centre', 'right', 'justify'] as const)('sets the last line %s', async (lastLine) => {
    const { lines } = await set({ lastLine });
    const last = lines().at(-1)!;
    const left = last.x - 50;
    const right = 200 - rightOf(last);
    if (lastLine === 'left') expect(left).toBeCloseTo(0, 6);
    if (lastLine === 'right') expect(right).toBeCloseTo(0, 6);
    if (lastLine === 'centre') expect(left).toBeCloseTo(right, 6);
    if (lastLine === 'justify') expect(Math.abs(left) + Math.abs(right)).toBeCloseTo(0, 6);
  });

  it('hangs hyphens and stops over the edge by a share of their width, and keeps letters at it', async () => {
    const { lines } = await set({ hanging: 1, hyphens: true }, 300);
    const hung = lines().filter((line) => !line.lastOfParagraph && /[-.,]$/.test(lineText(line)));
    expect(hung.length).toBeGreaterThan(3);
    for (const line of hung) {
      const last = line.runs.at(-1)!;
      const mark = last.shaped.advances.at(-1)! * last.look.scale;
      expect(rightOf(line) - 200).toBeCloseTo(0.7 * mark, 5);
    }
    const quoted = await composed(
      ...oneText([paragraph('q', '“Quoted words stand in line.”')], [paragraphStyle('q', { align: 'left', hanging: 1 })]),
    );
    expect(quoted.lines()[0]!.x).toBeLessThan(50);
  });
});

describe('alignment', () => {
  it('goes by the spine', async () => {
    const records = oneText(
      [paragraph('in', 'Towards'), paragraph('out', 'Away')],
      [paragraphStyle('in', { align: 'towardsSpine' }), paragraphStyle('out', { align: 'awayFromSpine' })],
    );
    const at = async (page: string) => {
      const { lines } = await composed(...records.map((record) => (record.kind === 'frame' ? { ...record, on: page } : record)));
      return lines().map((line) => (Math.abs(line.x - 50) < 0.01 ? 'left' : 'right'));
    };
    // Page 1 lies right of the spine.
    expect(await at('p1')).toEqual(['left', 'right']);
    expect(await at('p2')).toEqual(['right', 'left']);
  });

  it('keeps indents on both sides', async () => {
    const { lines } = await composed(
      ...oneText([paragraph('i', prose(60))], [paragraphStyle('i', { leftIndent: 20, rightIndent: 30, firstIndent: 10 })]),
    );
    expect(lines()[0]!.x).toBeCloseTo(80, 6);
    expect(lines()[1]!.x).toBeCloseTo(70, 6);
    for (const line of lines()) if (!line.lastOfParagraph) expect(rightOf(line)).toBeCloseTo(320, 6);
  });
});

describe('tabs', () => {
  const stops = [
    { at: 100, align: 'left' },
    { at: 150, align: 'centre' },
    { at: 220, align: 'right', leader: '.' },
    { at: 260, align: 'decimal' },
  ] as const;
  it('bring text to their stops by its left, middle, right or decimal point, with leaders between', async () => {
    const { lines } = await composed(
      ...oneText([paragraph('t', 'Name\tleft\tmid\tright\t12.75')], [paragraphStyle('t', { tabs: stops })]),
    );
    const [line] = lines();
    const run = (of: string) => line!.runs.find(({ text: own }) => own === of)!;
    const left = (of: string) => line!.x - 50 + run(of).x;
    const right = (of: string) => left(of) + runWidth(run(of), line!);
    expect(left('left')).toBeCloseTo(100, 6);
    expect((left('mid') + right('mid')) / 2).toBeCloseTo(150, 6);
    expect(right('right')).toBeCloseTo(220, 6);
    const number = run('12.75');
    const whole = number.shaped.advances[0]! + number.shaped.advances[1]!;
    expect(left('12.75') + whole * number.look.scale).toBeCloseTo(260, 1);
    const dots = line!.runs.filter((each) => each.text === '.' && each.added);
    expect(dots.length).toBeGreaterThan(3);
    for (const dot of dots) {
      expect(dot.x).toBeGreaterThan(run('mid').x);
      expect(dot.x).toBeLessThan(run('right').x);
    }
  });

  it('stand at every half inch beyond the style’s own', async () => {
    const { lines } = await composed(...oneText([paragraph('t', 'a\tb\tc')], [paragraphStyle('t', { tabs: [] })]));
    expect(lines()[0]!.runs.map((run) => Math.round(run.x))).toEqual([0, 36, 72]);
  });

  it('lose nothing when the line is full', async () => {
    const { texts } = await composed(
      ...oneText([paragraph('t', `${prose(30)}\t${prose(30, 2)}`)], [paragraphStyle('t', { tabs: stops })]),
    );
    const joined = texts().map((line) => (line.endsWith('-') ? line.slice(0, -1) : `${line} `));
    expect(joined.join('').trim().replace(/\s+/g, ' ')).toBe(`${prose(30)} ${prose(30, 2)}`);
  });
});

describe('what stands at a paragraph’s beginning', () => {
  // Common practice: a drop cap's top is the cap height of the first line, its foot the baseline of the last beside it.
  it('is a drop cap over n lines', async () => {
    const { lines, shaper } = await composed(
      ...oneText(
        [paragraph('d', prose(90)), paragraph('body', prose(40, 3))],
        [
          paragraphStyle('d', { dropCap: { lines: 3, letters: 1, gap: 3, style: 'cap' } }),
          characterStyle('cap', { weight: 700 }),
        ],
      ),
    );
    const [first, second, third, fourth] = lines();
    const cap = first!.runs[0]!;
    expect(cap.text).toBe(prose(90)[0]);
    expect(cap.look.face).toBe('SourceSerif4-700');
    expect(first!.baseline + cap.drop).toBeCloseTo(third!.baseline, 6);
    const capHeight = shaper.face(cap.look.face).capHeight * cap.look.scale;
    const own = shaper.face('SourceSerif4-400').capHeight * 0.009;
    expect(third!.baseline - capHeight).toBeCloseTo(first!.baseline - own, 6);
    for (const line of [first, second, third]) expect(line!.x).toBeCloseTo(second!.x, 6);
    expect(second!.x).toBeGreaterThan(60);
    expect(fourth!.x).toBeCloseTo(50, 6);
    expect(lineText(first!).startsWith(prose(90).slice(0, 8))).toBe(true);
  });

  it('is a drop cap deeper than its paragraph, which pushes the next one down', async () => {
    const { lines } = await composed(
      ...oneText(
        [paragraph('d', 'One line.'), paragraph('body', prose(40))],
        [paragraphStyle('d', { dropCap: { lines: 3, letters: 1, gap: 2 } })],
      ),
    );
    expect(lines()[1]!.baseline - lines()[0]!.baseline).toBeCloseTo(36, 6);
  });

  it('is a lead-in of so many words', async () => {
    const { lines } = await composed(
      ...oneText(
        [paragraph('l', prose(60))],
        [paragraphStyle('l', { leadIn: { extent: 4, style: 'caps' } }), characterStyle('caps', { letterCase: 'smallCapitals' })],
      ),
    );
    const runs = lines().flatMap((line) => line.runs);
    expect(runs.map(({ look }) => look.features).lastIndexOf('smcp')).toBe(3);
  });

  it('is a lead-in of just the first line', async () => {
    const { lines } = await composed(
      ...oneText(
        [paragraph('l', prose(90))],
        [paragraphStyle('l', { leadIn: { extent: 'line', style: 'caps' } }), characterStyle('caps', { weight: 700 })],
      ),
    );
    expect(lines().length).toBeGreaterThan(3);
    lines().forEach((line, i) => {
      for (const { look } of line.runs) expect(look.face).toBe(i === 0 ? 'SourceSerif4-700' : 'SourceSerif4-400');
    });
  });

  it('is a bullet or a number of the style’s own kind', async () => {
    const list = (kind: 'bullet' | 'number', number: number) => ({ list: { kind, level: 0, number } });
    const { texts } = await composed(
      ...oneText(
        [
          paragraph('dash', 'One', list('bullet', 1)),
          paragraph('roman', 'Four', list('number', 4)),
          paragraph('alpha', 'Two', list('number', 28)),
        ],
        [
          paragraphStyle('dash', { bullet: '–' }),
          paragraphStyle('roman', { numbering: 'i' }),
          paragraphStyle('alpha', { numbering: 'A' }),
        ],
      ),
    );
    expect(texts()).toEqual(['– One', 'iv. Four', 'AB. Two']);
    // Roman numerals: common knowledge, the years of three well-known title pages.
    expect([1667, 1859, 1999].map((year) => counted(year, 'I'))).toEqual(['MDCLXVII', 'MDCCCLIX', 'MCMXCIX']);
    expect([1, 26, 27, 702, 703].map((n) => counted(n, 'a'))).toEqual(['a', 'z', 'aa', 'zz', 'aaa']);
  });
});

describe('rules and end marks', () => {
  it('stand above and below by their offsets, as wide as the column or the text', async () => {
    const rule = { weight: 2, offset: 4, swatch: 'ink', tint: 1, leftIndent: 5, rightIndent: 15 };
    const { lines } = await composed(
      ...oneText(
        [paragraph('r', prose(60))],
        [
          paragraphStyle('r', {
            align: 'left',
            ruleAbove: { ...rule, width: 'column' },
            ruleBelow: { ...rule, width: 'text', leftIndent: 0, rightIndent: 0 },
          }),
        ],
      ),
    );
    const first = lines()[0]!;
    const last = lines().at(-1)!;
    expect(first.marks![0]!.box).toEqual({ x: 5, y: -6, w: 280, h: 2 });
    expect(last.marks![0]!.box).toEqual({ x: 0, y: 4, w: last.natural, h: 2 });
  });

  it('close a story’s body, and nothing else', async () => {
    const marked = paragraphStyle('m', { endMark: { text: '■', style: 'dark' } });
    const dark = characterStyle('dark', { size: 7 });
    const records = oneText([paragraph('m', prose(20)), paragraph('m', prose(20, 2))], [marked, dark]);
    const of = async (more: object) => {
      const { texts, lines } = await composed(
        ...records.map((record) => (record.kind === 'text' ? { ...record, ...more } : record)),
      );
      return { text: texts().join(' '), lines: lines() };
    };
    const closed = await of({ story: 's' });
    expect(closed.text.match(/■/g)).toHaveLength(1);
    expect(closed.text.endsWith('■')).toBe(true);
    expect(closed.lines.at(-1)!.runs.at(-1)!.look.size).toBe(7);
    expect((await of({})).text).not.toContain('■');
    expect((await of({ story: 's', role: 'standfirst' })).text).not.toContain('■');
  });
});

describe('hyphenation limits', () => {
  const long = 'Considerable understanding extraordinary particular handkerchief observatory apprentice instrument between. ';
  const set = async (limits: object, h = 504) => {
    const base = { word: 5, before: 2, after: 3, consecutive: 3, lastWord: true, acrossColumns: true, capitals: true };
    return composed(
      ...oneText(
        [paragraph('h', long.repeat(12).trim())],
        [paragraphStyle('h', { hyphenLimits: { ...base, ...limits } })],
        { columns: 3 },
        {
          x: 50,
          y: 48,
          w: 300,
          h,
        },
      ),
    );
  };
  const heads = (lines: readonly { hyphenated: boolean; runs: readonly { text: string }[] }[]) =>
    lines.filter((line) => line.hyphenated).map((line) => line.runs.at(-1)!.text.slice(0, -1));

  it('keep so many letters before the hyphen', async () => {
    const { lines } = await set({ before: 5, after: 4 });
    const found = heads(lines());
    expect(found.length).toBeGreaterThan(4);
    for (const head of found) expect(head.length).toBeGreaterThanOrEqual(5);
  });

  it('allow so many hyphens in a row', async () => {
    for (const consecutive of [1, 2]) {
      const { lines } = await set({ consecutive });
      let run = 0;
      for (const line of lines()) {
        run = line.hyphenated ? run + 1 : 0;
        expect(run).toBeLessThanOrEqual(consecutive);
      }
    }
  });

  it('leave capitals and a paragraph’s last word whole when asked', async () => {
    const { lines } = await set({ capitals: false });
    for (const head of heads(lines())) expect(head).not.toMatch(/^[A-Z]/);
    for (let words = 30; words < 60; words++) {
      const own = await composed(
        ...oneText(
          [paragraph('h', `${prose(words)} considerableness`)],
          [
            paragraphStyle('h', {
              hyphenLimits: {
                word: 5,
                before: 2,
                after: 3,
                consecutive: 3,
                lastWord: false,
                acrossColumns: true,
                capitals: true,
              },
            }),
          ],
          {},
          { x: 50, y: 48, w: 130, h: 504 },
        ),
      );
      expect(own.texts().at(-1)).toMatch(/considerableness$/);
    }
  });

  it('do not divide a word across a column’s end when asked', async () => {
    let divided = 0;
    for (let h = 120; h < 300; h += 12) {
      const columns = async (acrossColumns: boolean) =>
        (await set({ acrossColumns }, h)).items()[0]!.columns.map((each) => each.lines.at(-1));
      for (const last of await columns(false)) expect(last?.hyphenated ?? false).toBe(false);
      divided += (await columns(true)).filter((last) => last?.hyphenated).length;
    }
    expect(divided).toBeGreaterThan(0);
  });
});

describe('copyfit', () => {
  it('makes a paragraph a line longer or shorter by looseness where it can', async () => {
    const count = async (looseness: number) => {
      const { lines } = await composed(...oneText([paragraph('c', prose(260, 7))], [paragraphStyle('c', { looseness })]));
      return lines().length;
    };
    const usual = await count(0);
    expect(await count(1)).toBe(usual + 1);
    expect([usual, usual - 1]).toContain(await count(-1));
  });
});
