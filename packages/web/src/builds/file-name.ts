/** A name as a file is called: letters and digits, nothing that a file system minds. */
export function fileNameOf(name: string): string {
  const plain = name
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[\u0300-\u036f]/g, '')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-+|-+$/g, '')
    .slice(0, 60);
  return plain === '' ? 'build' : plain;
}
