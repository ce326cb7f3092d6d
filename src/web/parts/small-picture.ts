const LONGEST_PX = 2000;
const JPEG_QUALITY = 0.85;

/**
 * A picture made small enough to keep, as JPEG; what the camera wrote beside it, such as the place,
 * is left behind. What the browser cannot read as a picture is handed on as it is, for the server
 * to refuse.
 */
export const smallPicture = async (file: Blob): Promise<Blob> => {
  const bitmap = await createImageBitmap(file).catch(() => null);
  if (!bitmap) return file;
  const scale = Math.min(1, LONGEST_PX / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')?.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((done) =>
    canvas.toBlob((blob) => done(blob ?? file), 'image/jpeg', JPEG_QUALITY),
  );
};
