import { fileTypeFromBuffer } from 'file-type';
import sharp from 'sharp';
import { HttpProblem } from './http-problem.ts';

export const PICTURES = ['image/jpeg', 'image/png', 'image/webp'];
/** A picture of a telephone is under this. */
export const PICTURE_LIMIT = '8mb';
/** More than this is no photograph but a bomb that a few bytes unfold into. */
const MOST_PIXELS = 50_000_000;
/** Most of a side that is kept; larger ones are made smaller. */
const MOST_SIDE = 4000;
const JPEG_QUALITY = 88;

const noPicture = (): HttpProblem =>
  new HttpProblem({
    status: 415,
    code: 'not-a-picture',
    title: 'This is not a picture that can be kept. Send a JPEG, PNG or WebP file.',
  });

const broken = (title: string): HttpProblem =>
  new HttpProblem({ status: 422, code: 'broken-picture', title });

export interface Picture {
  readonly type: string;
  readonly bytes: Buffer;
}

/**
 * A picture as it can be kept: what it is is read from its first bytes, what the sender says of it counts for nothing.
 * Its size is looked at before it is unfolded, a file that was cut off is refused, it is turned as the camera was held,
 * and all that the camera wrote into it (place, owner) stays out.
 */
export async function picture(body: unknown): Promise<Picture> {
  if (!Buffer.isBuffer(body) || body.length === 0) throw noPicture();
  const found = await fileTypeFromBuffer(body);
  if (!found || !PICTURES.includes(found.mime)) throw noPicture();
  const image = sharp(body, { limitInputPixels: MOST_PIXELS, failOn: 'truncated' });
  const { width, height } = await image.metadata().catch(() => {
    throw broken('This picture cannot be read: send the file again, or another one.');
  });
  if (width * height > MOST_PIXELS)
    throw broken(`This picture has more than ${MOST_PIXELS / 1e6} million pixels: send it smaller.`);
  const upright = image
    .rotate()
    .resize({ width: MOST_SIDE, height: MOST_SIDE, fit: 'inside', withoutEnlargement: true });
  const kept =
    found.mime === 'image/jpeg'
      ? upright.jpeg({ quality: JPEG_QUALITY })
      : found.mime === 'image/png'
        ? upright.png()
        : upright.webp();
  try {
    return { type: found.mime, bytes: await kept.toBuffer() };
  } catch {
    throw broken('This picture is not whole: its file was cut off. Send it again.');
  }
}
