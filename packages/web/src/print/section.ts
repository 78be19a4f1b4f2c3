/** A part of the sheet that is not torn apart where a page ends, if it fits on one. */
export const SECTION = 'mt-5 break-inside-avoid-page';
