'use client';

import type { ReactNode } from 'react';
import Link from 'next/link';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { isCounted } from '@/core/checks/finding';
import { useSetting } from '../sheet/useSetting';
import { Crumbs } from './Crumbs';
import { Guide } from './guide/Guide';
import { SaveState } from './SaveState';

/** The places of an issue that there are, in the order of the work. */
const PLACES = [
  { name: 'Plan', path: 'plan' },
  { name: 'Copy', path: 'copy' },
  { name: 'Pages', path: 'pages' },
  { name: 'Checks', path: 'checks' },
  { name: 'Handoff', path: 'handoff' },
] as const;

export type IssuePlace = (typeof PLACES)[number]['path'];

interface IssueHeaderProps {
  readonly document: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  readonly place: IssuePlace;
  readonly store?: DeskStore;
  /** Where the issue is composed, it is checked too: how much was found stands at the word. */
  readonly composer?: ComposerClient;
  /** Undo, redo and the commands of the place. */
  readonly tools?: ReactNode;
}

export function IssueHeader({ document, publication, name, house, place, store, composer, tools }: IssueHeaderProps) {
  return (
    <header className="border-base-300 bg-base-100 flex h-11 shrink-0 items-center gap-4 border-b px-3">
      <Crumbs publication={publication} here={name} />
      <nav aria-label="Places of the issue" className="ml-6 flex h-full gap-1">
        {PLACES.map((each) => (
          <Link
            key={each.path}
            href={`/issues/${document}/${each.path}`}
            // A place is large: it is fetched when somebody goes there.
            prefetch={false}
            aria-current={each.path === place ? 'page' : undefined}
            className={`flex h-full items-center border-b-[3px] px-3 pt-[3px] font-medium ${each.path === place ? 'border-primary font-bold' : 'border-transparent opacity-75 hover:opacity-100'}`}
          >
            {each.name}
            {each.path === 'checks' && composer && <Found composer={composer} />}
          </Link>
        ))}
        {house && (
          <Link
            href={`/houses/${house}/grid`}
            prefetch={false}
            className="border-base-300 my-2.5 ml-2 flex items-center border-l pl-5 font-medium opacity-75 hover:opacity-100"
          >
            House
          </Link>
        )}
      </nav>
      <div className="ml-auto flex items-center gap-1">
        {store && composer && <Guide issue={document} place={place} store={store} composer={composer} />}
        {store && <SaveState store={store} />}
        {tools}
      </div>
    </header>
  );
}

/** How much was found that nobody has accepted, details left out. */
function Found({ composer }: { composer: ComposerClient }) {
  const checked = useSetting(composer, (setting) => setting.checked);
  const open = (checked?.findings ?? []).filter(isCounted);
  if (open.length === 0) return null;
  const isGrave = open.some(({ grave }) => grave === 'grave');
  return (
    <span
      className="ml-1.5 flex items-center gap-1 font-semibold"
      aria-label={`${open.length} to look at`}
      data-open-findings={open.length}
    >
      {open.length}
      {isGrave && <span className="bg-error size-1.5 rounded-full" aria-hidden="true" />}
    </span>
  );
}
