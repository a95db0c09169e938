'use client';

interface ChoiceProps<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly of: readonly { readonly value: T; readonly name: string; readonly disabled?: boolean }[];
  readonly onChange: (value: T) => void;
}

/** One of a few, all in sight: the chosen one dark. */
export function Choice<T extends string>({ label, value, of, onChange }: ChoiceProps<T>) {
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-0.5">
      {of.map((each) => (
        <button
          key={each.value}
          type="button"
          role="radio"
          aria-checked={each.value === value}
          disabled={each.disabled}
          className={`btn btn-xs narrow px-2 font-medium ${each.value === value ? 'btn-secondary' : 'btn-ghost bg-base-content/5'}`}
          onClick={() => onChange(each.value)}
        >
          {each.name}
        </button>
      ))}
    </div>
  );
}
