import { asDelivered } from '@/core/page/layers';
import { isOpenGrave } from '@/core/checks/finding';
import { composerFor } from '@/formats/faces/files';
import { putBlob } from '@/store/blobs';
import { counted } from '@/core/records/count';
import { endDelivery, findDelivery, noteProgress, noteReport } from '@/store/deliveries';
import { WAYS, type WayName } from '@/core/handoff/ways';
import { WAYS_OUT } from '../deliveries/ways';
import type { WayOut } from '../deliveries/ways/way';
import { documentAt } from '../documents/at';
import { checkIssue } from './checking';

class CancelledError extends Error {
  override name = 'CancelledError';
}

/** Makes the file of a delivery and keeps it, telling the database after each page how far it is. */
export async function makeDelivery(id: string): Promise<void> {
  const delivery = await findDelivery(id);
  if (!delivery) return;
  const { options } = delivery;
  const progress = async (done: number, of: number) => {
    if (!(await noteProgress(id, done, of))) throw new CancelledError();
  };
  try {
    const source = { id: delivery.document, seq: delivery.seq };
    const whole = await documentAt(source.id, source.seq);
    const document = asDelivered(whole);
    const { composer, shaper } = await composerFor(document);
    const composed = composer.compose(document);
    for (const { number, items } of composed.pages)
      for (const item of items)
        if (item.type === 'broken') throw new Error(`A frame on page ${number} cannot be composed (${item.why}).`);
    await progress(0, composed.pages.length);
    const report = await checkIssue(delivery.document, document, composed, shaper, () => progress(0, composed.pages.length));
    await noteReport(id, report);
    const graves = report.findings.filter(isOpenGrave);
    if (graves.length > 0 && !options.noticed) {
      await endDelivery(id, { state: 'held', message: `Held: ${counted(graves.length, 'grave finding')}.` });
      return;
    }
    // What was chosen is that of the way that was chosen with it.
    const make = WAYS_OUT[options.way] as WayOut<WayName>;
    const bytes = await make({
      document,
      whole,
      source,
      composed,
      shaper,
      choices: options.choices,
      report,
      at: new Date(delivery.at),
      progress,
    });
    await endDelivery(id, { state: 'done', blob: await putBlob(WAYS[options.way].media, bytes) });
  } catch (error) {
    if (!(error instanceof CancelledError)) throw error;
  }
}
