import { encode } from 'uqr';

export interface CodePicture {
  /** Squares a side, with the quiet border. */
  readonly size: number;
  /** The dark squares as one path, a unit a square. */
  readonly path: string;
}

/** A text as a picture that a phone's camera reads. */
export function codePicture(text: string): CodePicture {
  const { data, size } = encode(text, { ecc: 'M', border: 4 });
  const path = data
    .flatMap((row, y) => row.flatMap((dark, x) => (dark ? [`M${x} ${y}h1v1h-1z`] : [])))
    .join('');
  return { size, path };
}
