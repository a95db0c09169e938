'use client';

import { languageName, LANGUAGES } from '@/core/records/language';
import { useMemo, useState } from 'react';
import { cmykToRgbHex } from '@/core/colour/cmyk';
import { FREQUENCIES } from '@/core/plan/recurrence';
import { palettesOf, startingHouse } from '@/core/plan/startingHouse';
import type { PublicationKind } from '@/core/records/publicationKind';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';
import { Select } from '@/parts/Select';
import { OrderField, OrderForm } from './OrderForm';

const KINDS: readonly {
  readonly value: PublicationKind;
  readonly name: string;
  readonly frequency: string;
  readonly words: string;
}[] = [
  {
    value: 'magazine',
    name: 'Magazine',
    frequency: 'quarterly',
    words: '210 × 276 mm, six columns, text over two of them, 9.5 on 12.5 pt.',
  },
  { value: 'newsletter', name: 'Newsletter', frequency: 'monthly', words: 'A4, three columns, 10 on 13 pt.' },
  { value: 'newspaper', name: 'Newspaper', frequency: 'weekly', words: '280 × 400 mm, six columns, 8.8 on 10.5 pt.' },
];

const OTHER = 'n a year';

/** What a publication begins with: the recurring pages of its kind's design, as they are ticked; or nothing but a grid. */
export function NewPublication({ kind: asked = 'magazine', onClose }: { kind?: PublicationKind; onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<PublicationKind>(asked);
  const [from, setFrom] = useState<'design' | 'blank'>('design');
  const [palette, setPalette] = useState<'0' | '1' | '2'>('0');
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [frequency, setFrequency] = useState<string>(() => KINDS.find(({ value }) => value === asked)!.frequency);
  const [times, setTimes] = useState('10');
  const [language, setLanguage] = useState<(typeof LANGUAGES)[number]>('en-GB');
  const own = KINDS.find(({ value }) => value === kind)!;
  const pages = useMemo(() => designPages(kind), [kind]);
  const start =
    from === 'blank'
      ? { blank: true }
      : { palette: Number(palette), pages: pages.map(({ id }) => id).filter((id) => !dropped.has(id)) };
  return (
    <Dialog title="New publication" size="wide" onClose={onClose}>
      <OrderForm<{ house: string }>
        title="New publication"
        words="It begins with a design of its kind, all of it yours to change, or with nothing but a grid."
        button="Add to the shelf"
        url="/api/publications"
        order={() => ({ name, kind, language, frequency: frequency === OTHER ? `${times} a year` : frequency, start })}
        goTo={({ house }) => `/houses/${house}/grid`}
        onClose={onClose}
      >
        {(wrong) => (
          <>
            <div className="flex gap-3">
              <OrderField label="Name" field="name" value={name} wrong={wrong} onChange={setName} />
              <Select
                label="Frequency"
                value={frequency}
                of={[...FREQUENCIES, OTHER].map((value) => ({ value, name: value[0]!.toUpperCase() + value.slice(1) }))}
                onChange={setFrequency}
              />
              {frequency === OTHER && (
                <OrderField label="Times a year" field="frequency" value={times} wrong={wrong} onChange={setTimes} />
              )}
              <Select
                label="Language"
                value={language}
                of={LANGUAGES.map((tag) => ({ value: tag, name: languageName(tag) }))}
                onChange={setLanguage}
              />
            </div>
            <div className="flex flex-wrap items-center gap-x-6 gap-y-2">
              <Choice
                label="Kind"
                value={kind}
                of={KINDS}
                onChange={(value) => {
                  setKind(value);
                  setDropped(new Set());
                  setFrequency(KINDS.find((each) => each.value === value)!.frequency);
                }}
              />
              <Choice
                label="Start with"
                value={from}
                of={[
                  { value: 'design', name: 'Its design' },
                  { value: 'blank', name: 'Blank pages' },
                ]}
                onChange={setFrom}
              />
              <p className="narrow w-full opacity-75">{own.words}</p>
            </div>
            {from === 'design' && (
              <>
                <Palettes kind={kind} value={palette} onChange={setPalette} />
                <fieldset>
                  <legend className="text-2xs opacity-70">Recurring pages to take</legend>
                  <div className="flex flex-wrap gap-3 pt-1">
                    {pages.map(({ id, name: called }, i) => (
                      <label key={id} className={`block w-[7.3rem] cursor-pointer ${dropped.has(id) ? 'opacity-45' : ''}`}>
                        <img
                          src={`/api/designs/${kind}/${palette}/${i + 1}`}
                          alt={`${called} of the ${own.name.toLowerCase()} design`}
                          className="h-auto w-full bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)]"
                        />
                        <span className="flex items-center gap-1.5 pt-1.5">
                          <input
                            type="checkbox"
                            className="checkbox checkbox-xs"
                            checked={!dropped.has(id)}
                            onChange={() => {
                              const next = new Set(dropped);
                              if (!next.delete(id)) next.add(id);
                              setDropped(next);
                            }}
                          />
                          <span className="narrow">{called}</span>
                        </span>
                      </label>
                    ))}
                  </div>
                </fieldset>
              </>
            )}
          </>
        )}
      </OrderForm>
    </Dialog>
  );
}

/** The recurring pages of a kind's design. */
const designPages = (kind: PublicationKind) =>
  startingHouse(kind, 'en-GB').flatMap((record) => (record.kind === 'page' ? [{ id: record.id, name: record.name ?? '' }] : []));

function Palettes({
  kind,
  value,
  onChange,
}: {
  kind: PublicationKind;
  value: string;
  onChange: (palette: '0' | '1' | '2') => void;
}) {
  return (
    <Choice
      label="Palette"
      value={value}
      of={palettesOf(kind).map(([name, colours], i) => ({
        value: String(i),
        name,
        sign: (
          <span className="flex" aria-hidden="true">
            {(['ink', 'accent1', 'accent2', 'tint'] as const).map((role) => (
              <span key={role} className="size-3.5" style={{ background: cmykToRgbHex(colours[role]) }} />
            ))}
          </span>
        ),
      }))}
      look={(isChosen) =>
        `mr-4 flex items-center gap-2 border-b-2 pb-1 ${isChosen ? 'border-primary font-semibold' : 'border-transparent opacity-80'}`
      }
      onChange={(which) => onChange(which as '0' | '1' | '2')}
    />
  );
}
