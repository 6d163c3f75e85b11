import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client';

/** Figures of this process, in the form Prometheus reads. */
export class Metrics {
  private readonly registry = new Registry();
  private readonly requests: Histogram<'method' | 'route' | 'status'>;

  constructor(watched: { readonly streams: () => number; readonly due: () => Promise<number> }) {
    const registers = [this.registry];
    collectDefaultMetrics({ register: this.registry });
    this.requests = new Histogram({
      name: 'http_request_seconds',
      help: 'How long requests took, by route and status',
      labelNames: ['method', 'route', 'status'],
      buckets: [0.005, 0.02, 0.05, 0.1, 0.3, 1, 3, 10],
      registers,
    });
    new Gauge({
      name: 'live_streams',
      help: 'Desks that listen for changes',
      registers,
      collect() {
        this.set(watched.streams());
      },
    });
    new Gauge({
      name: 'organisations_due',
      help: 'Organisations with sheets whose projection is still to come',
      registers,
      async collect() {
        this.set(await watched.due());
      },
    });
  }

  /** Notes each request under its route, never under its address: that may name somebody. */
  readonly note: RequestHandler = (request, response, next) => {
    const end = this.requests.startTimer({ method: request.method });
    response.on('finish', () => {
      const route: unknown = (request as { route?: { path?: unknown } }).route?.path;
      end({ route: typeof route === 'string' ? route : 'other', status: response.statusCode });
    });
    next();
  };

  get contentType(): string {
    return this.registry.contentType;
  }

  write(): Promise<string> {
    return this.registry.metrics();
  }
}
