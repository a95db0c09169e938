'use client';

import { useId, useState } from 'react';
import type { Opened } from '@/client/documentStore';
import { setDetail } from '@/core/actions/details';
import { DETAIL_NAMES, type DetailName, noDetails } from '@/core/records/details';
import { find } from '@/core/records/document';
import { FIELD_WORDS } from '../../frame/fieldWords';
import { HouseChapter } from '../HouseChapter';

interface DetailsScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

const HINTS: Readonly<Record<DetailName, string>> = {
  strapline: 'One line under the nameplate',
  publisher: 'Who brings it out',
  address: 'Where letters go',
  contact: 'Telephone, e-mail, web',
  price: 'Of one copy, with its currency',
  staff: 'Editor, layout, pictures',
};

/** Facts of the publication, said once. */
export function DetailsScreen(props: DetailsScreenProps) {
  return (
    <HouseChapter {...props} chapter="details">
      {({ house, act }) => {
        const details = find(house, 'details', 'details') ?? noDetails('en-GB');
        return (
          <>
            <h1 className="text-lg font-semibold">Details of {props.publication}</h1>
            <p className="max-w-xl pt-1 pb-5 opacity-75">
              Said once here, and shown wherever a field asks for it: in a text on the page, choose it under “Field”. Issues that
              have begun keep what was said when they did.
            </p>
            <div className="grid max-w-2xl grid-cols-[9rem_1fr] gap-x-6 gap-y-4">
              {DETAIL_NAMES.map((name) => (
                <WordsField
                  key={name}
                  label={FIELD_WORDS[name]}
                  hint={HINTS[name]}
                  value={details[name]}
                  onChange={(words) => act(`Change the ${FIELD_WORDS[name].toLowerCase()}`, (now) => setDetail(now, name, words))}
                />
              ))}
            </div>
          </>
        );
      }}
    </HouseChapter>
  );
}

interface WordsFieldProps {
  readonly label: string;
  readonly hint: string;
  readonly value: string;
  readonly onChange: (words: string) => void;
}

/** Words that count when the field is left. */
function WordsField({ label, hint, value, onChange }: WordsFieldProps) {
  const [typed, setTyped] = useState<string>();
  const id = useId();
  const commit = () => {
    if (typed !== undefined && typed.trim() !== value) onChange(typed.trim());
    setTyped(undefined);
  };
  return (
    <>
      <label htmlFor={id} className="pt-1 font-medium">
        {label}
        <span className="narrow block font-normal opacity-70">{hint}</span>
      </label>
      <textarea
        id={id}
        rows={2}
        maxLength={2000}
        className="field resize-y self-start"
        value={typed ?? value}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={commit}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setTyped(undefined);
          if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) commit();
        }}
      />
    </>
  );
}
