import { vi } from 'vitest';

/** A file that was handed to the browser to keep. */
export interface Handed {
  readonly name: string;
  readonly content: Blob;
}

/** Files that are handed to the browser from here on. */
export function handedOver(): Handed[] {
  const files: Handed[] = [];
  let last = new Blob();
  Object.assign(URL, {
    createObjectURL: (content: Blob) => {
      last = content;
      return 'blob:x';
    },
    revokeObjectURL: () => undefined,
  });
  vi.spyOn(HTMLAnchorElement.prototype, 'click').mockImplementation(function (this: HTMLAnchorElement) {
    files.push({ name: this.download, content: last });
  });
  return files;
}

/** What a file says: the window of the tests has blobs without `text`. */
export const textOf = (content: Blob | undefined): Promise<string> =>
  new Promise((resolve) => {
    const reader = new FileReader();
    reader.onload = () => resolve(String(reader.result));
    reader.readAsText(content ?? new Blob());
  });
