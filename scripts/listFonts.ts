import { CATALOGUE } from '@/core/type/catalogue';
import { facePath } from '@/formats/faces/files';

process.stdout.write(JSON.stringify(CATALOGUE.map(({ id }) => ({ id, path: facePath(id) }))));
