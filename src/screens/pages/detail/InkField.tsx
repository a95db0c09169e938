'use client';

import { cmykToRgbHex } from '@/core/colour/cmyk';
import { all, type Document } from '@/core/records/document';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';

interface Area {
  readonly swatch: string;
  readonly tint: number;
}

interface InkFieldProps {
  readonly label: string;
  readonly document: Document;
  readonly value: Area | undefined;
  /** What it is called when there is none; it then cannot be without where this is not said. */
  readonly none?: string;
  readonly onChange: (value: Area | undefined) => void;
}

/** A colour of the issue, and how much of it. */
export function InkField({ label, document, value, none, onChange }: InkFieldProps) {
  const swatches = all(document, 'swatch');
  const swatch = value && swatches.find(({ id }) => id === value.swatch);
  const [c, m, y, k] = (swatch?.cmyk ?? [0, 0, 0, 0]).map((share) => share * (value?.tint ?? 0)) as [
    number,
    number,
    number,
    number,
  ];
  const colour = value ? cmykToRgbHex([c, m, y, k]) : 'transparent';
  return (
    <div className="flex items-end gap-2">
      <span aria-hidden="true" className="border-base-300 mb-0.5 h-5 w-5 shrink-0 border" style={{ background: colour }} />
      <Select
        label={label}
        value={value?.swatch ?? ''}
        of={[
          ...(none === undefined ? [] : [{ value: '', name: none }]),
          ...swatches.map(({ id, name }) => ({ value: id, name })),
        ]}
        onChange={(id) => onChange(id === '' ? undefined : { swatch: id, tint: value?.tint ?? 1 })}
      />
      {value && (
        <div className="w-14 shrink-0">
          <NumberField
            label="Tint"
            value={Math.round(value.tint * 100)}
            unit="%"
            least={0}
            most={100}
            onChange={(tint) => onChange({ ...value, tint: tint / 100 })}
          />
        </div>
      )}
    </div>
  );
}
