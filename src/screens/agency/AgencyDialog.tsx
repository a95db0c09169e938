'use client';

import { Search } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { ask, got } from '@/client/ask';
import { counted } from '@/core/records/count';
import type { HeldLine } from '@/formats/wire/lines';
import { Dialog } from '@/parts/Dialog';
import { toggled } from '@/parts/toggled';
import type { CameAsPicture } from '../bringIn/useBringIn';

interface AgencyDialogProps {
  /** Told of every picture as it comes. */
  readonly onTaken: (came: CameAsPicture) => void;
  readonly onClose: () => void;
}

interface Found {
  readonly words: string;
  readonly name: string;
  readonly pictures: readonly HeldLine[];
}

/** Pictures that an agency holds: searched for, seen with what they may be used for, and taken. */
export function AgencyDialog({ onTaken, onClose }: AgencyDialogProps) {
  const [found, setFound] = useState<Found>();
  const [wrong, setWrong] = useState<string>();
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [taking, setTaking] = useState<{ readonly done: number; readonly of: number }>();
  const stop = useRef<AbortController | undefined>(undefined);
  const search = (words: string) => {
    stop.current?.abort();
    const own = (stop.current = new AbortController());
    setWrong(undefined);
    void got<Omit<Found, 'words'>>(`/api/agency?${new URLSearchParams({ q: words }).toString()}`, own.signal).then(
      (answer) => {
        setFound({ words, ...answer });
        setChosen(new Set());
      },
      (error: Error) => own.signal.aborted || setWrong(error.message),
    );
  };
  // All it holds is shown at first.
  const begun = useRef(false);
  useEffect(() => {
    if (!begun.current) search('');
    begun.current = true;
    return () => stop.current?.abort();
  }, []);
  const take = async () => {
    if (!found || taking) return;
    const own = (stop.current = new AbortController());
    const uris = found.pictures.map(({ uri }) => uri).filter((uri) => chosen.has(uri));
    setWrong(undefined);
    for (const [done, uri] of uris.entries()) {
      setTaking({ done, of: uris.length });
      try {
        onTaken(await ask<CameAsPicture>('/api/agency/taken', { uri }, own.signal));
      } catch (error) {
        if (own.signal.aborted) return;
        setWrong((error as Error).message);
        return setTaking(undefined);
      }
    }
    onClose();
  };
  return (
    <Dialog title="Picture agency" onClose={onClose} size="wide">
      <div className="flex max-h-[34rem] flex-col gap-3 p-4">
        <h2 className="font-semibold">{found ? found.name : 'Picture agency'}</h2>
        <form
          className="flex items-end gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            search(String(new FormData(event.currentTarget).get('words') ?? '').trim());
          }}
        >
          <label className="flex-1">
            <span className="text-2xs opacity-75">Search for words</span>
            <input name="words" className="field" maxLength={200} />
          </label>
          <button type="submit" className="btn btn-sm">
            <Search size={14} /> Search
          </button>
        </form>
        {wrong && (
          <p role="alert" className="text-error">
            {wrong}
          </p>
        )}
        {!found && !wrong && <p role="status">Asking the agency …</p>}
        {found?.pictures.length === 0 && <p role="status">It holds no picture with these words.</p>}
        <ul className="grid min-h-0 flex-1 grid-cols-3 gap-3 overflow-auto" aria-label="Pictures it holds">
          {found?.pictures.map((held) => (
            <li key={held.uri}>
              <button
                type="button"
                aria-pressed={chosen.has(held.uri)}
                disabled={held.status !== 'usable'}
                className={`block w-full p-1.5 text-left disabled:cursor-default ${chosen.has(held.uri) ? 'bg-primary text-primary-content' : 'enabled:hover:bg-base-200'}`}
                onClick={() => setChosen(toggled(chosen, held.uri))}
              >
                <img
                  src={`/api/agency/thumbnail?${new URLSearchParams({ uri: held.uri }).toString()}`}
                  alt={held.caption}
                  className={`bg-base-200 aspect-3/2 w-full object-cover ${held.status === 'usable' ? '' : 'opacity-50'}`}
                />
                <span className="block pt-1 leading-tight font-semibold">{held.title}</span>
                <span className="narrow block leading-tight">{held.credit}</span>
                <span
                  className={`text-2xs block leading-tight ${held.status === 'usable' ? 'opacity-75' : 'text-error font-semibold'}`}
                >
                  {held.rights || 'Nothing is said about its use.'}
                </span>
                {held.width && held.height && (
                  <span className="text-2xs block leading-tight opacity-75">
                    {held.width.toLocaleString('en-GB')} × {held.height.toLocaleString('en-GB')} px
                  </span>
                )}
              </button>
            </li>
          ))}
        </ul>
        <div className="flex items-center gap-2">
          <button
            type="button"
            className="btn btn-primary btn-sm"
            disabled={chosen.size === 0 || !!taking}
            onClick={() => void take()}
          >
            {taking
              ? `Taking ${taking.done + 1} of ${taking.of} …`
              : chosen.size === 0
                ? 'Take'
                : `Take ${counted(chosen.size, 'picture')}`}
          </button>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            {taking ? 'Cancel' : 'Close'}
          </button>
        </div>
      </div>
    </Dialog>
  );
}
