declare module 'bidi-js' {
  interface EmbeddingLevels {
    readonly levels: Uint8Array;
    readonly paragraphs: readonly {
      readonly start: number;
      readonly end: number;
      readonly level: number;
    }[];
  }
  interface Bidi {
    getEmbeddingLevels(text: string, direction?: 'ltr' | 'rtl' | 'auto'): EmbeddingLevels;
    getMirroredCharacter(sign: string): string | null;
  }
  export default function bidiFactory(): Bidi;
}
