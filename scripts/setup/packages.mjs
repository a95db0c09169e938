import { existsSync } from 'node:fs';
import { readdir } from 'node:fs/promises';
import { has, run } from './run.mjs';
import { say, Stop } from './say.mjs';

/** Debian packages and how one knows that they are there. */
const PACKAGES = {
  postgresql: async () => (await postgresBinaries()) !== undefined,
  chromium: () => has('chromium'),
  'poppler-utils': () => has('pdftotext'),
  qpdf: () => has('qpdf'),
  ghostscript: () => has('gs'),
  'librsvg2-bin': () => has('rsvg-convert'),
  'libimage-exiftool-perl': () => has('exiftool'),
  epubcheck: () => has('epubcheck'),
  'unicode-data': () => existsSync('/usr/share/unicode/auxiliary/LineBreakTest.txt'),
  hunspell: () => has('hunspell'),
  pandoc: () => has('pandoc'),
  'hunspell-en-gb': () => existsSync('/usr/share/hunspell/en_GB.dic'),
};

/** Beside the database, what reads drawings and puts them into inks, and what the simulated print shop looks at PDFs with. */
export const TO_RUN = ['postgresql', 'poppler-utils', 'qpdf', 'ghostscript', 'librsvg2-bin'];
export const TO_TEST = [
  'postgresql',
  'chromium',
  'poppler-utils',
  'qpdf',
  'ghostscript',
  'librsvg2-bin',
  'libimage-exiftool-perl',
  'epubcheck',
  'unicode-data',
  'hunspell',
  'hunspell-en-gb',
  'pandoc',
];

/** The folder with PostgreSQL's programs, the newest; Debian keeps it off the path. */
export async function postgresBinaries() {
  const root = '/usr/lib/postgresql';
  const versions = existsSync(root) ? await readdir(root) : [];
  const newest = versions
    .filter((version) => existsSync(`${root}/${version}/bin/initdb`))
    .sort((a, b) => Number(b) - Number(a))[0];
  return newest && `${root}/${newest}/bin`;
}

/** Installs the packages that are missing, where this user may; otherwise says the one command to run and stops. */
export async function ensurePackages(names) {
  const missing = [];
  for (const name of names) if (!(await PACKAGES[name]())) missing.push(name);
  if (missing.length === 0) return;
  const command = `apt-get update && apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (!(await has('apt-get')))
    throw new Stop(`These programs are missing: ${missing.join(', ')}. Install them, then start again.`);
  const root = process.getuid?.() === 0;
  const sudo =
    !root &&
    (await run('sudo', ['-n', 'true']).then(
      () => true,
      () => false,
    ));
  if (!root && !sudo)
    throw new Stop(
      `These Debian packages are missing: ${missing.join(', ')}. Install them with this command, then start again:\n  sudo sh -c '${command}'`,
    );
  say(`Installing ${missing.join(', ')} …`);
  // A new cluster of Debian's own is not wanted: the application brings its own.
  const script = `mkdir -p /etc/postgresql-common && { [ -e /etc/postgresql-common/createcluster.conf ] || echo 'create_main_cluster = false' > /etc/postgresql-common/createcluster.conf; } && ${command}`;
  const prefix = root ? [] : ['sudo', '-n'];
  const [program, ...args] = [...prefix, 'env', 'DEBIAN_FRONTEND=noninteractive', 'sh', '-c', script];
  await run(program, args);
}
