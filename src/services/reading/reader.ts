import sharp from 'sharp';
import { readBundle } from '../bundles/read';
import { readCopy } from '@/formats/copy/read';
import { sentCopy } from '@/formats/copy/sent';
import { readInkTable } from '@/formats/pictures/inks';
import { readPicture, screenCopy } from '@/formats/pictures/read';
import { RefusedFileError } from '@/formats/refused';
import { copyOfNews, readFeed, readHeld } from '@/formats/wire/ninjs';
import type { ReadingAnswer, ReadingJob } from './jobs';

/**
 * The process that files from outside are read in: one after another, each on its own. Whatever a file does here, it
 * does to this process alone, which is ended when it takes too long or too much. Bundled by itself into `.build/`.
 */
sharp.concurrency(1);
sharp.cache(false);

const send = (answer: ReadingAnswer): void => void process.send!(answer);

async function read(job: ReadingJob): Promise<ReadingAnswer> {
  try {
    switch (job.job) {
      case 'copy':
        return { type: 'done', result: sentCopy(await readCopy(job.name, job.bytes, job.encoding)) };
      case 'picture':
        return { type: 'done', result: await readPicture(job.name, job.bytes, () => send({ type: 'step' }), job.page) };
      case 'feed':
        return { type: 'done', result: readFeed(job.name, job.bytes) };
      case 'held':
        return { type: 'done', result: readHeld(job.name, job.bytes) };
      case 'news':
        return { type: 'done', result: sentCopy(copyOfNews(job.item)) };
      case 'inkTable':
        return { type: 'done', result: await readInkTable(job.name, job.bytes) };
      case 'bundle':
        return { type: 'done', result: await readBundle(job.name, job.bytes) };
      case 'screenCopy':
        return { type: 'done', result: await screenCopy(job.bytes, job.side) };
    }
  } catch (error) {
    if (error instanceof RefusedFileError) return { type: 'refused', message: error.message, status: error.status };
    return { type: 'failed', message: error instanceof Error ? error.message : String(error) };
  }
}

process.on('message', (job: ReadingJob) => void read(job).then(send));
process.on('disconnect', () => process.exit(0));
