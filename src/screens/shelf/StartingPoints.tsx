'use client';

import { designsOf } from '@/core/plan/designs/index';
import type { PublicationKind } from '@/core/records/publicationKind';

/** What each kind is for, and what a first issue of it begins with. */
const KINDS: readonly { readonly kind: PublicationKind; readonly name: string; readonly words: string }[] = [
  {
    kind: 'magazine',
    name: 'A magazine',
    words:
      'Long stories over spreads, pictures to the edge of the paper. It begins with a cover, contents and places for features.',
  },
  {
    kind: 'newsletter',
    name: 'A newsletter',
    words: 'A few pages for people who know one another. It begins with a front page, letters and dates, ready to be filled.',
  },
  {
    kind: 'newspaper',
    name: 'A newspaper',
    words: 'Many stories on one page, which jump to others. It begins with a front page, news, letters and a back page.',
  },
];

const STEPS = [
  ['Choose a kind', 'and one of its three designs. Everything in it can be changed, whenever you like.'],
  ['Start an issue', 'of it. Number, date and pages are proposed.'],
  ['Fill it', 'A guide in the issue names the eight things that everybody does, in any order.'],
] as const;

/** The empty shelf: three kinds of publication, each by its first page, and how one comes from there to an issue. */
export function StartingPoints({ onChoose }: { onChoose: (kind: PublicationKind) => void }) {
  return (
    <section aria-label="Starting points">
      <h2 className="pb-1 text-lg font-semibold">No publication is on the shelf yet</h2>
      <p className="pb-6">Begin with one of these, or with blank pages.</p>
      <ul className="flex flex-wrap gap-10">
        {KINDS.map(({ kind, name, words }) => {
          const [design] = designsOf(kind);
          return (
            <li key={kind} className="w-64">
              <button type="button" className="group w-full text-left" onClick={() => onChoose(kind)}>
                <img
                  src={`/designs/${design!.id}/0/1.png`}
                  alt={`First page of the ${kind} design`}
                  style={{ aspectRatio: design!.width / design!.height }}
                  className="h-72 w-auto bg-white shadow-[0_1px_4px_rgb(20_33_61/0.3)] outline-2 outline-offset-2 outline-transparent group-hover:outline-[var(--color-primary)]"
                />
                <span className="block pt-3 text-base font-semibold">{name}</span>
                <span className="block pt-1 leading-snug opacity-75">{words}</span>
              </button>
            </li>
          );
        })}
      </ul>
      <ol className="border-base-300 mt-9 flex flex-wrap gap-10 border-t pt-5">
        {STEPS.map(([name, words], i) => (
          <li key={name} className="w-64">
            <span className="font-semibold">
              {i + 1}. {name}
            </span>{' '}
            <span className="opacity-75">{words}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
