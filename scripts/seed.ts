import { pool } from '@/store/pool';
import { seed } from '@demo/seed';

/** Fills an empty database with the demo; with `--fresh`, empties it first. */
if (process.argv.includes('--fresh')) {
  await pool().query('truncate publication, document, record, change, delivery, blob, blob_piece cascade');
}
if (await seed())
  process.stdout.write('The demo is in: Longspar, The Bridle Line and The Ternhaven Packet, each with an issue.\n');
await pool().end();
