import Joi from 'joi';
import { designPicture } from '@/services/shelf/designPictures';
import { ALL_DESIGNS } from '@/core/plan/designs/index';
import { handler } from '../../../../handler';

const PLACE = Joi.object<{ design: string; palette: string; page: string }>({
  design: Joi.valid(...ALL_DESIGNS.map(({ id }) => id)).required(),
  palette: Joi.valid('0', '1', '2').required(),
  page: Joi.string()
    .pattern(/^\d{1,2}$/)
    .required(),
});

/** A recurring page of a starting design, as it looks in a palette. */
export const GET = handler(PLACE, async (_request, { design, palette, page }) => {
  const png = await designPicture(design, Number(palette), Number(page));
  return new Response(png as BodyInit, { headers: { 'Content-Type': 'image/png', 'Cache-Control': 'public, max-age=86400' } });
});
