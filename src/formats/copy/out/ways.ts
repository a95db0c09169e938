/** How a story goes out. */
export const COPY_WAYS = ['docx', 'odt', 'md', 'html', 'txt'] as const;
export type CopyWay = (typeof COPY_WAYS)[number];

export const MEDIA: Readonly<Record<CopyWay, string>> = {
  docx: 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  odt: 'application/vnd.oasis.opendocument.text',
  md: 'text/markdown; charset=utf-8',
  html: 'text/html; charset=utf-8',
  txt: 'text/plain; charset=utf-8',
};
