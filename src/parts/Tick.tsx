'use client';

interface TickProps {
  readonly label: string;
  /** Undefined where several things are chosen that do not agree. */
  readonly value: boolean | undefined;
  readonly help?: string | undefined;
  readonly onChange: (value: boolean) => void;
}

/** Something that is so or is not. */
export function Tick({ label, value, help, onChange }: TickProps) {
  return (
    <label title={help} className="flex cursor-pointer items-center gap-1.5 py-0.5">
      <input
        type="checkbox"
        className="accent-[var(--color-secondary)]"
        ref={(box) => {
          if (box) box.indeterminate = value === undefined;
        }}
        checked={value ?? false}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
