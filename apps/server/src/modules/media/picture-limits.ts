/** Far more than phones keep of a photo; decoding so many pixels takes about 250 MB. */
export const MOST_PIXELS = 60_000_000;
