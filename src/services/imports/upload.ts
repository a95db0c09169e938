import { Readable } from 'node:stream';
import busboy from 'busboy';
import { megabytes, plainName, RefusedFileError } from '@/formats/refused';
import { BadRequestError } from '../errors';

export interface Upload {
  readonly name: string;
  readonly bytes: Uint8Array;
  /** What its letters are in, where whoever sent it says so. */
  readonly encoding?: string | undefined;
}

/**
 * Reads the one file of a multipart request, never more than `limit` bytes of it.
 * @throws BadRequestError when there is no file, RefusedFileError when it is too large
 */
export async function readUpload(request: Request, limit: number): Promise<Upload> {
  const type = request.headers.get('content-type') ?? '';
  if (!type.startsWith('multipart/form-data') || !request.body)
    throw new BadRequestError('Send one file, as multipart/form-data.');
  const tooLarge = (name: string) =>
    new RefusedFileError(`“${plainName(name)}” is larger than ${megabytes(limit)}, the most that is taken.`, 413);
  let parser: ReturnType<typeof busboy>;
  try {
    parser = busboy({
      headers: { 'content-type': type },
      defParamCharset: 'utf8',
      limits: { files: 1, fileSize: limit, fields: 4, fieldSize: 4096, parts: 6 },
    });
  } catch {
    throw new BadRequestError('Send one file, as multipart/form-data.');
  }
  const source = Readable.fromWeb(request.body as Parameters<typeof Readable.fromWeb>[0]);
  return new Promise<Upload>((resolve, reject) => {
    let upload: Upload | undefined;
    let encoding: string | undefined;
    parser.on('field', (field, value) => {
      if (field === 'encoding') encoding = value.slice(0, 40);
    });
    const stop = (error: Error) => {
      source.unpipe(parser);
      // What still comes is read and let go, so that the sender hears the answer rather than a broken connection.
      source.resume();
      reject(error);
    };
    parser.on('file', (_field, file, { filename }) => {
      const pieces: Buffer[] = [];
      file.on('data', (piece: Buffer) => pieces.push(piece));
      file.on('limit', () => stop(tooLarge(filename ?? '')));
      file.on('close', () => {
        upload = { name: filename ?? '', bytes: new Uint8Array(Buffer.concat(pieces)) };
      });
    });
    parser.on('error', () => stop(new BadRequestError('The upload broke off.')));
    parser.on('close', () => (upload ? resolve({ ...upload, encoding }) : reject(new BadRequestError('No file was sent.'))));
    source.on('error', () => stop(new BadRequestError('The upload broke off.')));
    source.pipe(parser);
  });
}
