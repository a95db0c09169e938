'use client';

import { useState } from 'react';
import type { FieldRefusal } from '@/client/ask';
import type { Wires } from '@/formats/wire/lines';
import type { useWires } from './useWires';

interface SubscribeFormProps {
  readonly offered: Wires['offered'];
  readonly subscribe: ReturnType<typeof useWires>['subscribe'];
  readonly onDone: () => void;
}

/** Asks for a wire by its address; the one that ships with the application stands in the fields where nobody has it yet. */
export function SubscribeForm({ offered, subscribe, onDone }: SubscribeFormProps) {
  const [name, setName] = useState(offered?.name ?? '');
  const [address, setAddress] = useState(offered?.address ?? '');
  const refusal = subscribe.error as FieldRefusal | null;
  return (
    <form
      className="bg-base-200 flex flex-col gap-2 px-4 py-3 *:max-w-md"
      onSubmit={(event) => {
        event.preventDefault();
        subscribe.mutate({ name, address }, { onSuccess: onDone });
      }}
    >
      <label>
        <span className="block pb-0.5">Name</span>
        <input className="field" maxLength={100} value={name} onChange={(event) => setName(event.target.value)} />
      </label>
      <label>
        <span className="block pb-0.5">Feed address</span>
        <input
          className="field"
          inputMode="url"
          maxLength={1000}
          aria-invalid={refusal !== null}
          aria-describedby={refusal ? 'wire-refusal' : 'wire-help'}
          value={address}
          onChange={(event) => setAddress(event.target.value)}
        />
      </label>
      {refusal ? (
        <p id="wire-refusal" role="alert" className="text-error">
          {refusal.message}
        </p>
      ) : (
        <p id="wire-help" className="opacity-75">
          A feed in the form of IPTC’s ninjs, as news agencies send it.
        </p>
      )}
      <p className="pt-1">
        <button type="submit" className="btn btn-primary btn-sm font-semibold" disabled={!address.trim() || subscribe.isPending}>
          {subscribe.isPending ? 'Asking the wire …' : 'Subscribe'}
        </button>
      </p>
    </form>
  );
}
