'use client';

import { Fragment, type ReactNode } from 'react';
import type { Property, Table, ValueKind } from '@/core/properties/property';
import { withArticle } from '@/core/records/count';
import { said } from '@/core/records/said';
import { Tick } from '../Tick';
import { Group } from './Group';
import { type OneKind, PropertyField, type PropertyFieldProps } from './PropertyField';
import { agreed, type Choices, MIXED, NO_CHOICES, type Values } from './values';

export interface FieldsProps {
  readonly table: Table;
  /** What each of the chosen things says: one field stands for all of them. */
  readonly of: readonly object[];
  /** What of the document's own can be chosen; nothing when not said. */
  readonly choices?: Choices;
  /** The headings that are unfolded from the first; without headings, all stand in one. */
  readonly unfolded?: readonly string[];
  /** Stands behind the field of a property, such as a way to take it back. */
  readonly beside?: (key: string, property: Property) => ReactNode;
  /** Told of values on the way, while they are typed or dragged; undefined ends it. */
  readonly onPreview?: ((key: string, value: unknown) => void) | undefined;
  /** @throws Error with a sentence where the value will not do; it is said at the field */
  readonly onChange: (key: string, value: unknown) => void;
}

/** The properties of whatever is chosen, one thing or many, each in its field under its heading. */
export function Fields({ unfolded, choices = NO_CHOICES, of: things, ...more }: FieldsProps) {
  const of = things as readonly Values[];
  const props = { ...more, of, choices };
  const groups = new Map<string, [string, Property][]>();
  const [first = {}] = of;
  for (const entry of Object.entries(props.table)) {
    if (entry[1].when && !entry[1].when(first)) continue;
    const name = entry[1].group ?? '';
    groups.set(name, [...(groups.get(name) ?? []), entry]);
  }
  return [...groups].map(([name, entries]) => {
    const fields = <FieldRows {...props} entries={entries} />;
    if (name === '' || !unfolded) return <Fragment key={name}>{fields}</Fragment>;
    return (
      <Group key={name} name={name} folded={!unfolded.includes(name)}>
        {fields}
      </Group>
    );
  });
}

interface RowsProps extends Omit<FieldsProps, 'unfolded' | 'table' | 'of' | 'choices'> {
  readonly of: readonly Values[];
  readonly choices: Choices;
  readonly entries: readonly (readonly [string, Property])[];
}

/** Two fields to a row, or three or four short figures; what needs more room has a row of its own. */
function FieldRows({ entries, of, choices, beside, onPreview, onChange }: RowsProps) {
  const figures = entries.every(([, { kind }]) => kind.type === 'number') ? entries.length : 0;
  const columns = figures === 3 ? 'grid-cols-3' : figures === 4 ? 'grid-cols-4' : 'grid-cols-2';
  return (
    <div className={`grid items-start gap-x-2 gap-y-1.5 ${columns}`}>
      {entries.map(([key, property]) => (
        <div key={key} className={`flex min-w-0 items-end gap-1 ${isWide(property) ? 'col-span-2' : ''}`}>
          <div className="min-w-0 flex-1">
            <AnyField
              property={property}
              value={agreed(of.map((each) => each[key]))}
              values={of[0] ?? {}}
              choices={choices}
              onPreview={onPreview && ((value) => onPreview(key, value))}
              onChange={(value) => onChange(key, value)}
            />
          </div>
          {beside?.(key, property)}
        </div>
      ))}
    </div>
  );
}

/** Letters of a tick's label that fit half a row. */
const SHORT = 14;

const isWide = ({ label, kind, wide }: Property): boolean =>
  wide === true || kind.type === 'part' || kind.type === 'list' || (kind.type === 'tick' && label.length > SHORT);

type Of<T extends ValueKind['type']> = PropertyFieldProps<Extract<ValueKind, { type: T }>>;

function AnyField(props: PropertyFieldProps<ValueKind>) {
  switch (props.property.kind.type) {
    case 'part':
      return <Part {...(props as Of<'part'>)} />;
    case 'list':
      return <List {...(props as Of<'list'>)} />;
    default:
      return <PropertyField {...(props as PropertyFieldProps<OneKind>)} />;
  }
}

/** Values that hang together: a tick says whether there are any, and their fields stand under it. */
function Part({ property, value, values, choices, onPreview, onChange }: Of<'part'>) {
  const { kind, label, help } = property;
  const own = value !== null && value !== undefined && value !== MIXED ? (value as Values) : undefined;
  const begin = () => {
    const usual: Record<string, unknown> = { ...kind.usual };
    // What must be named and is not there is the first there is.
    for (const [key, { kind: field, optional }] of Object.entries(kind.fields)) {
      if (field.type !== 'pick' || optional) continue;
      const there = choices(field.of, usual);
      if (!there.some((each) => each.value === usual[key])) usual[key] = there[0]?.value;
    }
    return usual;
  };
  return (
    <div role="group" aria-label={label}>
      {kind.none ? (
        <Tick
          label={label}
          help={help}
          value={value === MIXED ? undefined : own !== undefined}
          onChange={(on) => onChange(on ? begin() : null)}
        />
      ) : (
        <span className="text-2xs opacity-70" title={help}>
          {label}
        </span>
      )}
      {own && (
        <div className={kind.none ? 'border-base-300 ml-1.5 border-l pl-2.5' : ''}>
          <Fields
            table={kind.fields}
            of={[own]}
            choices={(of) => choices(of, { ...values, ...own })}
            onPreview={onPreview && ((key, to) => onPreview(to === undefined ? undefined : { ...own, [key]: to }))}
            onChange={(key, to) => onChange(said({ ...own, [key]: to }))}
          />
        </div>
      )}
    </div>
  );
}

/** Several of one kind, one under the other. */
function List({ property, value, values, choices, onPreview, onChange }: Of<'list'>) {
  const { kind, label, help } = property;
  const items = Array.isArray(value) ? (value as readonly Values[]) : [];
  return (
    <div role="group" aria-label={label}>
      <span className="text-2xs opacity-70" title={help}>
        {label}
        {value === MIXED && ': mixed'}
      </span>
      {items.map((item, i) => (
        <div key={i} className="border-base-300 mb-1.5 ml-1.5 border-l pl-2.5">
          <Fields
            table={kind.fields}
            of={[item]}
            choices={(of) => choices(of, { ...values, ...item })}
            onPreview={
              onPreview && ((key, to) => onPreview(to === undefined ? undefined : items.with(i, { ...item, [key]: to })))
            }
            onChange={(key, to) => onChange(items.with(i, said({ ...item, [key]: to })))}
          />
          <button
            type="button"
            className="btn btn-ghost btn-xs"
            aria-label={`Remove ${kind.item} ${i + 1}`}
            onClick={() => onChange(items.filter((_, j) => j !== i))}
          >
            Remove
          </button>
        </div>
      ))}
      <div>
        <button
          type="button"
          className="btn btn-xs"
          disabled={items.length >= kind.most}
          onClick={() => onChange([...items, { ...kind.usual }])}
        >
          Add {withArticle(kind.item)}
        </button>
      </div>
    </div>
  );
}
