import { describe, expect, it, vi } from 'vitest';
import { drawsPictures } from '../testing/pictures.ts';
import { shrunk } from './shrink.ts';

describe('a photograph', () => {
  it.each([
    { from: [4000, 3000], to: [2000, 1500] },
    { from: [1500, 6000], to: [500, 2000] },
    { from: [800, 600], to: [800, 600] },
    { from: [9000, 2], to: [2000, 1] },
  ] as const)('of $from is kept as $to, as JPEG on white', async ({ from: [width, height], to }) => {
    const { pen, sizes, closed } = drawsPictures(width, height);
    expect((await shrunk(new Blob(['x']))).type).toBe('image/jpeg');
    expect(sizes).toEqual([to]);
    expect(pen.fillStyle).toBe('white');
    expect(pen.drawImage).toHaveBeenCalledWith(expect.anything(), 0, 0, ...to);
    expect(closed).toHaveBeenCalledOnce();
  });

  it('that is none is refused with what to choose', async () => {
    vi.stubGlobal('createImageBitmap', () => Promise.reject(new Error('odd')));
    await expect(shrunk(new Blob(['x']))).rejects.toThrow('Choose a JPEG, PNG or WebP file.');
  });

  it('that the browser cannot draw is said, not lost silently', async () => {
    drawsPictures(10, 10);
    vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(null);
    await expect(shrunk(new Blob(['x']))).rejects.toThrow('cannot draw the picture smaller');
    const { pen } = drawsPictures(10, 10);
    expect(pen.drawImage).not.toHaveBeenCalled();
    vi.spyOn(HTMLCanvasElement.prototype, 'toBlob').mockImplementation((done) => done(null));
    await expect(shrunk(new Blob(['x']))).rejects.toThrow('could not be made smaller');
  });
});
