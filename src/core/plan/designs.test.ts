import { flawOf } from '../../../tests/support/documents';
import { describe, expect, it } from 'vitest';
import { composerFor } from '../../../tests/support/faces';
import { looks } from '../../../tests/support/composed';
import type { Box } from '../geometry/box';
import { paragraphsOf } from '../records/body';
import { all, documentOf, framesOn } from '../records/document';
import type { DocumentRecord } from '../records/index';
import { startIssue } from './startIssue';
import { Checker } from '../checks/checker';
import { palettePairs } from '../colour/pairs';
import { ALL_THERE } from '../pictures/states';
import { ALL_DESIGNS } from './designs/index';
import { designSpecimen, fittedSpecimen } from './designSpecimen';
import { startingHouse } from './startingHouse';

const ORDER = { publication: 'Quay Herald', number: '1', season: 'March', date: '2027-03-31', language: 'en-GB', pages: 8 };

const repeated = (records: readonly DocumentRecord[]): string[] => {
  const seen = new Set<string>();
  return records.flatMap(({ id }) => (seen.has(id) || !seen.add(id) ? [id] : []));
};

/** None, all, each alone and all but each. */
function* choices<T>(of: readonly T[]): Generator<readonly T[]> {
  yield [];
  yield of;
  for (const one of of) {
    yield [one];
    yield of.filter((each) => each !== one);
  }
}

describe.each(ALL_DESIGNS.map((design) => [design.name, design] as const))('the design %s', (_, { id, kind, palettes }) => {
  const start = { design: id };

  it('makes a house with every palette and any of its pages, a first issue and the next: no two records share an id', () => {
    const pages = startingHouse(kind, 'en-GB', start).flatMap((record) => (record.kind === 'page' ? [record.id] : []));
    expect(pages.length).toBeGreaterThan(3);
    const valid = new Set<DocumentRecord>();
    for (let palette = 0; palette < palettes.length; palette++)
      for (const some of choices(pages)) {
        const house = startingHouse(kind, 'en-GB', { ...start, palette, pages: some });
        const first = startIssue(house, ORDER);
        const next = startIssue(house, { ...ORDER, number: '2' }, first);
        for (const made of [house, first, next]) {
          expect(repeated(made)).toEqual([]);
          for (const record of made) if (!valid.has(record)) expect(flawOf(record), record.id).toBeUndefined();
          for (const record of made) valid.add(record);
        }
        expect(house.filter((record) => record.kind === 'page').map(({ id }) => id)).toEqual(some);
        expect(next.filter((record) => record.kind === 'page')).toHaveLength(8);
      }
  });

  it('holds for names of 3 to 40 letters, in one line or two', async () => {
    const NAMES = [
      'Bay',
      'Quay',
      'Longspar',
      'Quay Herald',
      'The Ternhaven Packet',
      'The Harbour and Hill Gazette',
      'Ternhaven Kitemakers’ Quarterly Review',
      'The Island Observer and Weekly Advertiser',
      'Wattenmeervogelbeobachtungsgesellschaft',
    ];
    const house = startingHouse(kind, 'en-GB', start);
    for (const name of NAMES) {
      const issue = documentOf(startIssue(house, { ...ORDER, publication: name }));
      const front = all(issue, 'page')[0]!.id;
      const { composer } = await composerFor(issue);
      const { pages, items, fits } = looks(composer.compose(issue));
      const plate = framesOn(issue, front).find(({ content }) => content.type === 'text' && content.fitsWidth)!;
      const text = plate.content.type === 'text' ? plate.content.text : '';
      expect(fits.get(text)).toMatchObject({ oversetLines: 0, overfull: 0 });
      const lines = items(text).flatMap((item) => item.columns.flatMap((column) => column.lines));
      expect([1, 2], name).toContain(lines.length);
      expect(
        lines
          .flatMap((line) => line.runs.map((run) => run.text))
          .join(' ')
          .toLowerCase(),
      ).toBe(name.toLowerCase());
      const foot = Math.max(...lines.map((line) => line.baseline + line.descent));
      expect(Math.min(...lines.map((line) => line.baseline - line.runs[0]!.look.size * 0.6))).toBeGreaterThanOrEqual(plate.box.y);
      expect(foot).toBeLessThanOrEqual(plate.box.y + plate.box.h + 0.01);
      for (const line of lines) expect(line.natural).toBeLessThanOrEqual(plate.box.w + 0.01);
      // Nothing else of the page reaches into it, but what it stands on.
      const into = (box: Box) =>
        box.y < foot && box.y + box.h > plate.box.y && box.x < plate.box.x + plate.box.w && box.x + box.w > plate.box.x;
      const others = framesOn(issue, front).filter(
        ({ id, content }) => id !== plate.id && content.type !== 'picture' && content.type !== 'panel',
      );
      expect(others.filter(({ box }) => into(box)).map(({ id }) => id)).toEqual([]);
      // As large as its place lets it be: it fills its width, or its height.
      const wide = Math.max(...lines.map((line) => line.natural)) / plate.box.w;
      const high = (foot - plate.box.y - Math.max(0, plate.box.y + plate.box.h - foot)) / plate.box.h;
      expect(Math.max(wide, high), name).toBeGreaterThan(0.8);
      expect(pages.length).toBe(8);
      expect(paragraphsOf(all(issue, 'text').find(({ id }) => id === text)!.body)).toHaveLength(1);
    }
  });

  it('has a page for everything that an issue is made of, and two pieces of furniture', () => {
    const house = documentOf(startingHouse(kind, 'en-GB', start));
    const names = all(house, 'page').map((page) => page.id);
    for (const page of kind === 'magazine'
      ? ['cover', 'contents', 'opening', 'listing', 'letters', 'news', 'pictures-left', 'pictures-right', 'back']
      : ['front', 'opening', 'letters', 'news', 'pictures', 'back'])
      expect(names).toContain(`page-${page}`);
    expect(all(house, 'furniture')).toHaveLength(2);
    expect(all(house, 'finish')).toHaveLength(3);
    expect(all(house, 'quoteDesign')).toHaveLength(4);
  });

  it('has three palettes in which running text and the first accent are read on paper and tint (WCAG 2.2, 1.4.3)', () => {
    const house = documentOf(startingHouse(kind, 'en-GB', start));
    expect(all(house, 'palette')).toHaveLength(3);
    for (const own of all(house, 'palette'))
      for (const { letters, ground, reads, ratio } of palettePairs(own))
        if ((letters === 'ink' || letters === 'accent1') && (ground === 'paper' || ground === 'tint'))
          expect(reads, `${own.name}: ${letters} on ${ground}, ${ratio.toFixed(2)}`).toBe('all');
  });

  it('passes Checks when its pages are filled with dummy copy', async () => {
    const house = documentOf(startingHouse(kind, 'en-GB', start));
    const whole = designSpecimen(house, 'Halyard');
    const { composer, shaper } = await composerFor(whole);
    const specimen = fittedSpecimen(whole, composer.compose(whole).fits);
    const composed = composer.compose(specimen);
    const own = new Set(all(house, 'page').map((page) => page.id));
    const findings = new Checker()
      .check(specimen, composed, { face: (face) => shaper.face(face), files: ALL_THERE, measured: () => undefined })
      .filter(({ at, grave, rule }) => own.has(at.page ?? '') && grave !== 'detail' && rule !== 'spacing');
    expect(findings.map(({ at, words }) => `${at.page}: ${words}`)).toEqual([]);
  });
});
