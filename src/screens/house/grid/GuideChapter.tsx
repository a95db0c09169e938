'use client';

import { X } from 'lucide-react';
import { useState } from 'react';
import { formatNumber, parseLength } from '@/core/length/length';
import { evenGuides } from '@/core/page/grid';
import type { Guide } from '@/core/records/master';
import { Choice } from '@/parts/Choice';
import { Group } from '@/parts/fields/Group';
import { lengthWords, units } from '@/parts/units';
import type { GridChapterProps } from './chapter';

/** Lines to lay things along: by lengths, by shares, in even parts. */
export function GuideChapter({ master, actions, pressed }: GridChapterProps) {
  const guides = master.guides ?? [];
  const [direction, setDirection] = useState<Guide['direction']>('upright');
  const [within, setWithin] = useState<Guide['within']>('page');
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string>();
  const put = (more: readonly Guide[]) => actions.grid({ guides: [...guides, ...more] });
  const add = () => {
    try {
      put([{ direction, within, at: readPlace(typed) }]);
      setTyped('');
      setWrong(undefined);
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <Group name="Guides" now={guides.length === 0 ? 'none' : String(guides.length)} folded>
      <Choice
        label="Direction"
        value={direction}
        of={[
          { value: 'upright', name: 'Vertical' },
          { value: 'level', name: 'Horizontal' },
        ]}
        onChange={setDirection}
      />
      <Choice
        label="Measured from"
        value={within}
        of={[
          { value: 'page', name: 'The page' },
          { value: 'area', name: 'The type area' },
        ]}
        onChange={setWithin}
      />
      <div className="flex flex-wrap gap-1">
        {([2, 3, 4] as const).map((parts) => (
          <button
            key={parts}
            type="button"
            className="btn btn-xs"
            onClick={() => pressed(() => put(evenGuides(direction, within, parts)))}
          >
            {parts === 2 ? 'Half' : parts === 3 ? 'Thirds' : 'Quarters'}
          </button>
        ))}
      </div>
      <form
        className="flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          add();
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="text-2xs block opacity-70">At a length or percentage (30 mm, 25 %)</span>
          <input
            className="field narrow"
            value={typed}
            aria-invalid={wrong !== undefined}
            onChange={(event) => setTyped(event.target.value)}
          />
        </label>
        <button type="submit" className="btn btn-xs">
          Add
        </button>
      </form>
      {wrong && (
        <p role="alert" className="text-2xs text-error">
          {wrong}
        </p>
      )}
      <ul>
        {guides.map((guide, i) => (
          <li key={i} className="flex items-center gap-2">
            <span className="flex-1">{guideWords(guide)}</span>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square"
              aria-label={`Remove the guide ${guideWords(guide)}`}
              onClick={() => pressed(() => actions.grid({ guides: guides.filter((_, k) => k !== i) }))}
            >
              <X size={12} />
            </button>
          </li>
        ))}
      </ul>
    </Group>
  );
}

/** A length in any unit, or per cent. @throws RangeError or LengthError with a sentence */
function readPlace(typed: string): Guide['at'] {
  const share = /^\s*(\d+(?:[.,]\d+)?)\s*%\s*$/.exec(typed);
  if (!share) return { points: parseLength(typed, units.now()) };
  const value = Number(share[1]!.replace(',', '.')) / 100;
  if (value > 1) throw new RangeError('A percentage is between 0 and 100 %.');
  return { share: value };
}

function guideWords({ direction, within, at }: Guide): string {
  const place = 'share' in at ? `${formatNumber(100 * at.share, 1)} %` : lengthWords(at.points);
  return `${direction === 'upright' ? 'Vertical' : 'Horizontal'}, ${place}${within === 'area' ? ' of the type area' : ''}`;
}
