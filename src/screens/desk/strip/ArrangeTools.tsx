'use client';

import {
  AlignCenterHorizontal,
  AlignCenterVertical,
  AlignEndHorizontal,
  AlignEndVertical,
  AlignHorizontalSpaceBetween,
  AlignStartHorizontal,
  AlignStartVertical,
  AlignVerticalSpaceBetween,
  ArrowLeftRight,
  type LucideIcon,
  MoveHorizontal,
  MoveVertical,
  Scaling,
} from 'lucide-react';
import { useState } from 'react';
import { AGAINST, type Against } from '@/core/actions/arranging';
import { LengthField } from '@/parts/LengthField';
import {
  AGAINST_WORDS,
  ALIGNMENTS,
  type Arrangement,
  MATCHES,
  SPACINGS,
  SWAP,
  type Terms,
  USUAL_TERMS,
} from '../frames/arrangements';
import type { FrameActions } from '../frames/frameActions';

const ICONS: Readonly<Record<string, LucideIcon>> = {
  'align-left': AlignStartVertical,
  'align-centre': AlignCenterVertical,
  'align-right': AlignEndVertical,
  'align-top': AlignStartHorizontal,
  'align-middle': AlignCenterHorizontal,
  'align-bottom': AlignEndHorizontal,
  'gaps-across': AlignHorizontalSpaceBetween,
  'gaps-down': AlignVerticalSpaceBetween,
  'match-width': MoveHorizontal,
  'match-height': MoveVertical,
  'match-both': Scaling,
  swap: ArrowLeftRight,
};

/** The widest gap that can be asked for, points. */
const MOST_GAP = 2_000;

interface ArrangeToolsProps {
  readonly actions: Pick<FrameActions, 'arrange' | 'previewArrangement'>;
  readonly count: number;
  /** A row in Detail, of one frame alone: it is aligned to what lies under it. */
  readonly alone?: boolean;
}

/** Frames laid on one line, set apart, sized and swapped; where the pointer rests on a tool, the page shows what it would do. */
export function ArrangeTools({ actions, count, alone = false }: ArrangeToolsProps) {
  const [terms, setTerms] = useState<Terms>(alone ? { ...USUAL_TERMS, against: 'area' } : USUAL_TERMS);
  const tool = (of: Arrangement) => (
    <Tool key={of.id} of={of} terms={terms} actions={actions} not={count < of.least ? 'Choose more frames' : undefined} />
  );
  const line = 'border-base-300 ml-1 flex items-center border-l pl-1';
  const targets = AGAINST.filter((each) => !alone || (each !== 'together' && each !== 'first'));
  return (
    <>
      <label className="narrow flex items-center gap-1 whitespace-nowrap">
        <span className="opacity-75">{alone ? 'Align to' : 'To'}</span>
        <select
          className="hover:bg-base-200 bg-base-100 h-7 px-1"
          aria-label="Aligned to"
          value={terms.against}
          onChange={(event) => setTerms({ ...terms, against: event.target.value as Against })}
        >
          {targets.map((each) => (
            <option key={each} value={each}>
              {alone && each === 'column' ? 'its columns' : AGAINST_WORDS[each]}
            </option>
          ))}
        </select>
      </label>
      <span className="flex items-center">{ALIGNMENTS.map(tool)}</span>
      {!alone && (
        <>
          <span className={line}>
            {SPACINGS.map(tool)}
            <span className="w-16 pl-1" title="The gap between each two; empty, the gaps become equal">
              <LengthField
                label="Gap"
                hideLabel
                value={terms.gap}
                none="equal"
                limits={{ type: 'length', unit: 'mm', least: -MOST_GAP, most: MOST_GAP }}
                onChange={(gap) => setTerms({ ...terms, gap })}
              />
            </span>
            {terms.gap !== undefined && (
              <button
                type="button"
                className="hover:bg-base-200 h-7 px-1.5"
                aria-label="Equal gaps instead of a stated one"
                title="Equal gaps instead of a stated one"
                onClick={() => setTerms({ ...terms, gap: undefined })}
              >
                =
              </button>
            )}
          </span>
          <span className={line}>{[...MATCHES, SWAP].map(tool)}</span>
        </>
      )}
    </>
  );
}

interface ToolProps {
  readonly of: Arrangement;
  readonly terms: Terms;
  readonly actions: ArrangeToolsProps['actions'];
  readonly not: string | undefined;
}

function Tool({ of, terms, actions, not }: ToolProps) {
  const Icon = ICONS[of.id]!;
  const preview = () => actions.previewArrangement(of, terms);
  const end = () => actions.previewArrangement(undefined, terms);
  return (
    <button
      type="button"
      className="hover:bg-base-200 flex h-7 items-center px-1.5 disabled:opacity-40"
      aria-label={of.name}
      title={not ? `${of.name}: ${not}` : of.name}
      disabled={not !== undefined}
      onPointerEnter={preview}
      onPointerLeave={end}
      onFocus={preview}
      onBlur={end}
      onClick={() => {
        end();
        actions.arrange(of, terms);
      }}
    >
      <Icon size={15} aria-hidden="true" />
    </button>
  );
}
