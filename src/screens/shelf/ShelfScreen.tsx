'use client';

import { counted } from '@/core/records/count';
import { differenceInCalendarDays, format, parseISO } from 'date-fns';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { PublicationKind } from '@/core/records/publicationKind';
import { isFrequency } from '@/core/plan/recurrence';
import { KiteMark } from '@/parts/KiteMark';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { anchorOf } from '../frame/anchors';
import { Cover, useTurns } from './Cover';
import { BringBundle } from './BringBundle';
import { Keeping, Removed } from './Keeping';
import { NewPublication } from './NewPublication';
import { NextIssue } from './NextIssue';
import { StartingPoints } from './StartingPoints';
import { type ShelfWork, WayBack, Work } from './Work';

interface ShelfIssue {
  readonly id: string;
  readonly name: string;
  readonly number: string;
  readonly season: string;
  readonly named: string;
  readonly date: string;
  readonly pages: number;
  readonly shape: number;
  readonly cover: 'now' | 'earlier' | null;
}

export interface ShelfPublication {
  readonly id: string;
  readonly name: string;
  readonly kind: string;
  readonly frequency: string;
  readonly house: string | undefined;
  readonly language: string;
  readonly issues: readonly ShelfIssue[];
  /** Of the issue that comes out next. */
  readonly work: ShelfWork | undefined;
}

/** The first screen: the publications and their issues. */
export function ShelfScreen({
  publications,
  removed,
  today,
}: {
  publications: readonly ShelfPublication[];
  /** What was taken off the shelf, with where it is put back. */
  removed: readonly { readonly url: string; readonly name: string }[];
  today: string;
}) {
  const [asked, setAsked] = useState<{ readonly kind: PublicationKind } | { readonly issueOf: ShelfPublication } | 'bundle'>();
  const close = () => setAsked(undefined);
  const router = useRouter();
  const turns = useTurns();
  const { tools, dialogs } = useCommands({
    commands: [
      command('new', 'New publication', 'n', undefined, () => setAsked({ kind: 'magazine' })),
      command('bundle', 'Bring in a bundle …', undefined, undefined, () => setAsked('bundle')),
      ...publications.flatMap((publication) => [
        command(`next ${publication.id}`, `Start the next issue of ${publication.name}`, undefined, undefined, () =>
          setAsked({ issueOf: publication }),
        ),
        ...(publication.house
          ? [
              command(`house ${publication.id}`, `Open the house of ${publication.name}`, undefined, undefined, () =>
                router.push(`/houses/${publication.house}/grid`),
              ),
            ]
          : []),
        ...publication.issues.map(({ id, name }) =>
          command(`issue ${id}`, `Open ${publication.name} ${name}`, undefined, undefined, () =>
            router.push(`/issues/${id}/pages`),
          ),
        ),
      ]),
    ],
  });
  return (
    <div className="flex min-h-full flex-col">
      <header className="border-base-300 bg-base-100 flex h-11 items-center gap-2 border-b px-3">
        <KiteMark />
        <h1 className="font-semibold">Shelf</h1>
        <button type="button" className="btn btn-ghost btn-sm ml-auto" onClick={() => setAsked('bundle')}>
          Bring in a bundle
        </button>
        <button type="button" className="btn btn-sm" onClick={() => setAsked({ kind: 'magazine' })}>
          New publication
        </button>
        {tools}
      </header>
      <main className="mx-auto w-full max-w-7xl px-8 py-8">
        {publications.length === 0 && <StartingPoints onChoose={(kind) => setAsked({ kind })} />}
        {publications.map((publication) => (
          <section
            key={publication.id}
            aria-label={publication.name}
            id={anchorOf(publication.name)}
            className="border-base-300 grid grid-cols-[15rem_1fr_16rem] gap-10 border-t py-6 first:border-t-0"
          >
            <div>
              <h2
                style={{ fontFamily: 'SourceSerif4-900' }}
                className={`leading-none tracking-tight ${publication.name.length > 10 ? 'text-[1.9rem]' : 'text-[2.6rem]'}`}
              >
                {publication.name}
              </h2>
              <p className="pt-2 opacity-75">
                {capital(publication.kind)}, {publication.frequency}
              </p>
              {publication.house && (
                <p className="pt-1">
                  <Link href={`/houses/${publication.house}/grid`} className="link">
                    House
                  </Link>
                </p>
              )}
              <Keeping
                url={`/api/publications/${publication.id}`}
                title={publication.name}
                fields={[{ field: 'name', label: 'Name', value: publication.name }]}
                words="The house and new issues take it. Issues that have been started keep the name they have; rename them to change it."
              />
              {publication.issues[0] && <Next issue={nextOut(publication.issues, today)} today={today} />}
              {publication.house && (
                <button
                  type="button"
                  className="btn btn-primary btn-sm mt-3 font-semibold"
                  onClick={() => setAsked({ issueOf: publication })}
                >
                  {publication.issues.length > 0 ? 'Start the next issue' : 'Start the first issue'}
                </button>
              )}
            </div>
            <ul className="flex flex-wrap gap-7">
              {publication.issues.map((issue) => (
                <li key={issue.id}>
                  <Link href={`/issues/${issue.id}/pages`} className="group block w-[10.5rem]">
                    <Cover issue={issue} name={`Cover of ${publication.name} ${issue.name}`} turns={turns} />
                    <span className="block pt-2.5 font-semibold">{issue.name}</span>
                    <span className="narrow block opacity-75">
                      {issue.pages} pages, {format(parseISO(issue.date), 'd MMMM yyyy')}
                    </span>
                  </Link>
                  <Keeping
                    url={`/api/documents/${issue.id}/shelf`}
                    title={`${publication.name} ${issue.name}`}
                    fields={[
                      { field: 'number', label: 'Number', value: issue.number },
                      { field: 'season', label: 'Name', value: issue.season },
                      { field: 'publication', label: 'Publication name on its pages', value: issue.named },
                    ]}
                    words="What its pages show changes with it."
                  />
                </li>
              ))}
            </ul>
            {publication.work && <Work work={publication.work} today={today} />}
          </section>
        ))}
        <Removed list={removed} />
      </main>
      {asked === 'bundle' && <BringBundle onClose={close} />}
      {typeof asked === 'object' && 'kind' in asked && <NewPublication kind={asked.kind} onClose={close} />}
      {typeof asked === 'object' && 'issueOf' in asked && (
        <NextIssue
          publication={asked.issueOf}
          frequency={isFrequency(asked.issueOf.frequency) ? asked.issueOf.frequency : 'irregular'}
          issues={asked.issueOf.issues}
          onClose={close}
        />
      )}
      {dialogs}
    </div>
  );
}

/** Of issues the latest first: the first that is still to come out; the last, where none is. */
const nextOut = (issues: readonly ShelfIssue[], today: string): ShelfIssue =>
  issues.filter(({ date }) => date >= today).at(-1) ?? issues[0]!;

function Next({ issue, today }: { issue: ShelfIssue; today: string }) {
  const days = differenceInCalendarDays(parseISO(issue.date), parseISO(today));
  const when =
    days > 1 ? `in ${counted(days, 'day')}` : days === 1 ? 'tomorrow' : days === 0 ? 'today' : `${counted(-days, 'day')} ago`;
  return (
    <div className="pt-5">
      <p className="chapter">{days >= 0 ? 'Next out' : 'Last out'}</p>
      <p className="font-semibold">
        {format(parseISO(issue.date), 'd MMMM yyyy')}, {when}
      </p>
      <WayBack issue={issue.id} name={issue.name} />
    </div>
  );
}

const capital = (word: string): string => word.charAt(0).toUpperCase() + word.slice(1);
