'use client';

import { languageName, LANGUAGES } from '@/core/records/language';
import { useMemo, useState } from 'react';
import { cmykToRgbHex } from '@/core/colour/cmyk';
import { FREQUENCIES } from '@/core/plan/recurrence';
import type { Design } from '@/core/plan/designs/design';
import { designOf, designsOf } from '@/core/plan/designs/index';
import { startingHouse } from '@/core/plan/startingHouse';
import { formatNumber, POINTS } from '@/core/length/length';
import type { PublicationKind } from '@/core/records/publicationKind';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';
import { Select } from '@/parts/Select';
import { OrderField, OrderForm } from './OrderForm';

const KINDS: readonly { readonly value: PublicationKind; readonly name: string; readonly frequency: string }[] = [
  { value: 'magazine', name: 'Magazine', frequency: 'quarterly' },
  { value: 'newsletter', name: 'Newsletter', frequency: 'monthly' },
  { value: 'newspaper', name: 'Newspaper', frequency: 'weekly' },
];

const OTHER = 'n a year';

/** What a publication begins with: the recurring pages of its kind's design, as they are ticked; or nothing but a grid. */
export function NewPublication({ kind: asked = 'magazine', onClose }: { kind?: PublicationKind; onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<PublicationKind>(asked);
  const [from, setFrom] = useState<'design' | 'blank'>('design');
  const [designId, setDesign] = useState<string>();
  const [palette, setPalette] = useState<'0' | '1' | '2'>('0');
  const [dropped, setDropped] = useState<ReadonlySet<string>>(new Set());
  const [frequency, setFrequency] = useState<string>(() => KINDS.find(({ value }) => value === asked)!.frequency);
  const [times, setTimes] = useState('10');
  const [language, setLanguage] = useState<(typeof LANGUAGES)[number]>('en-GB');
  const design = designOf(kind, designId);
  const pages = useMemo(() => designPages(design), [design]);
  const start =
    from === 'blank'
      ? { blank: true, design: design.id }
      : { design: design.id, palette: Number(palette), pages: pages.map(({ id }) => id).filter((id) => !dropped.has(id)) };
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
                  setDesign(undefined);
                  setDropped(new Set());
                  setFrequency(KINDS.find((each) => each.value === value)!.frequency);
                }}
              />
              <Choice
                label="Start with"
                value={from}
                of={[
                  { value: 'design', name: 'A design' },
                  { value: 'blank', name: 'Blank pages' },
                ]}
                onChange={setFrom}
              />
            </div>
            <Designs
              kind={kind}
              value={design}
              onChange={(id) => {
                setDesign(id);
                setDropped(new Set());
              }}
            />
            {from === 'design' && (
              <>
                <Palettes design={design} value={palette} onChange={setPalette} />
                <fieldset>
                  <legend className="text-2xs opacity-70">Recurring pages to take</legend>
                  <div className="flex flex-wrap gap-3 pt-1">
                    {pages.map(({ id, name: called }, i) => (
                      <label
                        key={`${design.id} ${id}`}
                        className={`block w-[7.3rem] cursor-pointer ${dropped.has(id) ? 'opacity-45' : ''}`}
                      >
                        <img
                          src={`/designs/${design.id}/${palette}/${i + 1}.png`}
                          alt={`${called} of the design ${design.name}`}
                          style={{ aspectRatio: design.width / design.height }}
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

/** The recurring pages of a design. */
const designPages = ({ kind, id }: Design) =>
  startingHouse(kind, 'en-GB', { design: id }).flatMap((record) =>
    record.kind === 'page' ? [{ id: record.id, name: record.name ?? '' }] : [],
  );

/** The designs of a kind, each by its first page, its name and what it is good for. */
function Designs({ kind, value, onChange }: { kind: PublicationKind; value: Design; onChange: (id: string) => void }) {
  return (
    <fieldset>
      <legend className="text-2xs opacity-70">Design</legend>
      <div className="flex gap-3 pt-1">
        {designsOf(kind).map((design) => (
          <label
            key={design.id}
            className={`has-focus-visible:outline-primary flex flex-1 cursor-pointer gap-2.5 border p-2 has-focus-visible:outline-2 ${design === value ? 'border-primary bg-base-200' : 'border-base-300'}`}
          >
            <input
              type="radio"
              name="design"
              className="sr-only"
              checked={design === value}
              onChange={() => onChange(design.id)}
              aria-label={design.name}
            />
            <img
              src={`/designs/${design.id}/0/1.png`}
              alt=""
              style={{ aspectRatio: design.width / design.height }}
              className="h-24 w-auto shrink-0 bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)]"
            />
            <span>
              <span className="block font-semibold">{design.name}</span>
              <span className="narrow block leading-snug opacity-75">{design.says}</span>
              <span className="narrow block pt-1 leading-snug opacity-75">
                {formatNumber(design.width / POINTS.mm, 0)} × {formatNumber(design.height / POINTS.mm, 0)} mm,{' '}
                {design.voice.display}
              </span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function Palettes({ design, value, onChange }: { design: Design; value: string; onChange: (palette: '0' | '1' | '2') => void }) {
  return (
    <Choice
      label="Palette"
      value={value}
      of={design.palettes.map(([name, colours], i) => ({
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
