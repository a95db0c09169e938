'use client';

import { all, type Document } from '@/core/records/document';
import { type Mapping, PART_TARGETS, type SourceName, type Target } from '@/formats/copy/story';

interface MappingTableProps {
  readonly document: Document;
  readonly names: readonly SourceName[];
  readonly mapping: Mapping;
  readonly onSay: (name: string, target: Target) => void;
}

const PART_WORDS: Readonly<Record<(typeof PART_TARGETS)[number], string>> = {
  headline: 'Headline',
  standfirst: 'Standfirst',
  byline: 'Byline',
  body: 'Running text',
  caption: 'Caption of the picture',
  credit: 'Credit of the picture',
  leave: 'Left out',
};

/** What each name of the source becomes in the house: a part of the story, or one of its styles. */
export function MappingTable({ document, names, mapping, onSay }: MappingTableProps) {
  const paragraphs = all(document, 'paragraphStyle');
  const letters = all(document, 'characterStyle');
  if (names.length === 0) return null;
  return (
    <section aria-label="Styles of the source">
      <h3 className="chapter pb-1">Styles of the source</h3>
      <ul>
        {names.map(({ name, of, count, sample, usual }) => {
          const value = mapping[name] ?? usual;
          const styles = of === 'letters' ? letters : paragraphs;
          return (
            <li key={`${of} ${name}`} className="border-base-300 border-t py-1.5 first:border-t-0">
              <label className="block" title={sample}>
                <span className="flex justify-between gap-2 leading-tight">
                  <span className="truncate font-semibold">{name}</span>
                  <span className="narrow tabular-nums opacity-75">{count.toLocaleString('en-GB')} ×</span>
                </span>
                <select
                  className="field narrow"
                  aria-label={`${name} becomes`}
                  value={value}
                  onChange={(event) => onSay(name, event.target.value as Target)}
                >
                  {of === 'paragraph' &&
                    PART_TARGETS.filter((target) => target !== 'leave').map((target) => (
                      <option key={target} value={target}>
                        {PART_WORDS[target]}
                      </option>
                    ))}
                  {styles.map((style) => (
                    <option key={style.id} value={`style:${style.id}`}>
                      {of === 'letters' ? style.name : `Style: ${style.name}`}
                    </option>
                  ))}
                  <option value="leave">{of === 'letters' ? 'As the text around it' : PART_WORDS.leave}</option>
                </select>
              </label>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
