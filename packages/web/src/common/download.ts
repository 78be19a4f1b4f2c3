/** Hands a file to the browser to keep. */
export function download(name: string, content: Blob): void {
  const address = URL.createObjectURL(content);
  const link = document.createElement('a');
  link.href = address;
  link.download = name;
  link.click();
  // The browser has taken it up by then.
  setTimeout(() => URL.revokeObjectURL(address), 10_000);
}

/** Hands a text to the browser to keep, as a file of a kind: CSV, a calendar. */
export const downloadText = (name: string, text: string, kind: 'text/csv' | 'text/calendar'): void =>
  download(name, new Blob([text], { type: `${kind};charset=utf-8` }));
