import type { PaperFonts } from '@zubric/core/papers';
import bold from 'pdfmake/fonts/Roboto/Roboto-Medium.ttf?url';
import regular from 'pdfmake/fonts/Roboto/Roboto-Regular.ttf?url';

async function bytesOf(address: string): Promise<Uint8Array> {
  const answer = await fetch(address);
  if (!answer.ok) throw new Error('The letters of the paper cannot be had from the server: try again.');
  return new Uint8Array(await answer.arrayBuffer());
}

/** The letters of a PDF, fetched when one is written. */
export async function fonts(): Promise<PaperFonts> {
  const [one, other] = await Promise.all([bytesOf(regular), bytesOf(bold)]);
  return { regular: one, bold: other };
}
