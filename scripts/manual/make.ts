import { mkdir, rm, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import JSZip from 'jszip';
import type { NewPicture } from '@/core/actions/pictures';
import { WAYS, type Chosen } from '@/core/handoff/ways';
import { documentOf } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import { composerFor } from '@/formats/faces/files';
import { readPicture } from '@/formats/pictures/read';
import { keepPicture } from '@/services/keepPicture';
import { insertDocument } from '@/store/documents';
import { pool } from '@/store/pool';
import { insertPublication } from '@/store/publications';
import { openCluster, openServer, runScript } from '../../tests/support/application';
import { manual, MANUAL, MANUAL_HOUSE } from './issue';
import { SCREENS, shortcuts, takePictures } from './pictures';

/**
 * `npm run manual`: the manual, made with the application. A server with the demo is photographed; the pictures and the chapters
 * of `docs/manual/chapters` become an issue on its shelf; that is delivered as a PDF and as pages of the web into `docs/manual`.
 */

const FOLDER = join('docs', 'manual');

/** Milliseconds between two looks at a delivery. */
const LOOK = 500;

const kept = async (file: string, bytes: Uint8Array, words: { caption?: string; alternative?: string }): Promise<NewPicture> => ({
  ...(await keepPicture(await readPicture(file, bytes), bytes)),
  ...words,
});

/** Has the application make a file of the manual, and gives it. */
async function delivered(origin: string, chosen: Chosen): Promise<Uint8Array> {
  const asked = await fetch(`${origin}/api/documents/${MANUAL.id}/deliveries`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(chosen),
  });
  if (!asked.ok) throw new Error(`It was not begun: ${await asked.text()}`);
  const { id } = (await asked.json()) as { id: string };
  for (;;) {
    const now = (await (await fetch(`${origin}/api/deliveries/${id}`)).json()) as { state: string; message?: string };
    if (now.state === 'done') break;
    if (now.state === 'held') {
      const { findings } = (await (await fetch(`${origin}/api/deliveries/${id}/report`)).json()) as {
        findings: { grave: boolean }[];
      };
      throw new Error(`${now.message} ${JSON.stringify(findings.slice(0, 10), null, 1)}`);
    }
    if (now.state !== 'waiting' && now.state !== 'working') throw new Error(now.message ?? now.state);
    await new Promise((resolve) => setTimeout(resolve, LOOK));
  }
  return new Uint8Array(await (await fetch(`${origin}/api/deliveries/${id}/file`)).arrayBuffer());
}

/** Lays the manual out and puts it on the shelf. */
async function shelved(origin: string): Promise<void> {
  const pictures = new Map<string, NewPicture>();
  const taken = await takePictures(origin);
  for (const { file, caption, alternative } of SCREENS)
    pictures.set(file, await kept(file, taken.get(file)!, { caption, alternative }));
  const cover = new Uint8Array(await (await fetch(`${origin}/api/documents/longspar-14/pages/1`)).arrayBuffer());
  pictures.set(
    'cover.jpg',
    await kept('cover.png', cover, { alternative: 'The cover of a magazine: a red kite over a winter sea.' }),
  );
  const { composer } = await composerFor(documentOf(MANUAL_HOUSE));
  const issue = await manual(pictures, composer, await shortcuts(origin));
  await insertPublication({ id: 'manuals', name: 'Restless Kite', kind: 'newsletter', frequency: 'irregular' });
  await insertDocument({ id: 'manual-house', publication: 'manuals', kind: 'house', name: 'House' }, MANUAL_HOUSE);
  const records: DocumentRecord[] = [...issue.records.values()];
  await insertDocument({ id: MANUAL.id, publication: 'manuals', kind: 'issue', name: MANUAL.name }, records);
}

/** The files of an archive, into a folder that had others before. */
async function unpacked(zip: Uint8Array, folder: string): Promise<void> {
  await rm(folder, { recursive: true, force: true });
  for (const file of Object.values((await JSZip.loadAsync(zip)).files)) {
    if (file.dir) continue;
    const path = join(folder, file.name);
    await mkdir(dirname(path), { recursive: true });
    await writeFile(path, await file.async('uint8array'));
  }
}

const cluster = await openCluster();
try {
  process.env['DATABASE_URL'] = cluster.url;
  await runScript('scripts/migrate.ts', cluster.url);
  await runScript('scripts/seed.ts', cluster.url);
  const server = await openServer(cluster.url);
  try {
    await shelved(server.origin);
    await writeFile(
      join(FOLDER, 'restless-kite.pdf'),
      await delivered(server.origin, { way: 'screen', choices: { ...WAYS.screen.usual, ppi: 150 } }),
    );
    await unpacked(await delivered(server.origin, { way: 'web', choices: WAYS.web.usual }), join(FOLDER, 'web'));
  } finally {
    await server.stop();
  }
} finally {
  await pool().end();
  await cluster.stop();
}
process.exit(0);
