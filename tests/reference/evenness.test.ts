import { beforeAll, describe, expect, it } from 'vitest';
import { chromiumSpaces } from '../../scripts/bench/chromium';
import { unevenness } from '../../scripts/bench/measure';
import { passage } from '../../scripts/bench/texts';
import { spaces } from '../../scripts/bench/typesetter';

/**
 * How even justified lines are, beside Chromium's `text-align: justify`, which breaks line by line: the same text, face,
 * size, measure and points of hyphenation.
 */
describe('word spaces on narrow measures', () => {
  let paragraphs: string[];
  beforeAll(async () => void (paragraphs = (await passage(30_000)).slice(0, 60)));

  // Points; 34 to 42 characters a line, where newspapers and magazines set most of their text (common practice).
  it.each([154, 166, 184])('stray at most 0.7 as far from the face’s own at %i pt', async (measure) => {
    const own = await spaces(paragraphs, measure);
    const theirs = await chromiumSpaces(paragraphs, measure);
    expect(own.characters).toBeGreaterThan(33.5);
    expect(own.characters).toBeLessThan(42.5);
    expect(theirs.spaces.length).toBeGreaterThan(500);
    expect(unevenness(own.spaces)).toBeLessThan(0.7 * unevenness(theirs.spaces));
  });
});
