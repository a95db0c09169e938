'use client';

import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { ask, got, taken } from '@/client/ask';
import type { Wires } from '@/formats/wire/lines';

/** Milliseconds between two looks at what is new, while somebody looks. */
const ROUND = 20_000;

/** The news wires of an issue's publication, asked for what is new as long as the list is open. */
export function useWires(issue: string) {
  const url = `/api/documents/${issue}/wires`;
  const queryKey = ['wires', issue];
  const client = useQueryClient();
  const { data, error, refetch } = useQuery({
    queryKey,
    queryFn: ({ signal }) => got<Wires>(url, signal),
    staleTime: 0,
    refetchInterval: ROUND,
  });
  const subscribe = useMutation({
    mutationFn: (wire: { readonly name: string; readonly address: string }) => ask<Wires>(url, wire),
    onSuccess: (wires) => client.setQueryData(queryKey, wires),
  });
  const unsubscribe = useMutation({
    mutationFn: (wire: string) => taken(`${url}/${wire}`),
    onSuccess: () => refetch(),
  });
  return { wires: data, trouble: error?.message, subscribe, unsubscribe };
}
