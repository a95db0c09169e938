'use client';

import { useState } from 'react';
import type { Finding } from '@/core/checks/finding';
import { Dialog } from '@/parts/Dialog';
import { Wrong } from '@/parts/Wrong';

interface AcceptDialogProps {
  readonly finding: Finding;
  /** @throws ActionError with a sentence */
  readonly onAccept: (finding: Finding, reason: string) => void;
  readonly onClose: () => void;
}

/** Asks why a finding may pass. */
export function AcceptDialog({ finding, onAccept, onClose }: AcceptDialogProps) {
  const [wrong, setWrong] = useState<string>();
  return (
    <Dialog title="Accept a finding" onClose={onClose}>
      <form
        className="flex flex-col gap-3 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          try {
            onAccept(finding, String(new FormData(event.currentTarget).get('reason') ?? ''));
          } catch (error) {
            setWrong((error as Error).message);
          }
        }}
      >
        <h2 className="text-lg font-semibold">Accept it</h2>
        <p>{finding.words}</p>
        <label>
          <span className="chapter">Reason</span>
          <textarea
            name="reason"
            className="field"
            rows={2}
            maxLength={2000}
            aria-invalid={wrong !== undefined}
            aria-describedby="accept-wrong"
            onKeyDown={(event) => {
              if (event.key !== 'Enter' || event.shiftKey) return;
              event.preventDefault();
              event.currentTarget.form?.requestSubmit();
            }}
          />
        </label>
        <Wrong field="accept" wrong={wrong} />
        <p className="narrow opacity-75">
          It stays with the finding and goes into the report. Should the finding come to say something else, it is asked again.
        </p>
        <div className="flex gap-2">
          <button type="submit" className="btn btn-primary btn-sm font-semibold">
            Accept it
          </button>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Cancel
          </button>
        </div>
      </form>
    </Dialog>
  );
}
