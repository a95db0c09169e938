'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { upload } from '@/client/upload';
import { BUNDLE_BYTES } from '@/formats/bundle/shape';
import { Dialog } from '@/parts/Dialog';

interface Taken {
  readonly issue: string;
  readonly name: string;
  readonly issueName: string;
}

/** Asks for a bundle, and takes it onto the shelf as a publication of its own with its house and issue. */
export function BringBundle({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const [file, setFile] = useState<File>();
  const [state, setState] = useState<{ readonly taken: Taken } | { readonly wrong: string } | 'busy'>();
  const stop = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => stop.current?.abort(), []);
  const take = async (of: File) => {
    stop.current = new AbortController();
    setState('busy');
    try {
      const taken = await upload<Taken>('/api/imports/bundle', of, stop.current.signal, undefined, BUNDLE_BYTES);
      setState({ taken });
      router.refresh();
    } catch (error) {
      setState(stop.current.signal.aborted ? undefined : { wrong: (error as Error).message });
    }
  };
  const taken = typeof state === 'object' && 'taken' in state ? state.taken : undefined;
  return (
    <Dialog title="Bring in a bundle" onClose={onClose}>
      <div className="flex flex-col gap-3 p-5">
        <h2 className="text-lg font-semibold">Bring in a bundle</h2>
        <p>
          A bundle is an issue with its house, as another installation delivered it. It comes onto the shelf as a publication of
          its own.
        </p>
        {taken ? (
          <p role="status" className="text-success font-semibold">
            {taken.name} is on the shelf, with {taken.issueName}.
          </p>
        ) : (
          <label>
            <span className="chapter">File</span>
            <input
              type="file"
              accept=".zip,application/zip"
              className="file-input file-input-sm w-full"
              disabled={state === 'busy'}
              onChange={(event) => {
                setState(undefined);
                setFile(event.target.files?.[0]);
              }}
            />
          </label>
        )}
        {typeof state === 'object' && 'wrong' in state && (
          <p role="alert" className="text-error">
            {state.wrong}
          </p>
        )}
        {state === 'busy' && (
          <p role="status" className="flex items-center gap-2">
            <span className="loading loading-spinner loading-xs" /> Reading and checking it …
          </p>
        )}
        <div className="flex gap-2">
          {taken ? (
            <>
              <button
                type="button"
                className="btn btn-primary btn-sm font-semibold"
                onClick={() => router.push(`/issues/${taken.issue}/pages`)}
              >
                Open it
              </button>
              <button type="button" className="btn btn-sm" onClick={onClose}>
                Close
              </button>
            </>
          ) : (
            <>
              <button
                type="button"
                className="btn btn-primary btn-sm font-semibold"
                disabled={!file || state === 'busy'}
                onClick={() => file && void take(file)}
              >
                Bring it in
              </button>
              <button type="button" className="btn btn-sm" onClick={onClose}>
                Cancel
              </button>
            </>
          )}
        </div>
      </div>
    </Dialog>
  );
}
