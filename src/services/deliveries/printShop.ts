import Joi from 'joi';
import { asDelivered } from '@/core/page/layers';
import { RefusedFileError } from '@/formats/refused';
import { outputProfile } from '@/formats/pdf/press';
import type { Delivery, SentToShop } from '@/store/deliveries';
import { documentAt } from '../documents/at';
import { NotThereError } from '../errors';
import { ownProfile } from './ownProfile';
import { ticketOf } from './ways/ticket';

/** Milliseconds that a print shop has to look at a file and answer. */
const PATIENCE = 120_000;

/** Characters of an answer, and problems in it, that are read at most. */
const MOST_ANSWER = 1_000_000;
const MOST_PROBLEMS = 500;

const ANSWER = Joi.object<{
  shop: string;
  accepted: boolean;
  job?: string;
  onPress?: string;
  problems?: { page?: number; words: string }[];
}>({
  shop: Joi.string().max(200).required(),
  accepted: Joi.boolean().required(),
  job: Joi.string().max(100).when('accepted', { is: true, then: Joi.required() }),
  onPress: Joi.string().isoDate().when('accepted', { is: true, then: Joi.required() }),
  problems: Joi.array()
    .max(MOST_PROBLEMS)
    .items(Joi.object({ page: Joi.number().integer().min(1), words: Joi.string().max(1000).required() }))
    .when('accepted', { is: false, then: Joi.required() }),
}).unknown();

/** Where the print shop is. @throws NotThereError where none is worked with */
export function shopUrl(): string {
  const url = process.env['PRINT_SHOP_URL'];
  if (!url) throw new NotThereError('No print shop is set up here. Its address is said in PRINT_SHOP_URL.');
  return url;
}

/** What the print shop says of a file. @throws RefusedFileError with a sentence where it does not answer, or not so that it can be read */
export async function sentToShop(delivery: Delivery, pdf: Uint8Array, signal: AbortSignal): Promise<SentToShop> {
  const document = asDelivered(await documentAt(delivery.document, delivery.seq));
  const ticket = ticketOf(document, new Date(delivery.at), (await outputProfile(await ownProfile(document))).name);
  const form = new FormData();
  form.append('ticket', JSON.stringify(ticket));
  form.append('pdf', new Blob([new Uint8Array(pdf)], { type: 'application/pdf' }), delivery.fileName);
  const late = AbortSignal.timeout(PATIENCE);
  let words: string;
  try {
    const response = await fetch(new URL('jobs', shopUrl()), {
      method: 'POST',
      body: form,
      redirect: 'error',
      signal: AbortSignal.any([late, signal]),
    });
    words = (await response.text()).slice(0, MOST_ANSWER);
  } catch {
    signal.throwIfAborted();
    throw new RefusedFileError(late.aborted ? 'The print shop takes too long to answer.' : 'The print shop does not answer.');
  }
  const { value, error } = ANSWER.validate(parsed(words), { convert: false });
  if (error || !value) throw new RefusedFileError('The print shop’s answer cannot be read.');
  const { shop, accepted, job, onPress, problems } = value;
  return accepted ? { state: 'accepted', shop, job: job!, onPress: onPress! } : { state: 'refused', shop, problems: problems! };
}

function parsed(words: string): unknown {
  try {
    return JSON.parse(words);
  } catch {
    return undefined;
  }
}
