/**
 * What a spreadsheet may take for a formula: a sign that begins one, full-width ones too, after blanks or characters
 * that are not seen. A negative number is none.
 */
export const FORMULA = /^[\t\r]|^[\s\p{Cc}\p{Cf}]*[=+\-@＝＋－＠]/u;
