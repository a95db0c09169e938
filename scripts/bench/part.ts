import { checking } from './checks';
import { cold, memory } from './typesetter';
import { edition, writing } from './handoff';
import { finishing } from './finishing';
import { storeSmallIssue, whileHostile } from './hostile';
import { dragging, storeFrames } from './dragging';
import { opening } from './opening';
import { storePictures, withPictures } from './pictures';
import { planning, storePlanIssue } from './plan';
import { selecting, storeLongIssue, typing } from './typing';

/** One part of the benchmark in a process of its own; prints its figures as JSON. */
const [part, first, second] = process.argv.slice(2);

async function figures(): Promise<unknown> {
  if (part === 'cold') return cold(Number(first));
  if (part === 'checks') return checking(Number(first));
  if (part === 'writing') return writing(Number(first));
  if (part === 'edition') return edition();
  if (part === 'finishing') return finishing(Number(first));
  if (part === 'memory') return memory(Number(first));
  if (part === 'opening') return opening(first!, second === 'kept', 7);
  if (part === 'hostile') {
    await storeSmallIssue();
    return whileHostile(first!);
  }
  if (part === 'plan') {
    await storePlanIssue();
    return planning(first!, 5);
  }
  if (part === 'pictures') {
    await storePictures();
    return withPictures(first!, Number(second));
  }
  if (part === 'dragging') {
    await storeFrames();
    return dragging(first!);
  }
  const issue = `bench-${part}-${second}`;
  await storeLongIssue(issue, Number(second));
  return part === 'selecting' ? selecting(first!, issue) : typing(first!, issue, 80);
}

process.stdout.write(JSON.stringify(await figures()));
process.exit(0);
