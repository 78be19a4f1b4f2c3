/** The part of pdfmake that papers use: it comes without types. */
declare module 'pdfmake' {
  interface PdfMaker {
    readonly virtualfs: { readonly writeFileSync: (name: string, bytes: Uint8Array) => void };
    readonly setFonts: (fonts: Readonly<Record<string, Readonly<Record<string, string>>>>) => void;
    readonly setUrlAccessPolicy: (mayFetch: () => boolean) => void;
    readonly setLocalAccessPolicy?: (mayRead: (path: string) => boolean) => void;
    readonly createPdf: (definition: unknown) => { readonly getBuffer: () => Promise<Uint8Array> };
  }
  const pdf: PdfMaker;
  export default pdf;
}
