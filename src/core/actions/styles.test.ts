import { describe, expect, it } from 'vitest';
import { baseRecords, document, textRecord, flawOf } from '../../../tests/support/documents';
import { plainBody } from '../records/body';
import { applied } from '../records/diff';
import { all, get } from '../records/document';
import { styleSheet } from '../type/styles';
import { addStyle, reachedBy, removeStyle, renameStyle, setStyle, setStyleBase } from './styles';

const house = document(
  ...baseRecords(),
  { id: 'small', kind: 'paragraphStyle', name: 'Small', basedOn: 'body', properties: { size: 7 } },
  { id: 'smallest', kind: 'paragraphStyle', name: 'Smallest', basedOn: 'small', properties: {} },
  { id: 'caps', kind: 'characterStyle', name: 'Capitals', properties: { letterCase: 'upper' } },
);

describe('styles', () => {
  it('say which others a change reaches: those that do not say it themselves', () => {
    const names = (...keys: Parameters<typeof reachedBy>[2]) => reachedBy(house, 'body', keys).map(({ name }) => name);
    expect(names('leading')).toEqual(['Crosshead', 'Small', 'Smallest']);
    expect(names('size')).toEqual(['Crosshead']);
    expect(names('weight', 'hyphens')).toEqual(['Small', 'Smallest']);
    expect(reachedBy(house, 'headline', ['size'])).toEqual([]);
  });

  it('change with those based on them, or alone when the tie is cut', () => {
    const together = applied(house, setStyle(house, 'body', { leading: 14 }));
    expect(styleSheet(together).paragraph.get('smallest')).toMatchObject({ leading: 14, size: 7 });
    const diff = setStyle(house, 'body', { leading: 14 }, ['small']);
    for (const { after } of diff.updated) expect(flawOf(after)).toBeUndefined();
    const cut = applied(house, diff);
    const before = styleSheet(house).paragraph;
    const now = styleSheet(cut).paragraph;
    expect(now.get('small')).toEqual(before.get('small'));
    expect(now.get('smallest')).toEqual(before.get('smallest'));
    expect(get(cut, 'paragraphStyle', 'small')).not.toHaveProperty('basedOn');
    expect(now.get('crosshead')!.leading).toBe(14);
    // What a style no longer says comes from its base again.
    const back = applied(house, setStyle(house, 'small', { size: undefined }));
    expect(styleSheet(back).paragraph.get('small')!.size).toBe(9);
  });

  it('are added, renamed, based on others and removed, and refuse what would break', () => {
    const added = applied(house, addStyle(house, 'body'));
    expect(all(added, 'paragraphStyle').at(-1)).toMatchObject({ name: 'Body 2', basedOn: 'body', properties: {} });
    expect(() => setStyleBase(house, 'body', 'smallest')).toThrow('Body cannot be based on Smallest: that would be a circle.');
    expect(() => setStyleBase(house, 'body', 'body')).toThrow('circle');
    expect(() => removeStyle(house, 'small')).toThrow('“Small” is used by “Smallest”. Choose what takes its place first.');
    const used = applied(house, {
      added: [textRecord('t', plainBody('smallest', 'Words'))],
      updated: [],
      removed: [],
      texts: [],
    });
    expect(() => removeStyle(used, 'smallest')).toThrow('“Smallest” is used by a text.');
    expect(applied(house, removeStyle(house, 'smallest')).records.has('smallest')).toBe(false);
    expect(() => renameStyle(house, 'small', 'Body')).toThrow('already');
    expect(() => renameStyle(house, 'small', ' ')).toThrow('needs a name');
    expect(() => setStyle(house, 'body', { size: 0 })).toThrow('from 1 to 2,000 pt');
    expect(() => setStyle(house, 'body', { leading: 0 })).toThrow('Leading');
    expect(get(applied(house, setStyle(house, 'caps', { tracking: 40 })), 'characterStyle', 'caps').properties).toEqual({
      letterCase: 'upper',
      tracking: 40,
    });
  });
});
