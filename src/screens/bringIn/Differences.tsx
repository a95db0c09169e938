'use client';

import type { Node } from 'prosemirror-model';
import type { Difference } from '@/core/editing/comparing';
import { docOf, paragraphsOf, plainText } from '@/core/records/body';
import { counted } from '@/core/records/count';

interface DifferencesProps {
  readonly differences: readonly Difference[];
  readonly refused: ReadonlySet<number>;
  readonly onToggle: (index: number) => void;
}

/** What a file says otherwise than the story that came in it before: each difference is taken or left. */
export function Differences({ differences, refused, onToggle }: DifferencesProps) {
  return (
    <section aria-label="What is different" className="min-w-0 flex-1 overflow-auto px-5 py-5">
      <h3 className="chapter pb-2">What is different</h3>
      {differences.length === 0 ? (
        <p className="text-success">The file says what the story says.</p>
      ) : (
        <p className="pb-2 opacity-75">{counted(differences.length, 'difference')}. Untick what the story is to keep.</p>
      )}
      <ul>
        {differences.map(({ before, after }, i) => (
          <li key={i} className="border-base-300 border-t py-2">
            <label className="flex gap-3">
              <input
                type="checkbox"
                className="checkbox checkbox-sm mt-0.5"
                checked={!refused.has(i)}
                onChange={() => onToggle(i)}
                aria-label={`Take difference ${i + 1}`}
              />
              <span className="grid min-w-0 flex-1 grid-cols-2 gap-4">
                <Side title="The story" blocks={before} />
                <Side title="The file" blocks={after} />
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Side({ title, blocks }: { title: string; blocks: readonly Node[] }) {
  const words = blocks.length > 0 ? paragraphsOf(docOf(blocks)).map(plainText) : [];
  return (
    <span className="min-w-0">
      <span className="narrow block opacity-75">{title}</span>
      {words.length === 0 && <em className="opacity-75">nothing</em>}
      {words.map((each, i) => (
        <span key={i} className="block pb-1">
          {each}
        </span>
      ))}
    </span>
  );
}
