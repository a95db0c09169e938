export { BUNDLE_BYTES } from '@/formats/bundle/shape';
export { COPY_BYTES } from '@/formats/copy/read';
export { PICTURE_BYTES } from '@/formats/pictures/read';
