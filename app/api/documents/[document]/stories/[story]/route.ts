import Joi from 'joi';
import { COPY_WAYS, copyOut, type CopyWay } from '@/services/documents/copyOut';
import { checked, handler } from '../../../../handler';
import { STORY } from '../../../../params';

export const dynamic = 'force-dynamic';

const AS = Joi.object<{ as: CopyWay }>({
  as: Joi.string()
    .valid(...COPY_WAYS)
    .required(),
});

export const GET = handler(STORY, async (request, { document, story }) => {
  const { as } = checked(AS, Object.fromEntries(new URL(request.url).searchParams));
  const { name, media, bytes } = await copyOut(document, story, as);
  return new Response(bytes as BodyInit, {
    headers: {
      'Content-Type': media,
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${name}.${as}`)}`,
    },
  });
});
