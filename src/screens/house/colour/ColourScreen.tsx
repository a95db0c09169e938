'use client';

import { useState } from 'react';
import { X } from 'lucide-react';
import type { Opened } from '@/client/documentStore';
import { addPalette, addSwatch, keepPalette, paletteInUse, removeSwatch, setSwatch, recolour } from '@/core/actions/colour';
import { usesOf } from '@/core/actions/instead';
import { cmykToRgbHex, rgbHex } from '@/core/colour/cmyk';
import { palettePairs } from '@/core/colour/pairs';
import { all } from '@/core/records/document';
import type { PaletteRecord, SwatchRecord } from '@/core/records/index';
import { type Cmyk, type Rgb, type Role, ROLES } from '@/core/records/swatch';
import { percent, type Table, type ValueKind } from '@/core/properties/property';
import { Fields } from '@/parts/fields/Fields';
import { PaletteBar } from '@/parts/PaletteBar';
import { PaletteFromPicture } from '@/parts/PaletteFromPicture';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import { type ChapterTools, HouseChapter } from '../HouseChapter';
import { Removing } from '../Removing';

interface ColourScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** The colours of a house, in the inks they print in, and the palettes that change those that have a role. */
export function ColourScreen(props: ColourScreenProps) {
  return (
    <HouseChapter {...props} chapter="colour">
      {(tools) => (
        <>
          <h1 className="text-lg font-semibold">Colours of {props.publication}</h1>
          <div className="grid gap-10 pt-5 xl:grid-cols-[minmax(0,1fr)_15rem]">
            <Swatches {...tools} />
            <Palettes {...tools} />
          </div>
        </>
      )}
    </HouseChapter>
  );
}

const INK: ValueKind = percent(0, 1);
const LIGHT: ValueKind = { type: 'number', least: 0, most: 1, times: 255 };

/** The shares a colour is made of, by their place in it. */
const INKS: Table = {
  0: { label: 'Cyan', kind: INK },
  1: { label: 'Magenta', kind: INK },
  2: { label: 'Yellow', kind: INK },
  3: { label: 'Black', kind: INK },
};
const LIGHTS: Table = { 0: { label: 'Red', kind: LIGHT }, 1: { label: 'Green', kind: LIGHT }, 2: { label: 'Blue', kind: LIGHT } };
const TINTS = [1, 0.7, 0.4, 0.2] as const;

function tinted({ rgb, cmyk: [c, m, y, k] }: SwatchRecord, tint: number): string {
  return rgb ? rgbHex(rgb, tint) : cmykToRgbHex([c * tint, m * tint, y * tint, k * tint]);
}

function Swatches({ house, act, pressed }: ChapterTools) {
  const swatches = [...all(house, 'swatch')].sort((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name, 'en'));
  const [removing, setRemoving] = useState<SwatchRecord>();
  const remove = (id: string, instead?: string) => pressed('Remove a colour', (now) => removeSwatch(now, id, instead));
  return (
    <section aria-label="Swatches">
      {removing && (
        <Removing
          name={removing.name}
          uses={usesOf(house, removing.id)}
          others={swatches.filter(({ id }) => id !== removing.id)}
          onRemove={(instead) => remove(removing.id, instead)}
          onClose={() => setRemoving(undefined)}
        />
      )}
      <h2 className="chapter pb-1">Swatches</h2>
      <ul>
        {swatches.map((swatch) => (
          <li key={swatch.id} data-swatch={swatch.id} className="border-base-300 flex items-end gap-3 border-b py-2.5">
            <span aria-hidden="true" className="border-base-300 flex h-10 w-20 shrink-0 border">
              {TINTS.map((tint) => (
                <span key={tint} className="flex-1" style={{ background: tinted(swatch, tint) }} />
              ))}
            </span>
            <WordsField
              label={swatch.role ? 'By palette' : 'Name'}
              value={swatch.name}
              onChange={(name) => act('Rename a colour', (now) => setSwatch(now, swatch.id, { name }))}
            />
            <div className="w-[6.6rem] shrink-0">
              <Select
                label="Colour model"
                value={swatch.spot ? 'spot' : swatch.rgb ? 'rgb' : 'cmyk'}
                of={[
                  { value: 'cmyk', name: 'Inks (CMYK)' },
                  { value: 'rgb', name: 'Screen (RGB)' },
                  { value: 'spot', name: 'Spot ink' },
                ]}
                onChange={(space) =>
                  pressed('Change a colour', (now) =>
                    setSwatch(now, swatch.id, {
                      ...(space === 'rgb' ? { rgb: lightOf(swatch.cmyk) } : { cmyk: swatch.cmyk }),
                      spot: space === 'spot' ? true : undefined,
                    }),
                  )
                }
              />
            </div>
            <Parts swatch={swatch} act={act} />
            <span className="narrow w-[5.2rem] shrink-0 pb-1 text-right opacity-75">{usesWords(usesOf(house, swatch.id))}</span>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square mb-0.5"
              aria-label={`Remove ${swatch.name}`}
              onClick={() => {
                // A colour of the palette stays, and says so.
                if (swatch.role || usesOf(house, swatch.id) === 0) remove(swatch.id);
                else setRemoving(swatch);
              }}
            >
              <X size={13} />
            </button>
          </li>
        ))}
      </ul>
      <button
        type="button"
        className="btn btn-sm mt-4"
        onClick={() => pressed('Add a colour', (now) => addSwatch(now, `Colour ${swatches.length + 1}`, [0.5, 0.2, 0, 0]))}
      >
        Add a colour
      </button>
    </section>
  );
}

/** The shares a colour is made of, to be typed: per cent of inks, or light from 0 to 255. */
function Parts({ swatch, act }: { swatch: SwatchRecord } & Pick<ChapterTools, 'act'>) {
  const { rgb, cmyk } = swatch;
  const shares = rgb ?? cmyk;
  return (
    <div className="w-60 shrink-0">
      <Fields
        table={rgb ? LIGHTS : INKS}
        of={[shares]}
        onChange={(key, value) => {
          const changed = shares.with(Number(key), value as number);
          act('Change a colour', (now) =>
            setSwatch(now, swatch.id, rgb ? { rgb: changed as unknown as Rgb } : { cmyk: changed as unknown as Cmyk }),
          );
        }}
      />
    </div>
  );
}

/** The light that a screen shows inks as. */
const lightOf = (cmyk: Cmyk): Rgb => {
  const hex = cmykToRgbHex(cmyk);
  return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16) / 255) as unknown as Rgb;
};

/** Those with roles first, in the order of the roles. */
const rank = ({ role }: SwatchRecord): number => (role ? ROLES.indexOf(role) : ROLES.length);

const usesWords = (uses: number): string => (uses === 0 ? 'not used' : uses === 1 ? 'used once' : `used ${uses} times`);

function Palettes({ house, pressed }: ChapterTools) {
  const [name, setName] = useState('');
  const palettes = all(house, 'palette');
  const inUse = paletteInUse(house);
  return (
    <section aria-label="Palettes">
      <h2 className="chapter pb-1">Palettes</h2>
      <p className="pb-3 opacity-75">
        A palette gives ink, paper, the accents and the tint their colours at once. Beneath it, how they contrast: 4.5 for running
        text, 3 for large words.
      </p>
      <ul className="grid grid-cols-2 gap-4 xl:grid-cols-1">
        {palettes.map((palette) => (
          <li key={palette.id}>
            <PaletteBar colours={palette.colours} />
            <div className="flex items-center justify-between pt-1">
              <span className="font-medium">{palette.name}</span>
              {inUse?.id === palette.id ? (
                <span className="text-success">in use</span>
              ) : (
                <button
                  type="button"
                  className="btn btn-xs"
                  aria-label={`Use ${palette.name}`}
                  onClick={() => pressed('Change the palette', (now) => recolour(now, palette.id))}
                >
                  Use
                </button>
              )}
            </div>
            <Contrasts palette={palette} />
          </li>
        ))}
      </ul>
      <h3 className="text-2xs pt-6 pb-1 opacity-70">A palette from a picture</h3>
      <PaletteFromPicture
        pictures={[]}
        onKeep={(to, colours) => pressed('Add a palette', (now) => addPalette(now, to, colours))}
      />
      {!inUse && (
        <form
          className="flex items-end gap-2 pt-5"
          onSubmit={(event) => {
            event.preventDefault();
            pressed('Keep a palette', (now) => keepPalette(now, name));
            setName('');
          }}
        >
          <label className="flex-1">
            <span className="text-2xs block opacity-70">Keep the colours as they are, as a palette</span>
            <input className="field" value={name} placeholder="Name" onChange={(event) => setName(event.target.value)} />
          </label>
          <button type="submit" className="btn btn-xs">
            Keep
          </button>
        </form>
      )}
    </section>
  );
}

const ROLE_NAMES: Readonly<Record<Role, string>> = {
  ink: 'Ink',
  paper: 'Paper',
  accent1: 'First accent',
  accent2: 'Second accent',
  tint: 'Tint',
};

const READS = { all: 'words of any size are read', large: 'large words are read', none: 'no words are read' } as const;

/** How the colours of a palette contrast with one another, pair by pair. */
function Contrasts({ palette }: { palette: PaletteRecord }) {
  const colour = (role: Role) => cmykToRgbHex(palette.colours[role]);
  return (
    <ul aria-label={`Contrast in ${palette.name}`} className="grid grid-cols-4 gap-x-2 gap-y-1.5 pt-2">
      {palettePairs(palette).map(({ letters, ground, ratio, reads }) => {
        const on = `${ROLE_NAMES[letters]} on ${ROLE_NAMES[ground].toLowerCase()}`;
        return (
          <li key={`${letters} ${ground}`} title={`${on}: ${ratio.toFixed(1)} to 1; ${READS[reads]}`}>
            <span
              aria-hidden="true"
              className="border-base-300 flex h-5 items-center justify-center border"
              style={{ background: colour(ground) }}
            >
              <span className="h-2 w-5" style={{ background: colour(letters) }} />
            </span>
            <span className="sr-only">{on}: </span>
            <span className={`text-2xs narrow block text-center ${reads === 'all' ? '' : 'opacity-75'}`}>
              {ratio.toFixed(1)}
              {reads === 'large' && ' large'}
              <span className="sr-only">; {READS[reads]}</span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
