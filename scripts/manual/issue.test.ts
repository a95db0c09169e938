import { describe, expect, it } from 'vitest';
import { pictureRecord } from '../../tests/support/documents';
import { composerFor } from '../../tests/support/faces';
import { all, documentOf } from '@/core/records/document';
import { CHAPTERS, manual, MANUAL_HOUSE } from './issue';

/** The manual as it is laid out, with blank pictures of the screen and made-up keys. */
async function laid() {
  const { composer } = await composerFor(documentOf(MANUAL_HOUSE));
  const files = ['front.jpg', 'cover.jpg', ...CHAPTERS.map(([, picture]) => picture)];
  const pictures = new Map(
    files.map((file) => [
      file,
      { ...pictureRecord(file), width: 1600, height: 1000, caption: 'What is seen.', alternative: 'A screen.' },
    ]),
  );
  const keys = Array.from({ length: 80 }, (_, i) => [`Alt+${i}`, `Does what is number ${i}`] as const);
  const document = await manual(pictures, composer, keys);
  const { composer: own } = await composerFor(document);
  return { document, composed: own.compose(document) };
}

describe('the manual', () => {
  it('has a page for each chapter and comes out even, with all of its words on its pages', async () => {
    const { document, composed } = await laid();
    expect(all(document, 'page')).toHaveLength(12);
    expect(all(document, 'story')).toHaveLength(CHAPTERS.length + 1);
    for (const [text, { oversetLines }] of composed.fits) expect(oversetLines, text).toBe(0);
  });
});
