import { Slice } from 'prosemirror-model';
import { describe, expect, it } from 'vitest';
import { paragraph } from '../../../tests/support/composed';
import { at } from '../../../tests/support/typing';
import { docOf, paragraphsOf, plainText } from '@/core/records/body';
import { documentOf } from '@/core/records/document';
import { pasting } from './clipboard';

const document = documentOf([
  { id: 'body', kind: 'paragraphStyle', name: 'Body', properties: {} },
  { id: 'crosshead', kind: 'paragraphStyle', name: 'Crosshead', properties: {} },
]);
const pasted = (html: string, plain: string, asPlain = false) => {
  const state = at(docOf([paragraph('body', 'Before.')]), { paragraph: 0, offset: 7 });
  const tr = pasting(document, { html, plain, slice: Slice.empty }, asPlain)(state);
  return tr && paragraphsOf(tr.doc).map((each) => [each.attrs['style'], plainText(each)]);
};

describe('what is pasted', () => {
  it('keeps its structure, or takes the look of where it comes to where it is asked to be plain', () => {
    const html = '<h2 style="color:red">Tides</h2><p>High at <b>four</b>.</p>';
    expect(pasted(html, 'Tides\nHigh at four.')).toEqual([
      ['body', 'Before.'],
      ['crosshead', 'Tides'],
      ['body', 'High at four.'],
    ]);
    expect(pasted(html, 'Tides\nHigh at four.', true)!.map(([style]) => style)).toEqual(['body', 'body']);
  });

  it('is refused in a sentence where it is more than a text can take: a clipboard of 50 MB', () => {
    const much = 'wind over the harbour '.repeat(2_300_000);
    expect(() => pasted('', much)).toThrow('The clipboard holds more than 20 million characters. Save them as a file');
    expect(() => pasted(`<p>${much}</p>`, '')).toThrow('more than 20 million characters');
  });
});
