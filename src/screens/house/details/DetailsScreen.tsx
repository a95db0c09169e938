'use client';

import type { Opened } from '@/client/documentStore';
import { UNITS } from '@/core/length/length';
import { setDetails } from '@/core/actions/details';
import { FACTS } from '@/core/properties/publication';
import { type DetailName, noDetails } from '@/core/records/details';
import { find } from '@/core/records/document';
import { Fields } from '@/parts/fields/Fields';
import { Select } from '@/parts/Select';
import { UNIT_NAMES } from '@/parts/units';
import { HouseChapter } from '../HouseChapter';

interface DetailsScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** Facts of the publication, said once. */
export function DetailsScreen(props: DetailsScreenProps) {
  return (
    <HouseChapter {...props} chapter="details">
      {({ house, act }) => {
        const details = find(house, 'details', 'details') ?? noDetails('en-GB');
        return (
          <>
            <h1 className="text-lg font-semibold">Details of {props.publication}</h1>
            <p className="max-w-xl pt-1 pb-5 opacity-75">
              Said once here, and shown wherever a field asks for it: in a text on the page, choose it under “Field”. Issues that
              have begun keep what was said when they did.
            </p>
            <div className="max-w-2xl">
              <div className="w-60 pb-4">
                <Select
                  label="Unit of length"
                  help="Used unless somebody chooses their own at the foot of the desk. Type sizes are always in points."
                  value={details.unit ?? 'mm'}
                  of={UNITS.map((unit) => ({ value: unit, name: UNIT_NAMES[unit] }))}
                  onChange={(unit) => act('Change the unit of lengths', (now) => setDetails(now, { unit }))}
                />
              </div>
              <Fields
                table={FACTS}
                of={[details]}
                onChange={(key, words) =>
                  act(`Change the ${FACTS[key as DetailName].label.toLowerCase()}`, (now) =>
                    setDetails(now, { [key]: (words as string).trim() }),
                  )
                }
              />
            </div>
          </>
        );
      }}
    </HouseChapter>
  );
}
