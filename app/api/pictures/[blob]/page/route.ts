import Joi from 'joi';
import { pageOfPicture } from '@/services/imports/bringIn';
import { checked, handler } from '../../../handler';
import { BLOB } from '../../../params';

const CHOSEN = Joi.object<{ name: string; page: number }>({
  name: Joi.string().max(400).required(),
  page: Joi.number().integer().min(1).max(100_000).required(),
});

/** Reads another page of a PDF that a picture was taken of. */
export const POST = handler(BLOB, async (request, { blob }) => {
  const { name, page } = checked(CHOSEN, await request.json());
  return Response.json(await pageOfPicture(blob, name, page, request.signal));
});
