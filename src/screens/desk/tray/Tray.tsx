'use client';

import { screenSource } from '@/core/pictures/screen';
import { FilePlus2, ImagePlus } from 'lucide-react';
import type { ComposerClient } from '@/client/composerClient';
import { memo, type ReactNode, useState, type PointerEvent as ReactPointerEvent } from 'react';
import { fitWords } from '@/core/compose/text/fit';
import { bodyText, countWords } from '@/core/records/body';
import { all, type Document, find, threadOf } from '@/core/records/document';
import type { PictureRecord, StoryRecord } from '@/core/records/index';
import { placedPages } from '@/core/page/pages';
import { Tabs } from '@/parts/Tabs';
import { useLatest } from '../../frame/useLatest';
import { useSetting } from '../../sheet/useSetting';
import type { Carry } from '../hand/hand';
import type { Desk } from '../useDesk';
import { PageOrder } from './PageOrder';
import { pictureIn } from '@/core/records/kinds/frames';

/** What can be carried from the tray to the desk. */
type Carried = Pick<Carry, 'what' | 'id'>;

interface TrayProps {
  readonly desk: Desk;
  readonly onBringIn: () => void;
  readonly onAgency: () => void;
  readonly importing: { readonly done: number; readonly of: number; readonly cancel: () => void } | undefined;
}

/** What the issue owns, on the left of the desk. */
export function Tray({ desk, onBringIn, onAgency, importing }: TrayProps) {
  const { hand, gestures, puttingDown } = desk;
  const carry = useLatest(({ what, id }: Carried, event: ReactPointerEvent) => {
    hand.rest('asking', 'picking');
    gestures.carryOver(what, id, event);
  });
  const place = useLatest(puttingDown.byKey);
  const bringIn = useLatest(onBringIn);
  const agency = useLatest(onAgency);
  const [tab, setTab] = useState<TrayTab>('stories');
  return (
    <Lists
      tab={tab}
      onTab={setTab}
      // What follows the desk closely is drawn only where it is looked at.
      order={tab === 'order' ? <PageOrder desk={desk} /> : undefined}
      document={desk.document}
      composer={desk.composer}
      allPages={desk.allPages}
      onAllPages={desk.setAllPages}
      onCarry={carry}
      onPlace={place}
      onFit={desk.setFitting}
      onBringIn={bringIn}
      onAgency={agency}
      importing={importing}
    />
  );
}

export type TrayTab = 'stories' | 'pictures' | 'order';

const tabsOf = (document: Document) =>
  [
    { value: 'stories', name: `Stories ${all(document, 'story').length}` },
    { value: 'pictures', name: `Pictures ${all(document, 'picture').length}` },
    { value: 'order', name: 'Order' },
  ] as const;

interface ListsProps extends Pick<TrayProps, 'importing' | 'onBringIn' | 'onAgency'> {
  readonly tab: TrayTab;
  readonly onTab: (tab: TrayTab) => void;
  /** What lies on the pages in sight. */
  readonly order: ReactNode;
  readonly document: Document;
  readonly composer: ComposerClient;
  readonly allPages: boolean;
  readonly onAllPages: (on: boolean) => void;
  readonly onCarry: (carried: Carried, event: ReactPointerEvent) => void;
  /** Puts it where there is most room on the spread. */
  readonly onPlace: (carried: Carried) => void;
  /** Opens Fit at a text. */
  readonly onFit: (text: string) => void;
}

/** Stories and pictures, what is not on a page yet before what is. */
const Lists = memo(function Lists({
  tab,
  onTab,
  order,
  document,
  composer,
  allPages,
  onAllPages,
  onCarry,
  onPlace,
  onFit,
  onBringIn,
  onAgency,
  importing,
}: ListsProps) {
  const stories = all(document, 'story');
  const pictures = all(document, 'picture');
  const shown = new Set(all(document, 'frame').flatMap((frame) => pictureIn(document, frame)?.picture ?? []));
  const placed = (story: StoryRecord) => threadOf(document, story.parts.body).length > 0;
  return (
    <aside aria-label="Tray" className="border-base-300 bg-base-100 flex w-56 shrink-0 flex-col border-r">
      <Tabs
        label="Tray"
        value={tab}
        of={tabsOf(document)}
        onChange={onTab}
        className="px-3 pt-2.5"
        beside={
          <button
            type="button"
            className="btn btn-ghost btn-xs btn-square ml-auto"
            onClick={onBringIn}
            aria-label="Bring in files"
            title="Bring in stories and pictures"
          >
            {tab === 'pictures' ? <ImagePlus size={16} /> : <FilePlus2 size={16} />}
          </button>
        }
      >
        {importing && (
          <div className="flex items-center gap-2 px-3 pt-2" role="status">
            <progress className="progress w-20" value={importing.done} max={importing.of} aria-label="Bringing in" />
            <span className="narrow">
              Bringing in {importing.done + 1} of {importing.of}
            </span>
            <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={importing.cancel}>
              Cancel
            </button>
          </div>
        )}
        <div className="min-h-0 flex-1 overflow-auto px-3 pt-2">
          {tab === 'order' ? (
            order
          ) : tab === 'stories' ? (
            <>
              <Group title="Not placed yet">
                {stories
                  .filter((story) => !placed(story))
                  .map((story) => (
                    <Story
                      key={story.id}
                      document={document}
                      story={story}
                      composer={composer}
                      onCarry={onCarry}
                      onPlace={onPlace}
                      onFit={onFit}
                    />
                  ))}
              </Group>
              <Group title="On pages">
                {stories.filter(placed).map((story) => (
                  <Story
                    key={story.id}
                    document={document}
                    story={story}
                    composer={composer}
                    onCarry={onCarry}
                    onPlace={onPlace}
                    onFit={onFit}
                  />
                ))}
              </Group>
            </>
          ) : (
            <>
              <Pictures
                title="Not placed yet"
                pictures={pictures.filter((picture) => !shown.has(picture.id))}
                onCarry={onCarry}
                onPlace={onPlace}
              />
              <Pictures
                title="On pages"
                pictures={pictures.filter((picture) => shown.has(picture.id))}
                onCarry={onCarry}
                onPlace={onPlace}
              />
            </>
          )}
        </div>
        {tab === 'pictures' && (
          <p className="border-base-300 border-t px-3 py-2">
            <button type="button" className="btn btn-xs" onClick={onAgency}>
              Picture agency …
            </button>
          </p>
        )}
        {tab === 'stories' && (
          <label className="border-base-300 narrow flex items-center gap-2 border-t px-3 py-2">
            <input
              type="checkbox"
              className="toggle toggle-xs"
              checked={allPages}
              onChange={(event) => onAllPages(event.target.checked)}
            />
            As many pages as it needs
          </label>
        )}
      </Tabs>
    </aside>
  );
});

function Group({ title, children }: { title: string; children: React.ReactNode[] }) {
  if (children.length === 0) return null;
  return (
    <section aria-label={title} className="pb-4">
      <h3 className="chapter pb-1">{title}</h3>
      <ul>{children}</ul>
    </section>
  );
}

interface StoryProps {
  readonly document: Document;
  readonly story: StoryRecord;
  readonly composer: ComposerClient;
  readonly onCarry: ListsProps['onCarry'];
  readonly onPlace: ListsProps['onPlace'];
  readonly onFit: ListsProps['onFit'];
}

function Story({ document, story, composer, onCarry, onPlace, onFit }: StoryProps) {
  const body = find(document, 'text', story.parts.body);
  const words = body ? countWords(bodyText(body.body)) : 0;
  const pages = new Set(threadOf(document, story.parts.body).map(({ on }) => on));
  const numbers = placedPages(document)
    .filter(({ page }) => pages.has(page.id))
    .map(({ number }) => number);
  const fit = useSetting(composer, (setting) => (numbers.length > 0 ? setting.fits.get(story.parts.body) : undefined));
  const over = fit !== undefined && fit.oversetLines > 0;
  return (
    <li className="border-base-300 border-t first:border-t-0">
      <div className="border-l-[3px]" style={{ borderColor: `var(--story-${story.tint})` }}>
        <button
          type="button"
          data-story={story.id}
          className={`hover:bg-base-content/5 block w-full cursor-grab touch-pan-y pt-1.5 pl-2 text-left select-none ${fit ? '' : 'pb-1.5'}`}
          title="Drag onto the grid, or press Enter to place it where there is most room"
          onPointerDown={(event) => event.button === 0 && onCarry({ what: 'story', id: story.id }, event)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter') return;
            event.preventDefault();
            onPlace({ what: 'story', id: story.id });
          }}
        >
          <span className="block leading-tight font-semibold">{story.name}</span>
          <span className="narrow block leading-tight opacity-75">
            {story.section ? `${story.section} · ` : ''}
            {words.toLocaleString('en-GB')} words
            {numbers.length > 0 && ` · p. ${numbers.length > 1 ? `${numbers[0]}–${numbers.at(-1)}` : numbers[0]}`}
          </span>
        </button>
        {fit && (
          <button
            type="button"
            className={`narrow block min-h-6 w-full pb-1 pl-2 text-left leading-tight hover:underline ${over ? 'text-error font-semibold' : 'text-success'}`}
            aria-label={`${story.name}: ${fitWords(fit)}. Make it fit`}
            title="Make it fit …"
            onClick={() => onFit(story.parts.body)}
          >
            {fitWords(fit)}
          </button>
        )}
      </div>
    </li>
  );
}

function Pictures({
  title,
  pictures,
  onCarry,
  onPlace,
}: { title: string; pictures: readonly PictureRecord[] } & Pick<ListsProps, 'onCarry' | 'onPlace'>) {
  if (pictures.length === 0) return null;
  return (
    <section aria-label={title} className="pb-4">
      <h3 className="chapter pb-1">{title}</h3>
      <ul className="grid grid-cols-2 gap-x-2 gap-y-3">
        {pictures.map((picture) => (
          <li key={picture.id}>
            <button
              type="button"
              data-picture={picture.id}
              className="group block w-full cursor-grab touch-pan-y text-left select-none"
              title={`${picture.name}, ${picture.width} × ${picture.height} px`}
              onPointerDown={(event) => event.button === 0 && onCarry({ what: 'picture', id: picture.id }, event)}
              onKeyDown={(event) => {
                if (event.key !== 'Enter') return;
                event.preventDefault();
                onPlace({ what: 'picture', id: picture.id });
              }}
            >
              <img
                src={screenSource(picture, 200)}
                alt=""
                draggable={false}
                className={`bg-base-200 h-[3.9rem] w-full ${picture.transparent ? 'object-contain' : 'object-cover'} outline-2 outline-transparent group-hover:outline-[var(--color-primary)]`}
              />
              <span className="narrow block truncate pt-0.5 leading-tight">{picture.name}</span>
              <span className="narrower block leading-tight opacity-70">
                {picture.width.toLocaleString('en-GB')} × {picture.height.toLocaleString('en-GB')} px
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
