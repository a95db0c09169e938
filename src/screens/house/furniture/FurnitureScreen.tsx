'use client';

import Link from 'next/link';
import { X } from 'lucide-react';
import type { Opened } from '@/client/documentStore';
import { putDown, removeFurniture, renameFurniture } from '@/core/actions/furniture';
import { counted } from '@/core/records/count';
import { all, type Document, framesOn } from '@/core/records/document';
import type { FurnitureRecord } from '@/core/records/index';
import { lengthWords } from '@/parts/units';
import { WordsField } from '@/parts/WordsField';
import { FurnitureSample } from '../../frame/FurnitureSample';
import { type ChapterTools, HouseChapter } from '../HouseChapter';

interface FurnitureScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** The furniture of a house: groups kept for reuse. */
export function FurnitureScreen(props: FurnitureScreenProps) {
  return (
    <HouseChapter {...props} chapter="furniture">
      {(tools) => <Furniture {...tools} id={props.id} publication={props.publication} />}
    </HouseChapter>
  );
}

function Furniture({ house, act, pressed, id, publication }: ChapterTools & { id: string; publication: string }) {
  const list = all(house, 'furniture');
  return (
    <>
      <h1 className="text-lg font-semibold">Furniture of {publication}</h1>
      <p className="max-w-2xl pt-1 pb-5 opacity-75">
        Boxes that come again and again, with their fields and empty places: a masthead box, a calendar, a fact file. Make one on
        a{' '}
        <Link className="link" href={`/houses/${id}/recurring`}>
          recurring page
        </Link>{' '}
        or a{' '}
        <Link className="link" href={`/houses/${id}/masters`}>
          master
        </Link>
        , choose its frames and keep them as furniture. To change it, put it on a page, change it there and make that the
        furniture: it follows everywhere else.
      </p>
      {list.length === 0 && <p className="opacity-75">There is none yet.</p>}
      <ul className="grid grid-cols-[repeat(auto-fill,minmax(13rem,1fr))] gap-6">
        {list.map((each) => (
          <li key={each.id} data-furniture={each.id} className="flex flex-col gap-1.5">
            <FurnitureSample document={house} furniture={each} width={200} />
            <div className="flex items-end gap-1">
              <WordsField
                label="Name"
                value={each.name}
                onChange={(name) => act('Rename furniture', (now) => renameFurniture(now, each.id, name))}
              />
              <button
                type="button"
                className="btn btn-ghost btn-xs btn-square mb-0.5"
                aria-label={`Remove ${each.name}`}
                onClick={() => pressed('Remove furniture', (now) => removeFurniture(now, each.id))}
              >
                <X size={13} />
              </button>
            </div>
            <span className="narrow opacity-75">{aboutWords(house, each)}</span>
          </li>
        ))}
      </ul>
    </>
  );
}

function aboutWords(house: Document, { id, width, height }: FurnitureRecord): string {
  const uses = putDown(house, id).length;
  const places = uses === 0 ? 'on no page of the house' : `${counted(uses, 'time')} in the house`;
  return `${lengthWords(width)} × ${lengthWords(height)}, ${counted(framesOn(house, id).length, 'frame')}, ${places}`;
}
