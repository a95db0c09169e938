import { Looks } from '@/core/compose/paragraph/looks';
import type { Setting } from '@/core/compose/paragraph/setting';
import type { CharacterProperties } from '@/core/records/characterStyle';
import { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';

/** A shaper with faces loaded. */
export async function shaperWith(...ids: string[]): Promise<Shaper> {
  const shaper = new Shaper();
  await loadFaces(shaper, ids);
  return shaper;
}

/** A setting of the faces that a shaper has, everything in black. */
export function settingWith(
  shaper: Shaper,
  styles: ReadonlyMap<string, Partial<CharacterProperties>> = new Map(),
  language = 'en-GB',
): Setting {
  const black = { cmyk: [0, 0, 0, 1], rgb: '#000000' } as const;
  return {
    looks: new Looks(
      shaper,
      language,
      styles,
      () => black,
      () => [
        { at: 0, ink: black },
        { at: 1, ink: black },
      ],
    ),
    language,
    picture: () => undefined,
  };
}

export { composerFor } from '@/formats/faces/files';
