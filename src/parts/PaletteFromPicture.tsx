'use client';

import { useEffect, useId, useState } from 'react';
import { contrast, lightOf } from '@/core/colour/contrast';
import { cmykToRgbHex } from '@/core/colour/cmyk';
import { coloursIn, harmoniesOf, type Harmony } from '@/core/colour/harmonies';
import { PaletteBar } from './PaletteBar';

interface PaletteFromPictureProps {
  readonly pictures: readonly { readonly id: string; readonly name: string; readonly href: string }[];
  readonly onKeep: (name: string, colours: Harmony['colours']) => void;
}

/** Pixels on the longer side of the picture that colours are looked for in. */
const SIDE = 96;

async function harmoniesIn(file: Blob): Promise<Harmony[]> {
  const image = await createImageBitmap(file);
  const k = Math.min(1, SIDE / Math.max(image.width, image.height));
  const [w, h] = [Math.max(1, Math.round(image.width * k)), Math.max(1, Math.round(image.height * k))];
  const canvas = new OffscreenCanvas(w, h).getContext('2d')!;
  canvas.drawImage(image, 0, 0, w, h);
  image.close();
  return harmoniesOf(coloursIn(canvas.getImageData(0, 0, w, h).data));
}

/** Palettes proposed from a picture: one of the issue's, or a file. Each can be kept under a name. */
export function PaletteFromPicture({ pictures, onKeep }: PaletteFromPictureProps) {
  const id = useId();
  const [from, setFrom] = useState('');
  const [found, setFound] = useState<{ readonly name: string; readonly harmonies: readonly Harmony[] }>();
  const [wrong, setWrong] = useState<string>();
  const chosen = pictures.find((each) => each.id === from);
  const look = async (name: string, file: Promise<Blob>, isWanted: () => boolean) => {
    try {
      const harmonies = await harmoniesIn(await file);
      if (!isWanted()) return;
      setFound({ name, harmonies });
      setWrong(undefined);
    } catch {
      if (!isWanted()) return;
      setFound(undefined);
      setWrong('No colours can be read from that file. Choose a picture.');
    }
  };
  const [href, name] = [chosen?.href, chosen?.name];
  useEffect(() => {
    if (href === undefined || name === undefined) return undefined;
    let isWanted = true;
    void look(
      name,
      fetch(href).then((answer) => answer.blob()),
      () => isWanted,
    );
    return () => void (isWanted = false);
  }, [href, name]);
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-end gap-2">
        {pictures.length > 0 && (
          <label htmlFor={id} className="min-w-0 flex-1">
            <span className="text-2xs block opacity-70">Colours that go with</span>
            <select id={id} className="field narrow" value={from} onChange={(event) => setFrom(event.target.value)}>
              <option value="">Choose a picture</option>
              {pictures.map((each) => (
                <option key={each.id} value={each.id}>
                  {each.name}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="btn btn-xs focus-within:focus-seen relative min-h-6">
          {pictures.length > 0 ? 'A file …' : 'From a picture …'}
          <input
            type="file"
            accept="image/*"
            className="absolute inset-0 cursor-pointer opacity-0"
            aria-label="A picture to take colours from"
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (!file) return;
              setFrom('');
              void look(file.name.replace(/\.[^.]*$/, ''), Promise.resolve(file), () => true);
            }}
          />
        </label>
      </div>
      {wrong && (
        <p role="alert" className="text-error">
          {wrong}
        </p>
      )}
      {found && (
        <ul aria-label={`Palettes from ${found.name}`} className="flex flex-col gap-2">
          {found.harmonies.map(({ name: kind, colours }) => (
            <li key={kind}>
              <PaletteBar colours={colours} low />
              <div className="flex items-center justify-between gap-2 pt-0.5">
                <span>
                  {kind}
                  <span className="narrow opacity-75">{` · accents read at ${ratios(colours)}`}</span>
                </span>
                <button
                  type="button"
                  className="btn btn-xs min-h-6"
                  aria-label={`Keep “${kind}”`}
                  onClick={() => onKeep(`${found.name}, ${kind.toLowerCase()}`.slice(0, 60), colours)}
                >
                  Keep
                </button>
              </div>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** How the accents contrast with the paper. */
const ratios = (colours: Harmony['colours']): string => {
  const light = (role: 'accent1' | 'accent2' | 'paper') => lightOf(cmykToRgbHex(colours[role]));
  return (['accent1', 'accent2'] as const).map((role) => contrast(light(role), light('paper')).toFixed(1)).join(' and ');
};
