import { facesOf } from '@/core/compose/paragraph/faces';
import { documentOf } from '@/core/records/document';
import { readRecord } from '@/core/records/stored';
import { recordsOf } from '@/store/documents';

/** The faces that a document's styles ask for. */
export async function styleFaces(document: string): Promise<readonly string[]> {
  const styles = await recordsOf(document, ['paragraphStyle', 'characterStyle']);
  return facesOf(documentOf(styles.map(readRecord)));
}
