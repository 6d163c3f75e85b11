import type { Response } from 'express';

/** What a browser may show in the page's place: none of these can run a script of their own. */
const SHOWN = new Set([
  'image/jpeg',
  'image/png',
  'image/webp',
  'application/pdf',
  'video/webm',
  'video/mp4',
  'audio/ogg',
  'audio/webm',
  'audio/mp4',
]);

/** A file that could run a script gets no scripts, no frames and no origin to speak of. */
const HARMLESS = "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox";

/** Bytes to send instead of JSON. */
export class FileAnswer {
  constructor(
    readonly type: string,
    readonly bytes: Buffer,
    readonly name: string,
  ) {}

  sendBy(response: Response): void {
    const [plain = ''] = this.type.split(';');
    const place = SHOWN.has(plain) ? 'inline' : 'attachment';
    const name = this.name.replaceAll(/[^\w .,-]/g, '_').slice(0, 150);
    if (plain !== 'application/pdf') response.set('Content-Security-Policy', HARMLESS);
    response
      .type(this.type)
      .set('X-Content-Type-Options', 'nosniff')
      .set(
        'Content-Disposition',
        `${place}; filename="${name}"; filename*=UTF-8''${encodeURIComponent(
          [...this.name]
            .slice(0, 100)
            .join('')
            .replaceAll(/[\ud800-\udfff]/gu, '_'),
        )}`,
      )
      .set('Cache-Control', 'private, max-age=0')
      .send(this.bytes);
  }
}
