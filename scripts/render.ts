import { readFile, rename, rm, writeFile } from 'node:fs/promises';
import { readCopy } from '@/formats/copy/read';
import { RefusedFileError } from '@/formats/refused';
import { readPicture } from '@/formats/pictures/read';
import { ActionError } from '@/core/actions/edit';
import { OptionError, readOptions } from '@/services/headless/options';
import { readStyleFile } from '@/services/headless/styleFile';
import { typeset } from '@/services/headless/typeset';

/** `npm run -s render -- …`: typesets a file of copy as a PDF, without a database or a browser. */
async function main(): Promise<void> {
  const options = readOptions(process.argv.slice(2));
  const copy = await readCopy(options.input, await read(options.input));
  let picture;
  if (options.picture) {
    const bytes = await read(options.picture.file);
    picture = { facts: (await readPicture(options.picture.file, bytes)).facts, bytes };
  }
  const style =
    options.style === undefined ? undefined : readStyleFile(options.style, new TextDecoder().decode(await read(options.style)));
  const { pdf, lines } = await typeset(copy, options, picture, style);
  const files: [string, Uint8Array | string][] = [[options.out, pdf]];
  if (options.lines !== undefined) files.push([options.lines, `${JSON.stringify(lines, null, 1)}\n`]);
  await writeAll(files);
}

async function read(path: string): Promise<Uint8Array> {
  try {
    return new Uint8Array(await readFile(path));
  } catch {
    throw new OptionError(`“${path}” cannot be read.`);
  }
}

/** Writes all files or none: each beside its place first, then all of them moved there. */
async function writeAll(files: readonly (readonly [string, Uint8Array | string])[]): Promise<void> {
  const part = (path: string) => `${path}.part`;
  try {
    for (const [path, content] of files) await writeFile(part(path), content);
    for (const [path] of files) await rename(part(path), path);
  } catch {
    for (const [path] of files) await rm(part(path), { force: true });
    throw new OptionError(`The result cannot be written to “${files.map(([path]) => path).join('”, “')}”.`);
  }
}

try {
  await main();
} catch (error) {
  if (!(error instanceof OptionError || error instanceof RefusedFileError || error instanceof ActionError)) throw error;
  process.stderr.write(`${error.message}\n`);
  process.exitCode = 2;
}
