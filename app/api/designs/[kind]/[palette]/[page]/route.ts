import Joi from 'joi';
import { designPicture } from '@/services/shelf/designPictures';
import type { PublicationKind } from '@/core/records/publicationKind';
import { handler } from '../../../../handler';

const PLACE = Joi.object<{ kind: PublicationKind; palette: string; page: string }>({
  kind: Joi.valid('magazine', 'newsletter', 'newspaper').required(),
  palette: Joi.valid('0', '1', '2').required(),
  page: Joi.string()
    .pattern(/^\d{1,2}$/)
    .required(),
});

/** A recurring page of a starting design, as it looks in a palette. */
export const GET = handler(PLACE, async (_request, { kind, palette, page }) => {
  const png = await designPicture(kind, Number(palette), Number(page));
  return new Response(png as BodyInit, { headers: { 'Content-Type': 'image/png', 'Cache-Control': 'public, max-age=86400' } });
});
