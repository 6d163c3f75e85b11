import http from 'node:http';
import type { AddressInfo } from 'node:net';
import { once } from 'node:events';

interface Passing {
  readonly method: string;
  readonly path: string;
  /** Where an upload goes on, in bytes, by the tus protocol. */
  readonly offset: number;
  readonly cut: () => void;
}

type Break = (request: Passing) => number | null;

/** What somebody between phone and office answers in the office's place. */
export interface Instead {
  readonly status: number;
  readonly type: string;
  readonly body: string;
}

type Answer = (request: { readonly method: string; readonly path: string }) => Instead | null;

/** Changes what the office sends on its way to the phone. */
type Change = (path: string, body: string) => string | null;

/**
 * Stands between phone and office. A rule may cut a request after so many bytes of its body were
 * passed on: what the office has by then, it has; the phone hears nothing.
 */
export class BreakingProxy {
  private rule: Break = () => null;
  private answer: Answer = () => null;
  private change: Change = () => null;
  private readonly server: http.Server;
  cuts = 0;

  constructor(private readonly target: number) {
    this.server = http.createServer((request, response) => this.pass(request, response));
  }

  async open(): Promise<string> {
    this.server.listen(0, '127.0.0.1');
    await once(this.server, 'listening');
    return `http://localhost:${(this.server.address() as AddressInfo).port}`;
  }

  close(): void {
    this.server.closeAllConnections();
    this.server.close();
  }

  /** `rule` gives the number of bytes after which a request is cut, or null to let it pass. */
  breakWhen(rule: Break): void {
    this.rule = rule;
  }

  /** As a network's own sign-in page does, or an office in trouble; null lets a request pass. */
  answerWith(answer: Answer): void {
    this.answer = answer;
  }

  /** What the office sends is changed where this gives anything. */
  changeWith(change: Change): void {
    this.change = change;
  }

  private pass(request: http.IncomingMessage, response: http.ServerResponse): void {
    const asked = { method: request.method ?? '', path: request.url ?? '' };
    const instead = this.answer(asked);
    if (instead) {
      request.resume();
      response.writeHead(instead.status, { 'content-type': instead.type }).end(instead.body);
      return;
    }
    const isChanged = this.change(asked.path, '') !== null;
    const onward = http.request(
      {
        host: '127.0.0.1',
        port: this.target,
        method: request.method,
        path: request.url,
        headers: isChanged ? plainly(request.headers) : request.headers,
      },
      (answer) => {
        if (isChanged) {
          void changed(answer, (body) => this.change(asked.path, body) ?? body, response);
          return;
        }
        response.writeHead(answer.statusCode ?? 502, answer.headers);
        answer.pipe(response);
        answer.on('error', () => response.destroy());
      },
    );
    onward.on('error', () => response.destroy());
    let passed = 0;
    let done = false;
    const cut = (): void => {
      if (done) return;
      done = true;
      this.cuts++;
      onward.destroy();
      response.destroy();
    };
    const after = this.rule({
      method: request.method ?? '',
      path: request.url ?? '',
      offset: Number(request.headers['upload-offset'] ?? 0),
      cut,
    });
    request.on('data', (chunk: Buffer) => {
      if (done) return;
      onward.write(chunk);
      passed += chunk.length;
      if (after !== null && passed >= after) cut();
    });
    request.on('end', () => {
      if (!done) onward.end();
    });
  }
}

async function changed(
  answer: http.IncomingMessage,
  change: (body: string) => string,
  response: http.ServerResponse,
): Promise<void> {
  const chunks: Buffer[] = [];
  for await (const chunk of answer) chunks.push(chunk as Buffer);
  const body = Buffer.from(change(Buffer.concat(chunks).toString()));
  const headers = without(answer.headers, 'etag');
  response
    .writeHead(answer.statusCode ?? 502, { ...headers, 'content-length': body.length })
    .end(body);
}

/** Headers by name, without some of them. */
const without = (
  headers: http.IncomingHttpHeaders,
  ...names: readonly string[]
): http.IncomingHttpHeaders =>
  Object.fromEntries(Object.entries(headers).filter(([name]) => !names.includes(name)));

/** What is changed on the way must come whole, and not packed. */
const plainly = (headers: http.IncomingHttpHeaders): http.IncomingHttpHeaders => ({
  ...without(headers, 'if-none-match', 'if-modified-since'),
  'accept-encoding': 'identity',
});
