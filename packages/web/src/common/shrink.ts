const LONGEST_SIDE = 2000;
const QUALITY = 0.85;

/**
 * A photograph small enough to keep: at most 2000 pixels a side, as JPEG on white. What the camera wrote into the file
 * (where it was taken, with what) does not come along.
 *
 * @throws Error with a sentence where the browser cannot read it as a picture.
 */
export async function shrunk(file: Blob): Promise<Blob> {
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('This is not a picture that can be read here. Choose a JPEG, PNG or WebP file.');
  });
  const scale = Math.min(1, LONGEST_SIDE / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  const pen = canvas.getContext('2d');
  if (!pen) throw new Error('This browser cannot draw the picture smaller.');
  pen.fillStyle = 'white';
  pen.fillRect(0, 0, canvas.width, canvas.height);
  pen.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made smaller.'))),
      'image/jpeg',
      QUALITY,
    );
  });
}
