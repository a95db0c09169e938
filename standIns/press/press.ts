import type { IncomingMessage } from 'node:http';
import busboy from 'busboy';
import type { Answer } from '../answer';
import { examined, type Ticket } from './examining';

/** What it is called. */
const NAME = 'Cooper’s Row Press';

/** Days that it takes from a job to the press. */
const DAYS = 3;

/** Bytes that it takes. */
const MOST_BYTES = 600_000_000;

/**
 * A print shop: takes a PDF with its ticket (`POST jobs`, multipart/form-data with `ticket` and `pdf`), looks at it on its own, and
 * says when it is on press, or page by page what is wrong.
 */
export class Press {
  #jobs = 0;

  async answer(method: string, path: string, request: IncomingMessage): Promise<Answer | undefined> {
    if (method !== 'POST' || path !== '/jobs') return undefined;
    const { ticket, pdf } = await received(request);
    if (!ticket || !pdf)
      return json({ shop: NAME, accepted: false, problems: [{ words: 'The PDF or its ticket is missing.' }] }, 400);
    const problems = await examined(pdf, ticket);
    if (problems.length > 0) return json({ shop: NAME, accepted: false, problems });
    return json({ shop: NAME, accepted: true, job: `CR-${1001 + this.#jobs++}`, onPress: workingDay(DAYS) });
  }
}

const json = (value: object, status = 200): Answer => ({ media: 'application/json', body: JSON.stringify(value), status });

/** So many working days from now, ISO 8601. */
function workingDay(days: number): string {
  const day = new Date();
  for (let left = days; left > 0;) {
    day.setUTCDate(day.getUTCDate() + 1);
    if (day.getUTCDay() !== 0 && day.getUTCDay() !== 6) left--;
  }
  return day.toISOString().slice(0, 10);
}

function received(request: IncomingMessage): Promise<{ ticket?: Ticket; pdf?: Uint8Array }> {
  return new Promise((resolve, reject) => {
    const parser = busboy({
      headers: request.headers,
      limits: { files: 1, fileSize: MOST_BYTES, fields: 2, fieldSize: 100_000 },
    });
    let ticket: Ticket | undefined;
    let pdf: Uint8Array | undefined;
    parser.on('field', (name, value) => {
      if (name === 'ticket') ticket = JSON.parse(value) as Ticket;
    });
    parser.on('file', (_, file) => {
      const pieces: Buffer[] = [];
      file.on('data', (piece: Buffer) => pieces.push(piece));
      file.on('close', () => (pdf = Buffer.concat(pieces)));
    });
    parser.on('close', () => resolve({ ...(ticket ? { ticket } : {}), ...(pdf ? { pdf } : {}) }));
    parser.on('error', reject);
    request.pipe(parser);
  });
}
