import { flawOf } from '../../../tests/support/documents';
import { describe, expect, it } from 'vitest';
import { rgbToCmyk } from '../colour/cmyk';
import { Inks } from '../compose/displayList/inks';
import { startingHouse } from '../plan/startingHouse';
import { applied, type Diff, inverted } from '../records/diff';
import { all, type Document, documentOf, get } from '../records/document';
import { addSwatch, keepPalette, paletteInUse, recolour, removeSwatch, setSwatch } from './colour';
import { ActionError } from './edit';
import { usesOf } from './instead';

const house = documentOf(startingHouse('magazine', 'en-GB'));

function done(of: Document, diff: Diff): Document {
  const after = applied(of, diff);
  expect(new Map(applied(after, inverted(diff)).records)).toEqual(new Map(of.records));
  for (const record of [...diff.added, ...diff.updated.map((each) => each.after)]) expect(flawOf(record)).toBeUndefined();
  return after;
}

describe('swatches', () => {
  it('take other names and inks, within what inks there are', () => {
    const after = done(house, setSwatch(house, 'accent1', { name: 'Sea', cmyk: [0.5, 0.25, 0, 0.1] }));
    expect(get(after, 'swatch', 'accent1')).toMatchObject({ name: 'Sea', cmyk: [0.5, 0.25, 0, 0.1], role: 'accent1' });
    expect(() => setSwatch(house, 'ink', { name: ' ' })).toThrow(ActionError);
    expect(() => setSwatch(house, 'ink', { cmyk: [1.2, 0, 0, 0] })).toThrow(/0 and 100 %/);
    expect(() => setSwatch(house, 'ink', { cmyk: [NaN, 0, 0, 0] })).toThrow(ActionError);
  });

  it('are added, and removed when nothing is coloured with them', () => {
    const more = done(house, addSwatch(house, 'Rust', [0.1, 0.7, 0.9, 0.2]));
    const rust = all(more, 'swatch').find(({ name }) => name === 'Rust')!;
    expect(usesOf(more, rust.id)).toBe(0);
    expect(all(done(more, removeSwatch(more, rust.id)), 'swatch')).toHaveLength(5);
    expect(usesOf(house, 'accent1')).toBe(
      [...house.records.values()].filter((record) => JSON.stringify(record).includes('"swatch":"accent1"')).length,
    );
    expect(() => removeSwatch(house, 'accent1')).toThrow(/every palette/);
    expect(() => removeSwatch(house, 'paper')).toThrow(/every palette/);
  });
});

describe('a palette', () => {
  it('recolours what has a role, and nothing else', () => {
    const own = done(house, addSwatch(house, 'Rust', [0.1, 0.7, 0.9, 0.2]));
    expect(paletteInUse(own)?.name).toBe('Harbour blue');
    const after = done(own, recolour(own, 'palette-2'));
    expect(paletteInUse(after)?.name).toBe('Kiln');
    const { colours } = get(after, 'palette', 'palette-2');
    for (const { role, cmyk, name } of all(after, 'swatch')) {
      if (role) expect(cmyk).toEqual(colours[role]);
      else expect([name, cmyk]).toEqual(['Rust', [0.1, 0.7, 0.9, 0.2]]);
    }
    expect([...done(after, recolour(after, 'palette-1')).records.values()]).toEqual([...own.records.values()]);
  });

  it('is kept from the colours as they are', () => {
    const changed = done(house, setSwatch(house, 'tint', { cmyk: [0.2, 0, 0.2, 0] }));
    expect(paletteInUse(changed)).toBeUndefined();
    const kept = done(changed, keepPalette(changed, ' Own '));
    expect(paletteInUse(kept)?.name).toBe('Own');
    expect(() => keepPalette(changed, '')).toThrow(/needs a name/);
    const lacking = documentOf([...house.records.values()].filter(({ id }) => id !== 'accent2'));
    expect(() => keepPalette(lacking, 'Own')).toThrow(/accent2/);
  });
});

describe('a colour given as light', () => {
  it('shows as just that, and prints in the inks that follow from it', () => {
    // Worked by hand after ISO 32000-1, 10.3.4: 51/255 = 0.2; black is 1 − 0.8 = 0.2, cyan 1 − 0.2 − 0.2 = 0.6.
    const lit = applied(house, setSwatch(house, 'accent2', { rgb: [0.2, 0.8, 0.4] }));
    const { cmyk, rgb } = get(lit, 'swatch', 'accent2');
    expect(rgb).toEqual([0.2, 0.8, 0.4]);
    [0.6, 0, 0.4, 0.2].forEach((ink, i) => expect(cmyk[i]).toBeCloseTo(ink, 9));
    expect(flawOf(get(lit, 'swatch', 'accent2'))).toBeUndefined();
    const inks = new Inks();
    expect(inks.ink(lit, 'accent2', 1).rgb).toBe('#33cc66');
    // Half of it on white paper.
    expect(inks.ink(lit, 'accent2', 0.5).rgb).toBe('#99e6b3');
    expect(rgbToCmyk([0, 0, 0])).toEqual([0, 0, 0, 1]);
    expect(() => setSwatch(house, 'accent2', { rgb: [2, 0, 0] })).toThrow('between 0 and 255');
    // Given inks again, or by a palette, it is light no more.
    expect(get(applied(lit, setSwatch(lit, 'accent2', { cmyk: [1, 0, 0, 0] })), 'swatch', 'accent2')).not.toHaveProperty('rgb');
    expect(get(applied(lit, recolour(lit, 'palette-2')), 'swatch', 'accent2')).not.toHaveProperty('rgb');
    // A new name leaves it as it is.
    expect(get(applied(lit, setSwatch(lit, 'accent2', { name: 'Sea' })), 'swatch', 'accent2')).toMatchObject({
      name: 'Sea',
      rgb,
    });
  });
});
