import { readFile, writeFile } from 'node:fs/promises';
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

/**
 * Copy as pandoc (Debian's) writes it in a format; the path of the file.
 *
 * @param tidy whether pandoc sets quotation marks and dashes as print has them
 */
export async function sampleAs(ending: string, markdown = SAMPLE, tidy = true): Promise<string> {
  const folder = await scratch();
  await writeFile(join(folder, 'wall.md'), markdown);
  await sharp({ create: { width: 24, height: 16, channels: 3, background: '#336699' } })
    .png()
    .toFile(join(folder, 'wall.png'));
  const path = join(folder, `wall.${ending}`);
  const { code, error } = await ran('pandoc', [
    '-s',
    '-f',
    tidy ? 'markdown' : 'markdown-smart',
    '--resource-path',
    folder,
    join(folder, 'wall.md'),
    '-o',
    path,
  ]);
  if (code !== 0) throw new Error(error);
  return path;
}

/** A story of about so many words with something of everything: the demo's own paragraphs under crossheads, untidy in places. */
export async function longSample(words: number): Promise<string> {
  const paragraphs: string[] = [];
  for (const name of ['forty-makers-no-agreement', 'from-the-bench', 'the-spar-remembers', 'what-the-gust-meter-heard']) {
    const [, , , ...rest] = (await readFile(join('demo/longspar/stories', `${name}.md`), 'utf8')).split(/\n{2,}/);
    paragraphs.push(...rest.filter((each) => each.trim() !== '' && !/^[#>|-]/.test(each)));
  }
  const [head, list, table, picture, notes] = [
    '# The wall that keeps the harbour\n\nBy Ada Fenn',
    '1. Mind the tide\n2. Mind the wind\n    - from the west\n    - from the north\n3. Go home',
    '| Day     | High water | Height |\n|---------|------------|--------|\n| Monday  | 04.12      | 3.4 m  |\n| Tuesday | 05.01      | 3.1 m  |',
    '![The wall at low water](wall.png)',
    '[^1]: The *first* wall was of oak.\n\n[^2]: Measured at the harbour office.',
  ];
  const out = [head!];
  let count = 0;
  for (let i = 0; count < words; i++) {
    if (i % 6 === 5) out.push(`## What the wall remembers, ${i}`);
    let own = paragraphs[i % paragraphs.length]!;
    if (i === 1) own = `It was **cold** and *wet*[^1] in Carrowmouth --  or so they say at "Carrowmouth Head"... ${own}[^2]`;
    if (i === 8) own = `In Carrowmouth nobody hurries. ${own}`;
    out.push(own);
    count += own.split(/\s+/).length;
    if (i === 6) out.push(list!);
    if (i === 8) out.push(table!);
    if (i === 10) out.push(picture!);
  }
  return [...out, notes!].join('\n\n');
}
