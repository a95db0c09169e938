'use client';

/** A name being typed in its row: Enter or leaving keeps it, Esc does not. */
export function Naming({ of, onNamed }: { of: string; onNamed: (name: string | undefined) => void }) {
  return (
    <input
      aria-label={`Name of ${of}`}
      defaultValue={of}
      maxLength={400}
      className="bg-base-100 text-base-content min-w-0 flex-1 px-1"
      ref={(field) => field?.select()}
      onBlur={(event) => onNamed(event.target.value)}
      onKeyDown={(event) => {
        event.stopPropagation();
        if (event.key === 'Enter') onNamed(event.currentTarget.value);
        if (event.key === 'Escape') onNamed(undefined);
      }}
    />
  );
}
