import { readFile } from 'node:fs/promises';
import bidiFactory from 'bidi-js';
import LineBreaker from 'linebreak';
import { describe, expect, it } from 'vitest';
import { levelsOf, visualOrder } from '@/core/type/bidi';
import { bindingSpaces, breaksWithin, frenchSpace } from '@/core/type/lineBreaks';
import { composed, oneText, paragraph, paragraphStyle } from '../support/composed';

/** Unicode's own tests, as Debian's package `unicode-data` carries them (Unicode 15.0). */

const FOLDER = '/usr/share/unicode';

const linesOf = async (file: string) =>
  (await readFile(`${FOLDER}/${file}`, 'utf8'))
    .split('\n')
    .map((line) => line.split('#')[0]!.trim())
    .filter(Boolean);

describe('line breaking', () => {
  // Source: LineBreakTest.txt of UAX #14.
  it('is Unicode’s, but for numbers, where the tailoring of its example 7 is taken, as browsers do', async () => {
    const different: string[] = [];
    const tests = await linesOf('auxiliary/LineBreakTest.txt');
    for (const line of tests) {
      let text = '';
      const expected: number[] = [];
      for (const token of line.split(/\s+/)) {
        if (token === '÷') expected.push(text.length);
        else if (token !== '×') text += String.fromCodePoint(parseInt(token, 16));
      }
      const found: number[] = [];
      const breaker = new LineBreaker(text);
      for (let next = breaker.nextBreak(); next; next = breaker.nextBreak()) found.push(next.position);
      if (found.join() !== expected.filter((at) => at > 0).join()) different.push(line);
    }
    expect(tests.length).toBe(7654);
    expect(different.length).toBe(59);
    // Of these most are brackets, commas and signs beside figures (LB25); a few are an old bracket (U+2329).
    expect(different.filter((line) => /2329|00(2[4589CE]|3\d|7D)/.test(line)).length).toBeGreaterThan(50);
  });

  it('looks past spaces: what UAX #14 holds together across them stays together', async () => {
    expect(bindingSpaces('Wind over the harbour.')).toBeUndefined();
    const ends = (text: string) => [...(bindingSpaces(text) ?? [])];
    expect(ends('Quoi ?')).toEqual([5]);
    expect(ends('Quoi ! Non ; oui : bien / mal')).toEqual([5, 11, 17, 24]);
    expect(ends('( wind )')).toEqual([2, 7]);
    expect(breaksWithin('風箏在海港')).toEqual([1, 2, 3, 4]);
    // Thai by its dictionary: no two words grow together, and none is parted.
    expect(breaksWithin('สวัสดีชาวโลก').length).toBeGreaterThan(0);
  });

  it('lets no line of French begin with a mark that belongs to the word before, and sets its spaces as the trade does', async () => {
    const words = 'Le vent tourne ; la mer monte : qui vient ? Personne ! « Attendez », dit le phare. '.repeat(14);
    for (let w = 60; w <= 200; w += 7) {
      const { lines } = await composed(
        ...oneText(
          [paragraph('fr', words)],
          [paragraphStyle('fr', { language: 'fr' })],
          { grows: true },
          { x: 50, y: 48, w, h: 504 },
        ),
      );
      for (const line of lines()) {
        expect(line.runs[0]!.text).not.toMatch(/^[?!;:»]/);
        expect(line.runs.at(-1)!.text).not.toMatch(/«$/);
      }
    }
    expect(frenchSpace('t', '?')).toBe('thin');
    expect(frenchSpace('t', ':')).toBe('word');
    expect(frenchSpace('t', 'a')).toBeUndefined();
  });
});

describe('writing in two directions', () => {
  // Source: BidiCharacterTest.txt of UAX #9: levels, and the order in which characters stand.
  it('has the levels and the order of every one of Unicode’s tests', async () => {
    const bidi = bidiFactory();
    let tried = 0;
    const different: string[] = [];
    for (const line of await linesOf('BidiCharacterTest.txt')) {
      const [codes, direction, , levels, order] = line.split(';') as [string, string, string, string, string];
      const text = String.fromCodePoint(...codes.split(' ').map((code) => parseInt(code, 16)));
      const own = bidi.getEmbeddingLevels(text, direction === '0' ? 'ltr' : direction === '1' ? 'rtl' : 'auto');
      const characters = [...text];
      let at = 0;
      const units = characters.map((character) => (at += character.length) - character.length);
      const wanted = levels.split(' ');
      const kept = characters.flatMap((_, i) => (wanted[i] === 'x' ? [] : [i]));
      // Trailing white space takes the paragraph's level when a line is set (rule L1), which is the line's doing.
      const found = kept.map((i) => (wanted[i] === 'x' ? 0 : own.levels[units[i]!]!));
      const visual = visualOrder(kept.map((i) => Number(wanted[i]))).map((i) => kept[i]);
      tried++;
      const trailing = /[\s\u2066-\u2069]*$/u.exec(text)![0].length;
      const inside = kept.filter((i) => units[i]! < text.length - trailing && !/[\t\u2029\n]/.test(characters[i]!));
      const sameLevels = inside.every((i) => own.levels[units[i]!] === Number(wanted[i]));
      if ((!sameLevels && !/[\t\u2029]/.test(text) && found.length > 0) || visual.join(' ') !== order) different.push(line);
    }
    expect(tried).toBeGreaterThan(90_000);
    expect(different.length).toBe(0);
  });

  it('sets lines in that order: words, brackets and figures, from the side where the paragraph begins', async () => {
    const bidi = bidiFactory();
    for (const words of [
      'שלום עולם',
      'peace שלום עולם end',
      'אבג (דהו) 123 זחט',
      'The word שלום (peace) עולם, 42 אבג.',
      'مرحبا بالعالم 2026 kite مرحبا',
      '42 שלום',
    ]) {
      const { lines, shaper } = await composed(...oneText([paragraph('body', words)], [], {}, { x: 50, y: 48, w: 300, h: 100 }));
      expect(shaper).toBeDefined();
      const [line] = lines();
      const runs = [...line!.runs].sort((a, b) => a.x - b.x);
      const levels = levelsOf(words)!;
      const expected = visualOrder(levels.of).map((i) => words[i]!);
      const seen = runs.flatMap((run) => (run.rightToLeft ? [...run.text].reverse() : [...run.text])).join('');
      expect(seen, words).toBe(expected.join('').replace(/ /g, ''));
      // A paragraph that begins from the right ends its first line at the right edge of its column.
      const right = Math.max(...runs.map((run) => line!.x + run.x + run.shaped.width * run.look.scale));
      if (levels.rightToLeft) expect(right).toBeCloseTo(350, 0);
      else expect(line!.x + runs[0]!.x).toBeCloseTo(50, 0);
      expect(bidi.getEmbeddingLevels(words).paragraphs).toHaveLength(1);
    }
  });

  it('fills columns and the columns of tables from the right where a text runs from there', async () => {
    const { items } = await composed(
      ...oneText(
        Array.from({ length: 30 }, () => paragraph('body', 'שלום עולם ורוח בים')),
        [],
        { columns: 3, gutter: 15 },
        { x: 50, y: 48, w: 300, h: 120 },
      ),
    );
    const x = items()[0]!.columns.map(({ box }) => box.x);
    expect(x).toEqual([...x].sort((a, b) => b - a));
    expect(items()[0]!.columns[0]!.lines.length).toBe(10);
  });
});
