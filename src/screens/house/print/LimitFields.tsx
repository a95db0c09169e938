'use client';

import { useRef, useState } from 'react';
import { upload } from '@/client/upload';
import { setLimits, setPressProfile } from '@/core/actions/profile';
import { profileOf } from '@/core/print/profile';
import { PRINT } from '@/core/properties/print';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { Fields } from '@/parts/fields/Fields';

interface LimitFieldsProps {
  readonly document: Document;
  /** @throws ActionError with a sentence, for a field to say */
  readonly act: (label: string, action: (document: Document) => Diff) => void;
}

/** What an issue is checked against, of a house or of one issue. */
export function LimitFields({ document, act }: LimitFieldsProps) {
  const profile = profileOf(document);
  return (
    <div className="flex flex-col gap-4">
      <Fields
        table={PRINT}
        of={[profile]}
        unfolded={['', 'Pictures', 'Inks', 'Lines and type', 'Stories']}
        onChange={(key, value) =>
          act(`Change the limits: ${PRINT[key as keyof typeof PRINT].label.toLowerCase()}`, (now) =>
            setLimits(now, { [key]: value }),
          )
        }
      />
      <PressProfile icc={profile.icc} onChange={(icc) => act('Change the colour profile', (now) => setPressProfile(now, icc))} />
    </div>
  );
}

type Icc = { readonly blob: string; readonly name: string };

/** The print shop’s own colour profile, by which light becomes inks. */
function PressProfile({ icc, onChange }: { icc: Icc | undefined; onChange: (icc: Icc | undefined) => void }) {
  const chooser = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string>();
  const [isReading, setReading] = useState(false);
  const bringIn = async (file: File) => {
    setWrong(undefined);
    setReading(true);
    try {
      onChange(await upload<Icc>('/api/imports/profile', file));
    } catch (error) {
      setWrong((error as Error).message);
    } finally {
      setReading(false);
    }
  };
  return (
    <section aria-label="Colour profile">
      <h3 className="chapter pb-1">Colour profile</h3>
      <p className="pb-2">{icc ? icc.name : 'The usual one, for coated paper.'}</p>
      <div className="flex items-center gap-2">
        <button type="button" className="btn btn-sm" disabled={isReading} onClick={() => chooser.current?.click()}>
          {isReading ? 'Reading …' : 'Bring in the print shop’s …'}
        </button>
        {icc && (
          <button type="button" className="btn btn-sm btn-ghost" onClick={() => onChange(undefined)}>
            Take the usual one
          </button>
        )}
      </div>
      <input
        ref={chooser}
        type="file"
        hidden
        accept=".icc,.icm"
        aria-label="Colour profile to bring in"
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) void bringIn(file);
        }}
      />
      {wrong && (
        <p role="alert" className="text-error pt-2">
          {wrong}
        </p>
      )}
    </section>
  );
}
