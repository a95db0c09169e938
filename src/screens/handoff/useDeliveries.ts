'use client';

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, got, taken } from '@/client/ask';
import type { CheckReport } from '@/core/checks/report';
import type { Chosen } from '@/core/handoff/ways';

/** What is to be made, and whether it is made although something grave was found. */
export type Order = Chosen & { readonly noticed?: boolean };

/** What became of a file at the print shop. */
export type SentView =
  | { readonly state: 'sending' }
  | { readonly state: 'accepted'; readonly shop: string; readonly job: string; readonly onPress: string }
  | {
      readonly state: 'refused';
      readonly shop: string;
      readonly problems: readonly { readonly page?: number; readonly words: string }[];
    }
  | { readonly state: 'failed'; readonly message: string };

/** A delivery as the server tells of it. */
export interface DeliveryView {
  readonly id: string;
  readonly options: Order;
  readonly state: 'waiting' | 'working' | 'done' | 'held' | 'failed' | 'cancelled';
  readonly done: number;
  readonly total: number;
  readonly message: string | null;
  /** What was found before it was made. */
  readonly report: CheckReport | null;
  /** What became of it at the print shop. */
  readonly sent: SentView | null;
  readonly fileName: string;
  readonly at: string;
}

/** How often a delivery under way is asked after, milliseconds. */
const ASK_EVERY = 400;

export const isUnderWay = ({ state }: DeliveryView): boolean => state === 'waiting' || state === 'working';

const isWaitedFor = (delivery: DeliveryView): boolean => isUnderWay(delivery) || delivery.sent?.state === 'sending';

/** The deliveries of an issue; as long as some are under way it is asked how far they are. */
export function useDeliveries(id: string, first: readonly DeliveryView[]) {
  const client = useQueryClient();
  const key = ['deliveries', id];
  const change = (how: (old: readonly DeliveryView[]) => readonly DeliveryView[]) =>
    client.setQueryData<readonly DeliveryView[]>(key, (old = first) => how(old));
  const { data: deliveries, isError } = useQuery<readonly DeliveryView[]>({
    queryKey: key,
    initialData: first,
    queryFn: ({ signal }) =>
      Promise.all(
        (client.getQueryData<readonly DeliveryView[]>(key) ?? first).map((each) =>
          isWaitedFor(each) ? got<DeliveryView>(`/api/deliveries/${each.id}`, signal) : each,
        ),
      ),
    refetchInterval: ({ state }) => (state.data?.some(isWaitedFor) ? ASK_EVERY : false),
  });
  const make = useMutation({
    mutationFn: (order: Order) => ask<DeliveryView>(`/api/documents/${id}/deliveries`, order),
    onSuccess: (made) => change((old) => [made, ...old]),
  });
  const cancel = useMutation({
    mutationFn: (delivery: string) => taken(`/api/deliveries/${delivery}`),
    onSuccess: (_, delivery) =>
      change((old) => old.map((each) => (each.id === delivery ? { ...each, state: 'cancelled', message: 'Cancelled.' } : each))),
  });
  const send = useMutation({
    mutationFn: (delivery: string) => ask<DeliveryView>(`/api/deliveries/${delivery}/sending`, {}),
    onSuccess: (sent) => change((old) => old.map((each) => (each.id === sent.id ? sent : each))),
  });
  const refused = make.error ?? cancel.error ?? send.error;
  const trouble = refused?.message ?? (isError ? 'The server is not answering. What is under way goes on there.' : undefined);
  return { deliveries, trouble, make: make.mutate, cancel: cancel.mutate, send: send.mutate };
}
