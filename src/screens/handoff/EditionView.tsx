'use client';

import { Moon, Smartphone, Sun, Tablet, Monitor } from 'lucide-react';
import { useState } from 'react';
import { WAYS } from '@/core/handoff/ways';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';
import type { DeliveryView } from './useDeliveries';

/** How wide the screens are on which an edition is looked at, CSS pixels; the widest takes the room there is. */
const SCREENS = [
  { value: 'telephone', name: 'Telephone', sign: <Smartphone size={14} aria-hidden="true" />, width: 390 },
  { value: 'tablet', name: 'Tablet', sign: <Tablet size={14} aria-hidden="true" />, width: 820 },
  { value: 'desk', name: 'Desk', sign: <Monitor size={14} aria-hidden="true" />, width: undefined },
] as const;

const LIGHTS = [
  { value: 'light', name: 'Light', sign: <Sun size={14} aria-hidden="true" /> },
  { value: 'dark', name: 'Dark', sign: <Moon size={14} aria-hidden="true" /> },
] as const;

/** Where an edition begins. */
const FIRST = { web: 'index.html', epub: 'nav.xhtml' } as const;

/** Whether what was made can be looked at here. */
export const isEdition = ({ state, options: { way } }: DeliveryView): boolean =>
  state === 'done' && (way === 'web' || way === 'epub');

/** A web edition or an EPUB as its readers will see it, on screens of several widths, by day and by night. */
export function EditionView({ delivery, onClose }: { delivery: DeliveryView; onClose: () => void }) {
  const way = delivery.options.way as keyof typeof FIRST;
  const [screen, setScreen] = useState<(typeof SCREENS)[number]['value']>(way === 'web' ? 'desk' : 'tablet');
  const [light, setLight] = useState<(typeof LIGHTS)[number]['value']>('light');
  const { name } = WAYS[way];
  const address = `/api/deliveries/${delivery.id}/inside/${FIRST[way]}`;
  return (
    <Dialog title={name} size="full" onClose={onClose}>
      <div className="flex h-[calc(100vh-2.75rem)] flex-col">
        <div className="border-base-300 flex flex-wrap items-center gap-x-6 gap-y-2 border-b px-5 py-3">
          <h2 className="text-lg font-semibold">{name}</h2>
          <Choice label="Screen" value={screen} of={SCREENS} onChange={setScreen} />
          <Choice label="Light" value={light} of={LIGHTS} onChange={setLight} />
          <a className="link link-hover narrow ml-auto" href={address} target="_blank" rel="noreferrer">
            Open in a window
          </a>
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
        <div className="bg-base-200 flex min-h-0 flex-1 justify-center overflow-auto">
          <iframe
            title={`${name} as readers see it`}
            src={address}
            sandbox="allow-same-origin allow-popups"
            className={`h-full max-w-full border-0 ${way === 'epub' ? 'px-10 py-6' : ''} ${light === 'dark' ? 'bg-[#0f0f0f]' : 'bg-white'}`}
            // A page in a frame takes the light of what it lies in.
            style={{ colorScheme: light, width: SCREENS.find(({ value }) => value === screen)?.width ?? '100%' }}
          />
        </div>
      </div>
    </Dialog>
  );
}
