import type { PDFDocumentProxy } from 'pdfjs-dist';
import { useEffect, useRef, useState } from 'react';
import { wordsOf } from './pdf-reader.ts';

export interface PdfPageProps {
  readonly file: PDFDocumentProxy;
  readonly number: number;
  readonly of: number;
  /** How many times as wide as its place. */
  readonly zoom: number;
}

/** A sheet of paper as it mostly is, until it is known. */
const HIGH = 1.414;
/** Pages are drawn before one comes to them. */
const AHEAD = '800px';
/** More points than this a phone has no memory for. */
const MOST_POINTS = 12_000_000;
const HIDDEN = {
  position: 'absolute',
  width: 1,
  height: 1,
  overflow: 'hidden',
  clipPath: 'inset(50%)',
  whiteSpace: 'nowrap',
} as const;

/** One page, drawn when it comes near, with its words for those who listen. */
export function PdfPage({ file, number, of, zoom }: PdfPageProps) {
  const place = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [near, setNear] = useState(false);
  const [high, setHigh] = useState(HIGH);
  const [words, setWords] = useState('');
  useEffect(() => {
    const watch = new IntersectionObserver(([entry]) => setNear(entry?.isIntersecting === true), {
      rootMargin: AHEAD,
    });
    if (place.current) watch.observe(place.current);
    return () => watch.disconnect();
  }, []);
  useEffect(() => {
    if (!near) return undefined;
    let stop = (): void => undefined;
    let gone = false;
    const draw = async (): Promise<void> => {
      const page = await file.getPage(number);
      const said = await wordsOf(page);
      const surface = canvas.current;
      if (gone || !surface || !place.current) return;
      setWords(said);
      const paper = page.getViewport({ scale: 1 });
      setHigh(paper.height / paper.width);
      const wanted = (place.current.clientWidth * (window.devicePixelRatio || 1)) / paper.width;
      const most = Math.sqrt(MOST_POINTS / (paper.width * paper.height));
      const viewport = page.getViewport({ scale: Math.min(wanted, most) });
      surface.width = viewport.width;
      surface.height = viewport.height;
      const drawing = page.render({ canvas: surface, viewport });
      stop = () => drawing.cancel();
      await drawing.promise;
    };
    // Left before it was drawn.
    draw().catch(() => undefined);
    return () => {
      gone = true;
      stop();
    };
  }, [near, file, number, zoom]);
  return (
    <div
      ref={place}
      data-page={number}
      role="group"
      aria-label={`Page ${number} of ${of}`}
      style={{
        position: 'relative',
        width: `${zoom * 100}%`,
        aspectRatio: `1 / ${high}`,
        marginBottom: 8,
        background: '#fff',
      }}
    >
      {near ? <canvas ref={canvas} aria-hidden style={{ width: '100%', height: '100%' }} /> : null}
      <span style={HIDDEN}>{words}</span>
    </div>
  );
}
