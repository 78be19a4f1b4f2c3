import { vi } from 'vitest';

/** A browser that reads any file as a picture of a size, and draws it; what it drew, and how large. */
export function drawsPictures(width = 800, height = 600) {
  const closed = vi.fn();
  const pen = { fillStyle: '', fillRect: vi.fn(), drawImage: vi.fn() };
  vi.stubGlobal('createImageBitmap', () => Promise.resolve({ width, height, close: closed }));
  vi.spyOn(HTMLCanvasElement.prototype, 'getContext').mockReturnValue(pen as never);
  const sizes: [number, number][] = [];
  vi.spyOn(HTMLCanvasElement.prototype, 'toBlob').mockImplementation(function (
    this: HTMLCanvasElement,
    done,
    type,
  ) {
    sizes.push([this.width, this.height]);
    done(new Blob(['picture'], { type: type ?? '' }));
  });
  return { pen, sizes, closed };
}
