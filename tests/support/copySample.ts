import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import { ran, scratch } from './programs';

/** Copy with something of everything, as Markdown that pandoc makes other files of. */
export const SAMPLE = `# The wall that keeps the harbour

By Ada Fenn

It was **cold** and *wet*[^1] on H~2~O that ~~night~~ [morning](https://example.org/a).

## What the wall remembers

> Nobody asks the wall.

1. Mind the tide
2. Mind the wind
    - from the west
    - from the north
3. Go home

| Day     | High water | Height |
|---------|------------|--------|
| Monday  | 04.12      | 3.4 m  |
| Tuesday | 05.01      | 3.1 m  |

![The wall at low water](wall.png)

An end – with “marks” & \\<signs\\>.[^2]

[^1]: The *first* wall was of oak.

[^2]: Measured at the harbour office.
`;

/** The sample as pandoc (Debian's) writes it in a format; the path of the file. */
export async function sampleAs(ending: string, markdown = SAMPLE): Promise<string> {
  const folder = await scratch();
  await writeFile(join(folder, 'wall.md'), markdown);
  await sharp({ create: { width: 24, height: 16, channels: 3, background: '#336699' } })
    .png()
    .toFile(join(folder, 'wall.png'));
  const path = join(folder, `wall.${ending}`);
  const { code, error } = await ran('pandoc', ['-s', '--resource-path', folder, join(folder, 'wall.md'), '-o', path]);
  if (code !== 0) throw new Error(error);
  return path;
}
