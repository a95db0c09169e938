'use client';

import { dayTyped, dayWords } from '@/core/records/dayWords';
import { useCommitted } from './useCommitted';

interface DayFieldProps {
  readonly id?: string | undefined;
  readonly label?: string | undefined;
  /** ISO 8601, or `''` for none. */
  readonly value: string;
  /** BCP 47: days are read and written as its speakers do. */
  readonly language: string;
  readonly width?: string | undefined;
  readonly describedBy?: string | undefined;
  readonly onChange: (day: string) => void;
}

/** A field for a day, in words; it takes words, figures or ISO 8601. */
export function DayField({ id, label, value, language, width, describedBy, onChange }: DayFieldProps) {
  const { typed, wrong, type, commit, onKeyDown, atRest } = useCommitted((words) => {
    if (words.trim() === '') return void (value !== '' && onChange(''));
    const day = dayTyped(words, language);
    if (day === undefined) throw new Error('That date does not exist.');
    if (day !== value) onChange(day);
  });
  return (
    <>
      <input
        id={id}
        aria-label={label}
        className="field narrow"
        style={width === undefined ? undefined : { width }}
        value={typed ?? dayWords(value, language)}
        placeholder={dayWords('2026-12-03', language)}
        aria-invalid={wrong !== undefined}
        aria-describedby={describedBy}
        onFocus={(event) => event.target.select()}
        onChange={(event) => type(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        {...atRest}
      />
      {wrong && (
        <span role="alert" className="text-2xs text-error block">
          {wrong}
        </span>
      )}
    </>
  );
}
