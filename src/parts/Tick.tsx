'use client';

interface TickProps {
  readonly label: string;
  readonly value: boolean;
  readonly onChange: (value: boolean) => void;
}

/** Something that is so or is not. */
export function Tick({ label, value, onChange }: TickProps) {
  return (
    <label className="flex cursor-pointer items-center gap-1.5 py-0.5">
      <input
        type="checkbox"
        className="accent-[var(--color-secondary)]"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />
      {label}
    </label>
  );
}
