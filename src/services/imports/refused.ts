export { RefusedFileError } from '@/formats/refused';
export { COPY_BYTES, COPY_ENDINGS } from '@/formats/copy/read';
export { PICTURE_BYTES, PICTURE_ENDINGS } from '@/formats/pictures/read';
