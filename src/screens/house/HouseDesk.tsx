'use client';

import { useCallback, useMemo } from 'react';
import type { DeskStore } from '@/client/deskStore';
import type { Opened } from '@/client/documentStore';
import { deskPage, mastersDesk, recurringDesk } from '@/core/page/houseDesk';
import { mastersOf } from '@/core/page/pages';
import { SaveState } from '../frame/SaveState';
import type { DeskPlace } from '../desk/deskPlace';
import { DeskScreen } from '../desk/DeskScreen';
import { ChapterList, HouseFrame, HouseHeader } from './HouseFrame';

interface HouseDeskProps {
  readonly id: string;
  readonly publication: string;
  readonly chapter: 'masters' | 'recurring';
  readonly opened: Opened;
}

const TITLES = { masters: 'masters', recurring: 'recurring pages' } as const;

/** A house's masters or recurring pages on the desk, edited as an issue's pages are. */
export function HouseDesk({ id, publication, chapter, opened }: HouseDeskProps) {
  const view = useMemo(
    () => (chapter === 'masters' ? mastersDesk(publication) : recurringDesk(publication)),
    [chapter, publication],
  );
  const placeOf = useCallback(
    (store: DeskStore): DeskPlace => ({
      document: id,
      kind: chapter,
      // The master that most pages are on lies there first.
      at: chapter === 'masters' ? deskPage(mastersOf(store.whole)[0]!.id, 'right') : undefined,
      title: `${publication}: ${TITLES[chapter]}`,
      header: (tools) => (
        <HouseHeader publication={publication}>
          <SaveState store={store} />
          {tools}
        </HouseHeader>
      ),
      side: <ChapterList id={id} chapter={chapter} />,
    }),
    [id, publication, chapter],
  );
  const waiting = (
    <HouseFrame id={id} publication={publication} chapter={chapter}>
      <p className="p-6 opacity-70" role="status">
        Laying out the desk …
      </p>
    </HouseFrame>
  );
  return <DeskScreen id={id} opened={opened} view={view} placeOf={placeOf} waiting={waiting} />;
}
