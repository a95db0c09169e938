'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { ask } from '@/client/ask';
import { Dialog } from '@/parts/Dialog';
import { OrderField, OrderForm } from './OrderForm';

/** Something on the shelf that has a name and can be taken off it: a publication or an issue. */
interface Kept {
  readonly url: string;
  readonly title: string;
  /** What another name does. */
  readonly words: string;
  readonly fields: readonly { readonly field: string; readonly label: string; readonly value: string }[];
}

/** Renames it, or takes it off the shelf. */
export function Keeping({ url, title, words, fields }: Kept) {
  const router = useRouter();
  const [renaming, setRenaming] = useState(false);
  const [values, setValues] = useState<Readonly<Record<string, string>>>({});
  const [wrong, setWrong] = useState<string>();
  const valueOf = (field: string, value: string) => values[field] ?? value;
  const remove = async () => {
    try {
      await ask(url, { removed: true });
      router.refresh();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return (
    <p className="narrow flex gap-3 pt-1 opacity-75">
      <button type="button" className="hover:underline" aria-label={`Rename ${title}`} onClick={() => setRenaming(true)}>
        Rename
      </button>
      <button type="button" className="hover:underline" aria-label={`Remove ${title}`} onClick={() => void remove()}>
        Remove
      </button>
      {wrong && (
        <span role="alert" className="text-error">
          {wrong}
        </span>
      )}
      {renaming && (
        <Dialog title={`Rename ${title}`} onClose={() => setRenaming(false)}>
          <OrderForm<object>
            title={`Rename ${title}`}
            words={words}
            button="Rename"
            url={url}
            order={() => Object.fromEntries(fields.map(({ field, value }) => [field, valueOf(field, value)]))}
            goTo={() => {
              setRenaming(false);
              router.refresh();
              return '/';
            }}
            onClose={() => setRenaming(false)}
          >
            {(refused) =>
              fields.map(({ field, label, value }) => (
                <OrderField
                  key={field}
                  label={label}
                  field={field}
                  value={valueOf(field, value)}
                  wrong={refused}
                  onChange={(next) => setValues({ ...values, [field]: next })}
                />
              ))
            }
          </OrderForm>
        </Dialog>
      )}
    </p>
  );
}

/** What was taken off the shelf, each with a way back. */
export function Removed({ list }: { list: readonly { readonly url: string; readonly name: string }[] }) {
  const router = useRouter();
  const [wrong, setWrong] = useState<{ url: string; message: string }>();
  if (list.length === 0) return null;
  const putBack = async (url: string) => {
    setWrong(undefined);
    try {
      await ask(url, { removed: false });
      router.refresh();
    } catch (error) {
      setWrong({ url, message: (error as Error).message });
    }
  };
  return (
    <section aria-label="Removed" className="border-base-300 border-t py-6">
      <h2 className="chapter pb-1.5">Removed</h2>
      <ul className="flex flex-col gap-1">
        {list.map(({ url, name }) => (
          <li key={url} className="flex items-center gap-3">
            <span className="opacity-75">{name}</span>
            <button type="button" className="btn btn-xs" aria-label={`Put back ${name}`} onClick={() => void putBack(url)}>
              Put back
            </button>
            {wrong?.url === url && (
              <span role="alert" className="text-error">
                {wrong.message}
              </span>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
