'use client';

import { useId, useState, useSyncExternalStore } from 'react';
import type { DocumentStore, Opened } from '@/client/documentStore';
import { setDetail } from '@/core/actions/details';
import { DETAIL_NAMES, type DetailName, noDetails } from '@/core/records/details';
import { find } from '@/core/records/document';
import { Notices } from '@/parts/Notices';
import { FIELD_WORDS } from '../../frame/fieldWords';
import { SaveState } from '../../frame/SaveState';
import { TurnButtons } from '../../frame/TurnButtons';
import { useNotices } from '../../pages/useNotices';
import { HouseFrame } from '../HouseFrame';
import { useHouse } from '../useHouse';

interface DetailsScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** Facts of the publication, said once. */
export function DetailsScreen({ id, publication, opened }: DetailsScreenProps) {
  const store = useHouse(id, opened);
  if (store) return <Details id={id} publication={publication} store={store} />;
  return (
    <HouseFrame id={id} publication={publication} chapter="details">
      <p className="p-6 opacity-70" role="status">
        Opening the house …
      </p>
    </HouseFrame>
  );
}

const HINTS: Readonly<Record<DetailName, string>> = {
  strapline: 'One line under the nameplate',
  publisher: 'Who brings it out',
  address: 'Where letters go',
  contact: 'Telephone, e-mail, web',
  price: 'Of one copy, with its currency',
  staff: 'Editor, layout, pictures',
};

function Details({ id, publication, store }: { id: string; publication: string; store: DocumentStore }) {
  const { document, undo, redo } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const { notices, say, close } = useNotices();
  const details = find(document, 'details', 'details') ?? noDetails('en-GB');
  const turn = (how: 'undo' | 'redo') => {
    const done = how === 'undo' ? store.undo() : store.redo();
    if (done && 'refused' in done) say(done.refused, 'wrong');
  };
  return (
    <HouseFrame
      id={id}
      publication={publication}
      chapter="details"
      tools={
        <>
          <SaveState store={store} />
          <TurnButtons undo={undo} redo={redo} onTurn={turn} />
        </>
      }
    >
      <main className="bg-base-100 min-w-0 flex-1 overflow-auto px-10 py-7">
        <h1 className="text-lg font-semibold">Details of {publication}</h1>
        <p className="max-w-xl pt-1 pb-5 opacity-75">
          Said once here, and shown wherever a field asks for it: in a text on the page, choose it under “Field”. Issues that have
          begun keep what was said when they did.
        </p>
        <div className="grid max-w-2xl grid-cols-[9rem_1fr] gap-x-6 gap-y-4">
          {DETAIL_NAMES.map((name) => (
            <WordsField
              key={name}
              label={FIELD_WORDS[name]}
              hint={HINTS[name]}
              value={details[name]}
              onChange={(words) =>
                store.do(`Change the ${FIELD_WORDS[name].toLowerCase()}`, setDetail(store.document, name, words))
              }
            />
          ))}
        </div>
      </main>
      <Notices notices={notices} onClose={close} />
    </HouseFrame>
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
