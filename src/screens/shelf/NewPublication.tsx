'use client';

import { useState } from 'react';
import { FREQUENCIES } from '@/core/plan/recurrence';
import type { PublicationKind } from '@/core/plan/startingHouse';
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

/** Languages whose hyphenation there is. */
const LANGUAGES = [
  { value: 'en-GB', name: 'English (British)' },
  { value: 'en-US', name: 'English (American)' },
  { value: 'de', name: 'German' },
  { value: 'fr', name: 'French' },
] as const;

const OTHER = 'n a year';

/** Asks what kind of publication it shall be. */
export function NewPublication({ onClose }: { onClose: () => void }) {
  const [name, setName] = useState('');
  const [kind, setKind] = useState<PublicationKind>('magazine');
  const [frequency, setFrequency] = useState<string>('quarterly');
  const [times, setTimes] = useState('10');
  const [language, setLanguage] = useState<(typeof LANGUAGES)[number]['value']>('en-GB');
  const own = KINDS.find(({ value }) => value === kind)!;
  return (
    <Dialog title="New publication" onClose={onClose}>
      <OrderForm<{ house: string }>
        title="New publication"
        words="It begins with a plain design of its kind, which is yours to change."
        button="Put it on the shelf"
        url="/api/publications"
        order={() => ({ name, kind, language, frequency: frequency === OTHER ? `${times} a year` : frequency })}
        goTo={({ house }) => `/houses/${house}/grid`}
        onClose={onClose}
      >
        {(wrong) => (
          <>
            <OrderField label="Name" field="name" value={name} wrong={wrong} onChange={setName} />
            <div>
              <Choice
                label="Kind"
                value={kind}
                of={KINDS}
                onChange={(value) => {
                  setKind(value);
                  setFrequency(KINDS.find((each) => each.value === value)!.frequency);
                }}
              />
              <p className="narrow pt-1.5 opacity-75">{own.words}</p>
            </div>
            <div className="flex gap-3">
              <Select
                label="Comes out"
                value={frequency}
                of={[...FREQUENCIES, OTHER].map((value) => ({ value, name: value[0]!.toUpperCase() + value.slice(1) }))}
                onChange={setFrequency}
              />
              {frequency === OTHER && (
                <OrderField label="Times a year" field="frequency" value={times} wrong={wrong} onChange={setTimes} />
              )}
              <Select label="Language" value={language} of={LANGUAGES} onChange={setLanguage} />
            </div>
          </>
        )}
      </OrderForm>
    </Dialog>
  );
}
