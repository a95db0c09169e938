'use client';

import { useId } from 'react';
import { useCommitted } from '@/parts/useCommitted';
import { Wrong } from '@/parts/Wrong';

interface RangeProps {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly most: number;
  readonly onChange: (from: number, to: number) => void;
}

/** Two whole numbers, from and to. One that is typed stays; where the other would come on its wrong side, it goes along. */
export function Range({ name, from, to, most, onChange }: RangeProps) {
  return (
    <div className="grid grid-cols-[4rem_1fr_auto_1fr] items-baseline gap-1.5">
      <span className="opacity-75">{name}</span>
      <End label={`${name}, from`} value={from} most={most} onChange={(next) => onChange(next, Math.max(next, to))} />
      <span className="opacity-75">to</span>
      <End label={`${name}, to`} value={to} most={most} onChange={(next) => onChange(Math.min(from, next), next)} />
    </div>
  );
}

interface EndProps {
  readonly label: string;
  readonly value: number;
  readonly most: number;
  readonly onChange: (value: number) => void;
}

function End({ label, value, most, onChange }: EndProps) {
  const id = useId();
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => {
    const next = Number(words);
    if (!Number.isInteger(next) || next < 1 || next > most) throw new RangeError(`A whole number from 1 to ${most}.`);
    if (next !== value) onChange(next);
  });
  return (
    <div className="min-w-0">
      <input
        aria-label={label}
        aria-invalid={wrong !== undefined}
        aria-describedby={wrong ? `${id}-wrong` : undefined}
        type="number"
        min={1}
        max={most}
        className="field narrow w-full"
        value={typed ?? value}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
        {...atRest}
      />
      <Wrong field={id} wrong={wrong} />
    </div>
  );
}
