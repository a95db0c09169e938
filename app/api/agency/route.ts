import Joi from 'joi';
import { searchAgency } from '@/services/agency/agency';
import { checked, handler } from '../handler';
import { NO_PARAMS } from '../params';

export const dynamic = 'force-dynamic';

const SOUGHT = Joi.object<{ q: string }>({ q: Joi.string().allow('').max(200).required() });

/** The pictures that an agency holds. */
export const GET = handler(NO_PARAMS, async (request) => {
  const { q } = checked(SOUGHT, { q: new URL(request.url).searchParams.get('q') ?? '' });
  return Response.json(await searchAgency(q, request.signal));
});
