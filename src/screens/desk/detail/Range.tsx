'use client';

interface RangeProps {
  readonly name: string;
  readonly from: number;
  readonly to: number;
  readonly most: number;
  readonly onChange: (from: number, to: number) => void;
}

/** Two whole numbers, from and to. One that is typed stays; where the other would come on its wrong side, it goes along. */
export function Range({ name, from, to, most, onChange }: RangeProps) {
  const input = (label: string, value: number, set: (next: number) => void) => (
    <input
      key={value}
      aria-label={`${name}, ${label}`}
      type="number"
      min={1}
      max={most}
      defaultValue={value}
      className="field narrow w-full"
      onBlur={(event) => {
        const next = Math.round(Number(event.target.value));
        if (!Number.isFinite(next) || next < 1 || next > most) event.target.value = String(value);
        else if (next !== value) set(next);
      }}
      onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
    />
  );
  return (
    <div className="grid grid-cols-[4rem_1fr_auto_1fr] items-center gap-1.5">
      <span className="opacity-75">{name}</span>
      {input('from', from, (next) => onChange(next, Math.max(next, to)))}
      <span className="opacity-75">to</span>
      {input('to', to, (next) => onChange(Math.min(from, next), next))}
    </div>
  );
}
