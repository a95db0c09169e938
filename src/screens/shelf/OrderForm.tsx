'use client';

import { useRouter } from 'next/navigation';
import { useId, useState, type FormEvent, type ReactNode } from 'react';
import { ask, FieldRefusal } from '@/client/ask';

interface OrderFormProps<T> {
  readonly title: string;
  readonly words: string;
  readonly button: string;
  /** Where what is filled in is sent, and where one goes with what comes back. */
  readonly url: string;
  readonly order: () => unknown;
  readonly goTo: (made: T) => string;
  readonly onClose: () => void;
  readonly children: (wrong: FieldRefusal | undefined) => ReactNode;
}

/** A sheet that makes something on the server: fields, a button, and the sentence at the field that will not do. */
export function OrderForm<T>({ title, words, button, url, order, goTo, onClose, children }: OrderFormProps<T>) {
  const router = useRouter();
  const [wrong, setWrong] = useState<FieldRefusal>();
  const [busy, setBusy] = useState(false);
  const send = async (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setWrong(undefined);
    try {
      router.push(goTo(await ask<T>(url, order())));
    } catch (error) {
      setBusy(false);
      setWrong(error instanceof FieldRefusal ? error : new FieldRefusal((error as Error).message, undefined));
    }
  };
  return (
    <form className="flex flex-col gap-3 p-5" onSubmit={(event) => void send(event)}>
      <h2 className="text-base font-semibold">{title}</h2>
      <p className="opacity-75">{words}</p>
      {children(wrong)}
      {wrong && wrong.field === undefined && (
        <p role="alert" className="text-error">
          {wrong.message}
        </p>
      )}
      <div className="flex justify-end gap-2 pt-2">
        <button type="button" className="btn btn-ghost btn-sm" onClick={onClose}>
          Cancel
        </button>
        <button type="submit" className="btn btn-primary btn-sm font-semibold" disabled={busy}>
          {busy ? 'Creating it …' : button}
        </button>
      </div>
    </form>
  );
}

interface OrderFieldProps {
  readonly label: string;
  readonly field: string;
  readonly value: string;
  readonly type?: 'text' | 'number';
  readonly wrong: FieldRefusal | undefined;
  readonly onChange: (value: string) => void;
}

/** One field of an order, with the sentence that says why it will not do. */
export function OrderField({ label, field, value, type = 'text', wrong, onChange }: OrderFieldProps) {
  const id = useId();
  const own = wrong?.field === field ? wrong.message : undefined;
  return (
    <div className="min-w-0 flex-1">
      <label htmlFor={id} className="text-2xs opacity-70">
        {label}
      </label>
      <input
        id={id}
        type={type}
        className="field"
        value={value}
        // What is proposed is chosen whole, so that typing replaces it.
        onFocus={(event) => type === 'text' && event.target.select()}
        aria-invalid={own !== undefined}
        aria-describedby={own ? `${id}-wrong` : undefined}
        onChange={(event) => onChange(event.target.value)}
      />
      {own && (
        <p id={`${id}-wrong`} role="alert" className="text-2xs text-error pt-0.5">
          {own}
        </p>
      )}
    </div>
  );
}
