import { addQuoteDesign, removeQuoteDesign, setQuoteDesign } from '@/core/actions/quotes';
import { all } from '@/core/records/document';
import { STANDS, type Stand } from '@/core/records/quoteDesign';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import type { ChapterTools } from '../HouseChapter';

const STAND_NAMES: Readonly<Record<Stand, string>> = {
  column: 'In columns',
  between: 'Between columns',
  picture: 'On a picture',
};

/** The designs of pull quotes: the style of their words, the finish of their frame, and where they stand. */
export function QuoteDesigns({ house, act, pressed }: ChapterTools) {
  const designs = all(house, 'quoteDesign');
  const set = (id: string, change: Parameters<typeof setQuoteDesign>[2]) =>
    act('Change a pull quote design', (now) => setQuoteDesign(now, id, change));
  return (
    <section aria-label="Pull quotes" className="pt-10">
      <h2 className="chapter pb-1">Pull quotes</h2>
      <p className="max-w-2xl pb-2 opacity-75">
        What a pull quote is made of. The first is the usual one; a quote on a page is given another beside it, under Design.
      </p>
      <ul>
        {designs.map((design) => (
          <li
            key={design.id}
            data-quote-design={design.id}
            className="border-base-300 flex flex-wrap items-end gap-x-3 gap-y-1 border-b py-2.5"
          >
            <div className="w-32">
              <WordsField label="Name" value={design.name} onChange={(name) => set(design.id, { name })} />
            </div>
            <div className="flex w-36">
              <Select
                label="Style of its words"
                value={design.style}
                of={all(house, 'paragraphStyle').map(({ id, name }) => ({ value: id, name }))}
                onChange={(style) => set(design.id, { style })}
              />
            </div>
            <div className="flex w-24">
              <Select
                label="Finish"
                value={design.finish ?? ''}
                of={[{ value: '', name: 'None' }, ...all(house, 'finish').map(({ id, name }) => ({ value: id, name }))]}
                onChange={(finish) => set(design.id, { finish: finish === '' ? undefined : finish })}
              />
            </div>
            <div className="flex w-32">
              <Select
                label="Stands"
                value={design.stand}
                of={STANDS.map((value) => ({ value, name: STAND_NAMES[value] }))}
                onChange={(stand) => set(design.id, { stand })}
              />
            </div>
            {design.stand === 'column' && (
              <div className="w-12">
                <NumberField
                  label="Across"
                  value={design.across}
                  least={1}
                  most={8}
                  whole
                  onChange={(across) => set(design.id, { across })}
                />
              </div>
            )}
            <button
              type="button"
              className="btn btn-xs ml-auto min-h-6"
              aria-label={`Remove ${design.name}`}
              onClick={() => pressed('Remove a pull quote design', (now) => removeQuoteDesign(now, design.id))}
            >
              Remove
            </button>
          </li>
        ))}
      </ul>
      <button type="button" className="btn btn-sm mt-4" onClick={() => pressed('Add a pull quote design', addQuoteDesign)}>
        Add a pull quote
      </button>
    </section>
  );
}
