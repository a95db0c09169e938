'use client';

import type { LengthKind, NumberKind, Option, Property, ValueKind } from '@/core/properties/property';
import { LengthField } from '../LengthField';
import { NumberField } from '../NumberField';
import { Select } from '../Select';
import { Tick } from '../Tick';
import { ADDRESS_WORDS, isAddress } from '@/core/properties/limits';
import { WordsField } from '../WordsField';
import type { Lengths } from '@/core/records/frame';
import { Choice } from '../Choice';
import { SidesField } from './SidesField';
import { type Choices, MIXED, type Values } from './values';

/** Values that are one: those that hold others are in `Fields.tsx`. */
export type OneKind = Exclude<ValueKind, { type: 'part' | 'list' }>;

export interface PropertyFieldProps<K extends ValueKind = OneKind> {
  readonly property: Property & { readonly kind: K };
  /** `MIXED` where the chosen things do not agree. */
  readonly value: unknown;
  /** All that the first of them says: what can be chosen may follow from it. */
  readonly values: Values;
  readonly choices: Choices;
  readonly onPreview?: ((value: unknown) => void) | undefined;
  readonly onChange: (value: unknown) => void;
}

/** The field of one property, as its kind asks for. */
export function PropertyField(props: PropertyFieldProps) {
  const { property, value, values, choices, onChange } = props;
  const { kind, label, help } = property;
  switch (kind.type) {
    case 'length':
    case 'number':
      return <Figure {...props} kind={kind} />;
    case 'choice':
      return kind.few ? (
        <Few label={label} help={help} bare={property.bare} value={value} of={kind.of} onChange={onChange} />
      ) : (
        <OneOf label={label} help={help} value={value} of={kind.of} onChange={onChange} />
      );
    case 'sides':
      return (
        <SidesField
          label={label}
          kind={kind.of}
          value={value === MIXED ? undefined : (value as Lengths)}
          onPreview={props.onPreview}
          onChange={onChange}
        />
      );
    case 'pick': {
      const of: Option<string | number | undefined>[] = [...(kind.none ? [kind.none] : []), ...choices(kind.of, values)];
      return <OneOf label={label} help={help} value={value} of={of} onChange={onChange} />;
    }
    case 'tick':
      return <Tick label={label} help={help} value={value === MIXED ? undefined : value === true} onChange={onChange} />;
    case 'words':
      return (
        <WordsField
          label={label}
          help={help}
          most={kind.most}
          lines={kind.lines ?? 1}
          value={typeof value === 'string' ? value : ''}
          onChange={(words) => onChange(words === '' && property.optional ? undefined : words)}
        />
      );
    case 'address':
      return (
        <WordsField
          label={label}
          help={help}
          most={kind.most}
          value={typeof value === 'string' ? value : ''}
          onChange={(words) => {
            const address = words.trim();
            if (address !== '' && !isAddress(address)) throw new RangeError(`${ADDRESS_WORDS}.`);
            onChange(address);
          }}
        />
      );
    case 'features':
      return (
        <WordsField
          label={label}
          help={help}
          value={Array.isArray(value) ? value.join(' ') : ''}
          onChange={(words) => onChange(words.split(/[\s,]+/).filter(Boolean))}
        />
      );
    case 'either':
      return <Either {...props} kind={kind} />;
  }
}

/** A length or a number, in the unit in which it is read. */
function Figure({ property, kind, value, onPreview, onChange }: PropertyFieldProps & { kind: LengthKind | NumberKind }) {
  const { label, help } = property;
  const figure = typeof value === 'number' ? value : undefined;
  if (kind.type === 'length')
    return (
      <LengthField
        label={label}
        help={help}
        unit={kind.unit}
        limits={kind}
        value={figure}
        onPreview={onPreview}
        onChange={onChange}
      />
    );
  const { times = 1, least, most, unit } = kind;
  return (
    <NumberField
      label={label}
      help={help}
      unit={unit ?? ''}
      least={least * times}
      most={most * times}
      whole={kind.whole ?? false}
      value={figure === undefined ? undefined : figure * times}
      onPreview={onPreview && ((shown) => onPreview(shown === undefined ? undefined : shown / times))}
      onChange={(shown) => onChange(shown / times)}
    />
  );
}

interface OneOfProps {
  readonly label: string;
  readonly help?: string | undefined;
  readonly value: unknown;
  readonly of: readonly Option<string | number | null | undefined>[];
  readonly onChange: (value: unknown) => void;
}

/** A value as a control knows it, which knows strings only. */
const keyOf = (value: unknown): string => (value === MIXED ? MIXED_KEY : String(value ?? ''));
const MIXED_KEY = 'mixed';

const keyed = (of: OneOfProps['of']) => of.map(({ value, name }) => ({ value: keyOf(value), name }));

const chosenOf = (of: OneOfProps['of'], key: string): unknown => of.find(({ value }) => keyOf(value) === key)?.value;

/** One of a few values, all in sight. */
function Few({ label, help, value, of, bare = false, onChange }: OneOfProps & { bare?: boolean | undefined }) {
  return (
    <div>
      {!bare && (
        <span className="text-2xs opacity-70" title={help} aria-hidden="true">
          {label}
        </span>
      )}
      <Choice label={label} value={keyOf(value)} of={keyed(of)} onChange={(key) => onChange(chosenOf(of, key))} />
    </div>
  );
}

/** One of some values of any kind. */
function OneOf({ value, of, onChange, ...rest }: OneOfProps) {
  const own = of.find((each) => each.value === value);
  const other = value === MIXED ? 'Mixed' : 'No longer there';
  const select = (
    <Select
      {...rest}
      value={keyOf(value)}
      of={[...(own ? [] : [{ value: keyOf(value), name: other, disabled: true }]), ...keyed(of)]}
      onChange={(key) => onChange(chosenOf(of, key))}
    />
  );
  if (own?.colour === undefined) return select;
  return (
    <div className="flex items-end gap-1.5">
      <span aria-hidden="true" className="border-base-300 mb-1 h-4 w-4 shrink-0 border" style={{ background: own.colour }} />
      {select}
    </div>
  );
}

const FIGURE = 'figure';

/** Some values by name, or else a figure. */
function Either({ property, kind, ...props }: PropertyFieldProps & { kind: Extract<OneKind, { type: 'either' }> }) {
  const { value, onChange } = props;
  const { label } = property;
  const figure = { label: `${label}, in figures`, kind: kind.or };
  return (
    <div className="flex items-end gap-2">
      <OneOf
        label={label}
        help={property.help}
        value={typeof value === 'number' ? FIGURE : value}
        of={[...kind.of, { value: FIGURE, name: kind.or.type === 'length' ? 'Fixed' : 'A number' }]}
        onChange={(next) => onChange(next === FIGURE ? kind.usual : next)}
      />
      {typeof value === 'number' && <PropertyField {...props} property={figure} />}
    </div>
  );
}
