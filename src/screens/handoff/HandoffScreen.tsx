'use client';

import { useState } from 'react';
import { fittingSignature } from '@/core/handoff/imposition';
import type { PagesToLay } from '@/core/handoff/pressPlan';
import { type Chosen, WAY_NAMES, WAYS, type WayName } from '@/core/handoff/ways';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { IssueHeader } from '../frame/IssueHeader';
import { ServerData } from '../frame/ServerData';
import { MadeEarlier } from './MadeEarlier';
import { type DeliveryView, isUnderWay, useDeliveries } from './useDeliveries';
import { inSentence, WayCard } from './WayCard';

export type { DeliveryView };

interface HandoffProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  readonly pages: PagesToLay | undefined;
  readonly deliveries: readonly DeliveryView[];
}

/** One card for each way out, and what was made before. */
export function HandoffScreen(props: HandoffProps) {
  return (
    <ServerData>
      <Cards {...props} />
    </ServerData>
  );
}

type AllChosen = Readonly<Record<WayName, Chosen>>;

/** What each way begins with: as it was made last, else as is usual. */
const firstChosen = (deliveries: readonly DeliveryView[], pages: number): AllChosen =>
  Object.fromEntries(
    WAY_NAMES.map((way) => {
      const last = deliveries.find(({ options }) => options.way === way)?.options.choices;
      const own = way === 'sheets' ? { signature: fittingSignature(pages) } : {};
      return [way, { way, choices: { ...WAYS[way].usual, ...own, ...last } }];
    }),
  ) as unknown as AllChosen;

function Cards({ id, publication, name, house, pages, deliveries: first }: HandoffProps) {
  const { deliveries, trouble, make, cancel, send } = useDeliveries(id, first);
  const [chosen, setChosen] = useState(() => firstChosen(first, pages?.count ?? 0));
  const isBusy = (way: WayName) => deliveries.some((each) => isUnderWay(each) && each.options.way === way);
  const choose = (way: WayName, key: string, value: unknown) =>
    setChosen((all) => ({ ...all, [way]: { way, choices: { ...all[way].choices, [key]: value } } }));
  const { tools, dialogs } = useCommands({
    commands: WAY_NAMES.map((way) =>
      command(way, `Make ${inSentence(WAYS[way].name)}`, undefined, isBusy(way) && 'It is being made', () => make(chosen[way])),
    ),
  });

  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="handoff" tools={tools} />
      {dialogs}
      <main className="flex-1 overflow-auto">
        <div className="mx-auto w-full max-w-6xl px-8 py-7">
          <h1 className="sr-only">Handoff</h1>
          {trouble && (
            <p role="alert" className="text-error pb-4">
              {trouble}
            </p>
          )}
          <div className="grid grid-cols-1 gap-6 lg:grid-cols-2">
            {WAY_NAMES.map((way) => (
              <WayCard
                key={way}
                issue={id}
                chosen={chosen[way]}
                pages={pages}
                isBusy={isBusy(way)}
                onChoose={(key, value) => choose(way, key, value)}
                onMake={() => make(chosen[way])}
              />
            ))}
          </div>
          <MadeEarlier issue={id} deliveries={deliveries} onCancel={cancel} onMake={make} onSend={send} />
        </div>
      </main>
    </div>
  );
}
