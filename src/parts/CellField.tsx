'use client';

interface CellFieldProps {
  readonly label: string;
  readonly value: string;
  readonly most: number;
  readonly align?: 'left' | 'centre' | 'right' | undefined;
  /** The one of its dialog that is typed into first. */
  readonly first?: boolean;
  readonly onChange: (words: string) => void;
  /** Takes what is pasted over several cells; false leaves it to this one. */
  readonly onPaste: (words: string) => boolean;
}

const ALIGNED = { left: '', centre: 'text-center', right: 'text-right' } as const;

/** A cell of a table of fields, into which several may be pasted. */
export function CellField({ label, value, most, align = 'left', first = false, onChange, onPaste }: CellFieldProps) {
  return (
    <td className="border-base-300 border p-0">
      <input
        aria-label={label}
        data-first={first ? '' : undefined}
        className={`w-full bg-transparent px-1.5 py-1 outline-offset-[-2px] ${ALIGNED[align]}`}
        value={value}
        maxLength={most}
        onChange={(event) => onChange(event.target.value)}
        onPaste={(event) => {
          if (onPaste(event.clipboardData.getData('text/plain'))) event.preventDefault();
        }}
      />
    </td>
  );
}
