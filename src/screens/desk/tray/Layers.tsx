'use client';

import { CircleDot, Eye, EyeOff, Layers2, Lock, LockOpen, type LucideIcon, Plus, Printer, Trash2 } from 'lucide-react';
import { useState } from 'react';
import { withCaptions } from '@/core/page/beside';
import { counted } from '@/core/records/count';
import { all } from '@/core/records/document';
import type { LayerRecord } from '@/core/records/index';
import type { Desk } from '../useDesk';
import { Naming } from './Naming';

/** The layers of the issue: chosen, named, hidden, locked, kept from being printed, shown alone; what is chosen is put on them. */
export function Layers({ desk }: { desk: Desk }) {
  const { document, actions, held } = desk;
  const layers = [...all(document, 'layer')].reverse();
  const [naming, setNaming] = useState<string>();
  const chosen = held.map(({ frame }) => frame.id);
  const on = new Set(held.map(({ frame }) => frame.layer));
  return (
    <section aria-label="Layers" className="border-base-300 border-t pt-3">
      <h3 className="chapter flex items-center pb-1">
        <span className="flex-1">Layers of the issue</span>
        <button
          type="button"
          className="btn btn-ghost btn-xs"
          title={chosen.length > 0 ? 'Add a layer, with what is chosen on it' : 'Add a layer'}
          onClick={() => {
            const added = actions.addLayer('Layer', chosen)?.added.find(({ kind }) => kind === 'layer');
            if (added) setNaming(added.id);
          }}
        >
          <Plus size={12} aria-hidden="true" /> Add
        </button>
      </h3>
      {layers.length === 0 ? (
        <p className="opacity-75">
          None. A layer holds what is shown, locked or printed together through the whole issue: another language, a variant,
          notes.
        </p>
      ) : (
        <ul>
          {layers.map((layer) => (
            <li key={layer.id} className="border-base-300 border-b py-1" data-layer={layer.name}>
              <div className="flex h-6 items-center gap-1">
                {naming === layer.id ? (
                  <Naming
                    of={layer.name}
                    onNamed={(name) => {
                      setNaming(undefined);
                      if (name !== undefined && name.trim() !== '' && name !== layer.name)
                        actions.setLayer(layer.id, { name: name.trim() });
                    }}
                  />
                ) : (
                  <button
                    type="button"
                    className={`narrow min-w-0 flex-1 truncate text-left ${layer.hidden ? 'opacity-60' : ''} ${on.has(layer.id) ? 'font-semibold' : ''}`}
                    title="Choose its frames on this spread; press twice to rename it"
                    onClick={() => desk.chosen.choose(inSight(desk, layer))}
                    onDoubleClick={() => setNaming(layer.id)}
                  >
                    {layer.name}
                  </button>
                )}
                <Switches desk={desk} layer={layer} />
              </div>
              <p className="text-2xs flex gap-2 opacity-75">
                <span className="flex-1">
                  {counted(framesOf(desk, layer).length, 'frame', 'frames')}
                  {layer.unprinted ? ', not printed' : ''}
                </span>
                {chosen.length > 0 && (
                  <button
                    type="button"
                    className="underline"
                    aria-label={`${isOn(on, layer) ? 'Take what is chosen off' : 'Put what is chosen on'} ${layer.name}`}
                    onClick={() => actions.putOnLayer(chosen, isOn(on, layer) ? undefined : layer.id)}
                  >
                    {isOn(on, layer) ? 'Take off' : 'Put here'}
                  </button>
                )}
              </p>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** All that is chosen lies on a layer already. */
const isOn = (on: ReadonlySet<string | undefined>, { id }: LayerRecord): boolean => on.size === 1 && on.has(id);

const framesOf = ({ document }: Desk, { id }: LayerRecord) => all(document, 'frame').filter(({ layer }) => layer === id);

const inSight = ({ frames }: Desk, { id }: LayerRecord) =>
  frames.filter(({ frame }) => frame.layer === id).map(({ frame }) => frame.id);

function Switches({ desk, layer }: { desk: Desk; layer: LayerRecord }) {
  const { actions, alone, document } = desk;
  const { id, name, hidden = false, locked = false, unprinted = false } = layer;
  const turn = (what: 'hidden' | 'locked' | 'unprinted', on: boolean) => () =>
    actions.setLayer(id, { [what]: on ? undefined : true });
  const own = withCaptions(
    document,
    framesOf(desk, layer).map((frame) => frame.id),
  );
  const isAlone = alone !== undefined && own.every((each) => alone.has(each));
  return (
    <>
      <Switch
        name={`${isAlone ? 'Show all again, not only' : 'Show alone'} ${name}`}
        on={isAlone}
        icon={isAlone ? CircleDot : Layers2}
        run={() => desk.setAlone(isAlone ? undefined : new Set(own))}
      />
      <Switch
        name={`${unprinted ? 'Print' : 'Do not print'} ${name}`}
        on={unprinted}
        icon={Printer}
        struck={unprinted}
        run={turn('unprinted', unprinted)}
      />
      <Switch
        name={`${locked ? 'Unlock' : 'Lock'} ${name}`}
        on={locked}
        icon={locked ? Lock : LockOpen}
        run={turn('locked', locked)}
      />
      <Switch
        name={`${hidden ? 'Show' : 'Hide'} ${name}`}
        on={hidden}
        icon={hidden ? EyeOff : Eye}
        run={turn('hidden', hidden)}
      />
      <Switch
        name={`Remove the layer ${name}; what lies on it stays`}
        on={false}
        icon={Trash2}
        run={() => actions.removeLayer(id)}
      />
    </>
  );
}

interface SwitchProps {
  readonly name: string;
  readonly on: boolean;
  readonly icon: LucideIcon;
  readonly struck?: boolean;
  readonly run: () => void;
}

function Switch({ name, on, icon: Icon, struck = false, run }: SwitchProps) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className={`relative flex h-6 w-5 items-center justify-center ${on ? '' : 'opacity-40 hover:opacity-100'}`}
      onClick={run}
    >
      <Icon size={13} aria-hidden="true" />
      {struck && <span aria-hidden="true" className="bg-base-content absolute h-px w-4 rotate-45" />}
    </button>
  );
}
