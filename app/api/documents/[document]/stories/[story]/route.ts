import Joi from 'joi';
import { copyOut } from '@/services/documents/copyOut';
import { COPY_WAYS, type CopyWay, MEDIA } from '@/formats/copy/out/ways';
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
  const { name, bytes } = await copyOut(document, story, as);
  return new Response(bytes as BodyInit, {
    headers: {
      'Content-Type': MEDIA[as],
      'Content-Disposition': `attachment; filename*=UTF-8''${encodeURIComponent(`${name}.${as}`)}`,
    },
  });
});
