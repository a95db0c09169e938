import { describe, expect, it } from 'vitest';
import { document } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { composerFor } from '../../../tests/support/faces';
import type { DocumentRecord } from '../records/index';
import { Composer } from './composer';
import type { BrokenItem } from './displayList/displayList';

/** Documents that nobody could have stored: they open all the same, and what can be composed is. */

/** What is left out: a document is nothing without its format and a master. */
const GROUND = new Set(['format', 'master']);

const NEEDED = new Set(['id', 'kind', 'body', 'on', 'box', 'content', 'wrap']);

async function composing() {
  const { shaper, composer } = await composerFor(document(...everything));
  const whole = composer.compose(document(...everything));
  return { whole, shaper, fresh: (...records: readonly DocumentRecord[]) => new Composer(shaper).compose(document(...records)) };
}

const brokenOn = (pages: readonly { readonly items: readonly { readonly type: string }[] }[]) =>
  pages.flatMap(({ items }) => items.filter((item): item is BrokenItem => item.type === 'broken'));

describe('a document that is broken', () => {
  it('is composed whatever is missing of it', async () => {
    const { whole, fresh } = await composing();
    for (const gone of everything) {
      if (GROUND.has(gone.id)) continue;
      const { pages } = fresh(...everything.filter(({ id }) => id !== gone.id));
      expect(pages, gone.id).toHaveLength(whole.pages.length - (gone.kind === 'page' ? 1 : 0));
      expect(brokenOn(pages), gone.id).toEqual([]);
    }
  });

  it('is composed whatever is said wrongly, and what that cannot be is shown in its place', async () => {
    const { whole, fresh } = await composing();
    let broken = 0;
    for (const record of everything) {
      if (GROUND.has(record.id)) continue;
      // A body is mended when it is read: its words are kept. A frame without its place or content is none.
      for (const key of Object.keys(record).filter((each) => !NEEDED.has(each))) {
        for (const value of [undefined, 'x', {}]) {
          const wrong = { ...record, [key]: value } as unknown as DocumentRecord;
          const { pages } = fresh(...everything.map((each) => (each.id === record.id ? wrong : each)));
          const items = brokenOn(pages);
          expect(pages.length, `${record.id}.${key}`).toBeGreaterThanOrEqual(whole.pages.length - 1);
          expect(items.every(({ why, box }) => why !== '' && box !== undefined)).toBe(true);
          broken += items.length;
        }
      }
    }
    expect(broken).toBeGreaterThan(5);
  }, 60_000);

  it('is whole again when it is mended, with the same composer', async () => {
    const { whole, shaper } = await composing();
    const composer = new Composer(shaper);
    const wrong = everything.map((each) =>
      each.id === 'ink' ? ({ ...each, cmyk: undefined } as unknown as DocumentRecord) : each,
    );
    expect(brokenOn(composer.compose(document(...wrong)).pages).length).toBeGreaterThan(3);
    const mended = composer.compose(document(...everything));
    expect(brokenOn(mended.pages)).toEqual([]);
    expect(mended.pages.map(({ items }) => items.length)).toEqual(whole.pages.map(({ items }) => items.length));
  });
});
