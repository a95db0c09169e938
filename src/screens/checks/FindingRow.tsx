'use client';

import { memo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { Finding } from '@/core/checks/finding';
import { isDone, type Mend } from '@/core/checks/mends';
import { GRAVITY_WORDS } from '@/core/checks/report';
import type { FormatRecord } from '@/core/records/index';
import { SpotPicture } from './SpotPicture';

interface FindingRowProps {
  readonly finding: Finding;
  readonly composer: ComposerClient;
  readonly format: FormatRecord;
  readonly isChosen: boolean;
  /** Of the same rule, so many can be mended at once in the same way. */
  readonly alike: number;
  readonly onChoose: (key: string) => void;
  readonly onMend: (finding: Finding, mend: Mend) => void;
  readonly onMendAll: (finding: Finding) => void;
  readonly onAccept: (finding: Finding) => void;
  readonly onAskAgain: (finding: Finding) => void;
  readonly onShow: (finding: Finding) => void;
}

const TONES = { grave: 'text-error', fault: '', detail: '' } as const;

/** One finding: its place, what is wrong and what comes of it, and what can be done. */
export const FindingRow = memo(function FindingRow(props: FindingRowProps) {
  const { finding, composer, format, isChosen, alike, onChoose, onMend, onMendAll, onAccept, onAskAgain, onShow } = props;
  const { key, grave, words, effect, mends, accepted, at } = finding;
  const first = mends.find(isDone);
  return (
    <li
      data-finding={key}
      data-rule={finding.rule}
      data-grave={grave}
      tabIndex={isChosen ? 0 : -1}
      aria-label={`${GRAVITY_WORDS[grave]}: ${words}`}
      aria-current={isChosen || undefined}
      className={`border-base-300 flex gap-4 border-b px-5 py-3 outline-offset-[-3px] ${isChosen ? 'bg-primary/15' : 'hover:bg-base-200/60'} ${accepted === undefined ? '' : 'opacity-75'}`}
      onFocus={() => onChoose(key)}
      onPointerDown={() => onChoose(key)}
      onDoubleClick={() => onShow(finding)}
    >
      {at.page ? (
        <SpotPicture composer={composer} format={format} page={at.page} box={at.box} />
      ) : (
        <span className="w-24 shrink-0" aria-hidden="true" />
      )}
      <div className="min-w-0 flex-1">
        <p className={`leading-snug font-semibold ${TONES[grave]}`}>
          {grave === 'grave' && (
            <span className="mr-1.5 inline-block size-2 rounded-full bg-current align-middle" aria-hidden="true" />
          )}
          {words}
        </p>
        <p className="leading-snug opacity-80">{effect}</p>
        {accepted !== undefined && <p className="pt-0.5 leading-snug italic">Accepted: {accepted}</p>}
      </div>
      <div className="flex w-52 shrink-0 flex-col items-stretch gap-1">
        {accepted === undefined ? (
          <>
            {mends.map((mend, i) => (
              <button
                key={i}
                type="button"
                className={`btn btn-xs h-auto min-h-6 justify-center py-0.5 leading-tight font-semibold whitespace-normal ${mend === (first ?? mends[0]) && isChosen ? 'btn-primary' : ''}`}
                onClick={() => onMend(finding, mend)}
              >
                {mend.name}
              </button>
            ))}
            {first && alike > 1 && isChosen && (
              <button
                type="button"
                className="btn btn-xs h-auto min-h-6 py-0.5 leading-tight whitespace-normal"
                onClick={() => onMendAll(finding)}
              >
                Mend all {alike} of this kind
              </button>
            )}
            <span className="flex justify-end gap-3 pt-0.5">
              {at.page && (
                <button type="button" className="link link-hover narrow" onClick={() => onShow(finding)}>
                  Show on the page
                </button>
              )}
              <button type="button" className="link link-hover narrow" onClick={() => onAccept(finding)}>
                Accept …
              </button>
            </span>
          </>
        ) : (
          <button type="button" className="btn btn-ghost btn-xs" onClick={() => onAskAgain(finding)}>
            Ask again
          </button>
        )}
      </div>
    </li>
  );
});
