'use client';

import type { Opened } from '@/client/documentStore';
import { HouseChapter } from '../HouseChapter';
import { LimitFields } from './LimitFields';

interface PrintScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** What the publication is printed on, and what is asked of its issues before they go out. */
export function PrintScreen(props: PrintScreenProps) {
  return (
    <HouseChapter {...props} chapter="print">
      {({ house, act }) => (
        <>
          <h1 className="text-lg font-semibold">Print</h1>
          <p className="max-w-xl pt-1 pb-5 opacity-75">
            What {props.publication} is printed on, and what its issues are checked against before they go out. Issues that have
            begun are offered what changes here, in Plan.
          </p>
          <div className="max-w-md">
            <LimitFields document={house} act={act} />
          </div>
        </>
      )}
    </HouseChapter>
  );
}
