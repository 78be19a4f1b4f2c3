const VULGAR: Readonly<Record<string, string>> = {
  '½': '1/2',
  '⅓': '1/3',
  '⅔': '2/3',
  '¼': '1/4',
  '¾': '3/4',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};

/** One spelling for the characters that keyboards, phones and pasted text write in several ways. */
export const normaliseText = (text: string): string =>
  text
    .normalize('NFC')
    .replace(/[½⅓⅔¼¾⅛⅜⅝⅞]/g, (c) => ` ${VULGAR[c] ?? c}`)
    .replace(/[\u2212\u2013\u2012]/g, '-')
    .replace(/[\u2033\u201d\u201c]|''/g, '"')
    .replace(/[\u2032\u2019\u2018]/g, "'")
    .replace(/[\u00ba]/g, '°')
    .replace(/([a-z])\^?2(?![\d.,/])/gi, '$1²')
    .replace(/\+\/-|\+-/g, '±')
    .replace(/(\d)[ \u00a0\u202f\u2009](?=\d{3}(?![\d/]))/g, '$1')
    // 5'-3": the hyphen stands between feet and inches, it is no sign.
    .replace(/(\d\s*(?:'|ft|foot|feet))-(?=\d)/gi, '$1 ')
    .replace(/\s+/g, ' ')
    .trim();

/** A unit as looked up: lower case, without spaces, dots, hyphens or stars. */
export const normaliseUnit = (text: string): string =>
  text
    .replace(/[Ω\u2126]/g, 'ohm')
    .toLowerCase()
    .replace(/²/g, '2')
    .replace(/[\s·.*\u00d7\u22c5-]/g, '');
